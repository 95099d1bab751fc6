import { Router } from 'express';
import type { Database } from '../database/openDatabase';

/** What has changed since a cursor: how a device keeps its copy. A cursor that is not known brings everything. */
export function changesRoutes(database: Database): Router {
  const router = Router();
  router.get('/changes', async (request, response) => {
    const { since } = request.query;
    response.type('json').send(await database.changedSince(typeof since === 'string' ? since : undefined));
  });
  return router;
}
