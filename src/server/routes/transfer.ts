import express, { Router } from 'express';
import type { Database } from '../database';
import { exportData } from '../transfer/exportData';
import { importData } from '../transfer/importData';

/** A life's bag and log in one file. */
const IMPORT_LIMIT = '64mb';

/** The whole data out and in. */
export function transferRoutes(database: Database, now: () => Date = () => new Date()): Router {
  const router = Router();
  router.get('/export', async (_request, response) => {
    const day = now().toISOString().slice(0, 10);
    response.setHeader('content-disposition', `attachment; filename="jauge-${day}.json"`);
    response.type('json').send(await exportData(database, now));
  });
  router.post('/import', express.json({ limit: IMPORT_LIMIT }), async (request, response) => {
    response.json(await importData(database, request.body, now));
  });
  return router;
}
