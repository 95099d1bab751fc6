import express, { type ErrorRequestHandler } from 'express';
import request from 'supertest';
import { HttpProblem } from './problems';
import { manageOnly } from './rights';

/** An application that answers everything, behind the rights of a device. */
function appFor(rights: string | undefined) {
  const app = express();
  app.use((_request, response, next) => {
    if (rights !== undefined) response.locals.device = { rights };
    next();
  });
  app.use('/api/v1', manageOnly);
  app.use((_request, response) => void response.json({}));
  const onError: ErrorRequestHandler = (error, _request, response, _next) => {
    if (!(error instanceof HttpProblem)) throw error;
    response.status(error.status).json(error);
  };
  app.use(onError);
  return request(app);
}

const MANAGING = [
  ['post', '/api/v1/import?existing=only'],
  ['post', '/api/v1/IMPORT/'],
  ['post', '/api/v1/backups'],
  ['post', '/api/v1/backups/some/restore'],
  ['post', '/api/v1/soundness'],
  ['post', '/api/v1/demo'],
  ['delete', '/api/v1/demo'],
] as const;
const ITS_OWN = [
  ['get', '/api/v1/export'],
  ['get', '/api/v1/backups'],
  ['get', '/api/v1/changes'],
  ['post', '/api/v1/bodies'],
  ['put', '/api/v1/bodies/1'],
  ['delete', '/api/v1/bodies/1'],
] as const;

it.each(['', undefined])(
  'a device with no more rights (%p) changes rows and exports, and manages nothing',
  async (rights) => {
    for (const [method, path] of MANAGING) {
      const refused = await appFor(rights)[method](path);
      expect([path, refused.status, refused.body.code]).toEqual([path, 403, 'device.notAllowed']);
    }
    for (const [method, path] of ITS_OWN) expect((await appFor(rights)[method](path)).status).toBe(200);
  },
);

it('a device that was allowed at the computer manages as well', async () => {
  for (const [method, path] of [...MANAGING, ...ITS_OWN])
    expect((await appFor('manage')[method](path)).status).toBe(200);
});
