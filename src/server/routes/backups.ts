import { Router } from 'express';
import { listBackups } from '../database/backups';
import type { Database } from '../database/openDatabase';
import { restoreRows } from '../database/restore';

/** The backups beside the data file: which there are, one more now, and one brought back. */
export function backupRoutes(database: Database): Router {
  const router = Router();
  router.get('/backups', (_request, response) => {
    response.json({ items: listBackups(database.file) });
  });
  router.post('/backups', async (_request, response) => {
    const name = await database.jobs.run('backup', () => database.backup('by-hand'));
    response.status(201).json(listBackups(database.file).find((each) => each.name === name));
  });
  router.post('/backups/:name/restore', async (request, response) => {
    await database.jobs.run('restore', () => restoreRows(database, String(request.params.name)));
    response.json({ restored: request.params.name });
  });
  return router;
}
