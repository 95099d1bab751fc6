import fs from 'node:fs';
import path from 'node:path';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import type { Logger } from 'pino';
import { ALL_SCHEMAS, RESOURCE_SCHEMAS } from '@/contract/allSchemas';
import { firstView, firstViewHtml } from './firstView';
import { HttpProblem, problemOf } from './problems';
import type { Database } from './database/openDatabase';
import { cutSlowBodies } from './httpServer';
import { gate } from './lan/gate';
import type { Home } from './lan/home';
import { backupRoutes } from './routes/backups';
import { refuseNul, refuseTooDeep } from './nesting';
import { manageOnly } from './rights';
import { soundnessRoutes } from './routes/soundness';
import { changesRoutes } from './routes/changes';
import { demoRoutes } from './routes/demo';
import { lanRoutes } from './routes/lan';
import { resourceRoutes } from './routes/resources';
import { transferRoutes } from './routes/transfer';
import { COMPUTER_DOOR, insideOnly, oneOrigin, ownNamesOnly, securityHeaders } from './security';
import type { Store } from './store';

const BODY_LIMIT = '512kb';
/** Addresses that open the Far desk. */
const FIRST_VIEW_PATHS = new Set(['/', '/far']);

/** The web application's files: hashed ones for a year, the rest asked for again each time. */
function serveFiles(app: Express, folder: string, store: Store): void {
  app.use(insideOnly(folder));
  const YEAR_MS = 365 * 24 * 3600 * 1000;
  const hashed = { maxAge: YEAR_MS, immutable: true, index: false as const };
  for (const prefix of ['/_expo/static', '/assets']) {
    app.use(
      prefix,
      expressStaticGzip(path.join(folder, prefix), {
        enableBrotli: true,
        orderPreference: ['br', 'gz'],
        index: false,
        // Font files keep the path of their package, in which a dot may lead a folder name.
        serveStatic: { ...hashed, dotfiles: 'allow' },
      }),
    );
  }
  app.use(
    expressStaticGzip(folder, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: {
        cacheControl: false,
        index: false,
        setHeaders: (response) => {
          response.setHeader('Cache-Control', 'no-cache');
        },
      },
    }),
  );
  const index = path.join(folder, 'index.html');
  app.get('/{*splat}', async (request, response, next) => {
    // A path without an ending is a screen of the application; a missing file stays missing.
    if (path.extname(request.path) !== '' || !request.accepts('html')) return next();
    response.setHeader('Cache-Control', 'no-cache');
    // What cannot be read here is told by the application; the page itself always comes.
    const view = FIRST_VIEW_PATHS.has(request.path) ? await firstView(store).catch(() => null) : null;
    const page = fs.readFileSync(index, 'utf8');
    response.type('html').send(view ? page.replace('<!--first-view-->', () => firstViewHtml(view)) : page);
  });
}

export interface AppOptions {
  logger: Logger;
  /** The exported web application; without it only the API answers. */
  distFolder?: string;
  /** The home network's side, when there is one. */
  home?: Home;
  /** Through which door this one is reached. */
  door?: 'computer' | 'home';
}

/** What stands before everything else: who may ask at all. */
function guards({ home, door }: AppOptions): RequestHandler[] {
  if (door !== 'home' || !home) return [ownNamesOnly(COMPUTER_DOOR), oneOrigin];
  return [ownNamesOnly({ scheme: 'https', names: home.names }), ...gate(home)];
}

/** The whole application over HTTP, through one door. */
export function createApp(store: Store, database: Database, options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  // Nothing of the API is kept by a browser, so hashing every answer for a tag would be wasted.
  app.disable('etag');
  app.use(securityHeaders, refuseNul, cutSlowBodies(), guards(options));
  app.use('/api', (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  // Before the general limit: a whole file of data is larger than any row.
  if (options.door === 'home') app.use('/api/v1', manageOnly);
  app.use('/api/v1', transferRoutes(database), backupRoutes(database), soundnessRoutes(database));
  app.use('/api', express.json({ limit: BODY_LIMIT }), refuseTooDeep);
  app.get('/api/v1/health', (_request, response) => {
    response.json({ status: 'ok' });
  });
  app.get('/api/v1/schemas', (_request, response) => {
    response.json({ ...Object.fromEntries(ALL_SCHEMAS.map((schema) => [schema.$id, schema])), ...RESOURCE_SCHEMAS });
  });
  app.use('/api/v1', lanRoutes(options.home ?? null, options.door ?? 'computer'));
  app.use('/api/v1', changesRoutes(database), demoRoutes(store, database), resourceRoutes(store));
  app.use('/api', (request) => {
    throw new HttpProblem(404, 'route.unknown', 'Unknown address', `There is nothing at ${request.originalUrl}.`);
  });
  if (options.distFolder !== undefined) serveFiles(app, options.distFolder, store);
  app.use((request) => {
    throw new HttpProblem(404, 'route.unknown', 'Unknown address', `There is nothing at ${request.path}.`);
  });
  const onError: ErrorRequestHandler = (error, request, response, _next) => {
    if (response.headersSent) return void response.destroy();
    const problem = problemOf(error, database.file);
    if (!problem || problem.status >= 500)
      options.logger.error({ err: error as unknown, url: request.originalUrl }, 'request failed');
    const answer =
      problem ??
      new HttpProblem(
        500,
        'server.failed',
        'Server error',
        'Something went wrong in the server. What you sent was not stored; try again.',
      );
    response.status(answer.status).type('application/problem+json').send(JSON.stringify(answer));
  };
  app.use(onError);
  return app;
}
