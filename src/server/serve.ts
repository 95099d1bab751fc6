import fs from 'node:fs';
import type http from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import pino, { type Logger } from 'pino';
import { createApp } from './app';
import { openDatabase, type Database } from './database/openDatabase';
import { httpServer } from './httpServer';
import { listenAddresses } from './lan/addresses';
import { openHome, type Home } from './lan/home';
import { listenAtHome, namesFor } from './lan/listener';
import { loadFirstOutputs } from './firstOutputs';
import { loadDemo } from './loadDemo';
import { maintainHourly } from './maintenance';
import type { Settings } from './settings';
import { createStore } from './store';
import { finishImport } from './transfer/importData';

const LOOPBACK = '127.0.0.1';
const TRIES = 20;
/** Longest a stop waits for what is just being answered, ms. */
const STOP_MS = 5000;

function listen(server: http.Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, LOOPBACK, () => {
      server.removeListener('error', reject);
      resolve((server.address() as AddressInfo).port);
    });
  });
}

/** Listens on the port, or where that is allowed on the next free one. */
async function listenOn(server: http.Server, { port, nextFree }: Settings): Promise<number> {
  for (let offset = 0; ; offset++) {
    try {
      return await listen(server, port + offset);
    } catch (error) {
      const inUse = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
      if (inUse && nextFree && offset < TRIES) continue;
      // Not another port by itself: what waits in the browser to be sent is kept under this address.
      throw inUse
        ? new Error(
            `Port ${port + offset} is in use by another program. Stop that program, or choose another port: JAUGE_PORT=${port + offset + 1} npm start`,
          )
        : error;
    }
  }
}

/** A server that listens. */
export interface Serving {
  port: number;
  address: string;
  logger: Logger;
  /** The home network's side, where it was asked for. */
  home: Home | null;
  /** Answers what has been asked, a few seconds long, then closes the data file. */
  close: () => Promise<void>;
}

/**
 * Opens the data file and listens.
 *
 * @throws where the port is taken or the file cannot be used, in words that say what to do
 */
export async function serve(settings: Settings): Promise<Serving> {
  const logger = pino({ level: settings.logLevel });
  const database = await openDatabase(
    settings.databaseFile,
    async (fresh) => {
      const store = createStore(fresh);
      if (settings.demo) await loadDemo(store);
      else await loadFirstOutputs(store);
    },
    settings,
  );
  const unfinished = await finishImport(database);
  if (unfinished) {
    logger.warn(unfinished);
    database.soundness.remark(unfinished);
  }
  const store = createStore(database);
  const hasFiles = fs.existsSync(path.join(settings.distFolder, 'index.html'));
  const home = settings.lan ? await homeOf(database, settings.lan) : null;
  const options = {
    logger,
    ...(hasFiles ? { distFolder: settings.distFolder } : {}),
    ...(home ? { home } : {}),
  };
  const server = httpServer(createApp(store, database, options));
  const closing = async (error: unknown): Promise<never> => {
    await database.close();
    throw error;
  };
  const port = await listenOn(server, settings).catch(closing);
  const atHome =
    home &&
    (await listenAtHome(createApp(store, database, { ...options, door: 'home' }), home, {
      ...settings.lan!,
      logger,
    }).catch(closing));
  const address = `http://${LOOPBACK}:${port}`;
  database.lock.tell(address);
  const stopMaintaining = maintainHourly(database, logger);
  const looked = lookThrough(database, logger);
  const close = async () => {
    const maintained = stopMaintaining();
    atHome?.close();
    await closed(server);
    await maintained;
    await looked;
    await database.close();
  };
  return { port, address, logger, home, close };
}

/** Looks through all rows in the background, and says what is damaged. */
const lookThrough = (database: Database, logger: Logger): Promise<void> =>
  database.soundness.check().then(
    ({ damaged, structure }) => {
      const first = [...structure, ...damaged.map(({ resource, id, how }) => `${resource} ${id}: ${how}`)].slice(0, 5);
      if (first.length)
        logger.error(
          `${damaged.length} rows are damaged. Open “In and out” to put them back from a backup. ${first.join('; ')}`,
        );
    },
    (error: unknown) => logger.error({ err: error }, 'the rows could not be looked through'),
  );

/** Stops listening, and waits for what is just being answered. */
const closed = (server: http.Server): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(() => server.closeAllConnections(), STOP_MS).unref();
    server.close(() => resolve());
    server.closeIdleConnections();
  });

/** The home network's side, with what vouches for it beside the data file. */
const homeOf = (database: Database, { wanted }: { wanted: string }): Promise<Home> =>
  openHome(database, path.join(path.dirname(database.file), 'lan'), namesFor(listenAddresses(wanted)));
