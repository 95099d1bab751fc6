import { Router } from 'express';
import type { Database } from '../database/openDatabase';
import { DEMO_EVENING } from '@/demo/evening';
import { countDemoRows, putDemoAway, putDemoIn } from '../demoKit';
import type { Store } from '../store';

/** The demo kit: how much of it is there, put in, put away. */
export function demoRoutes(store: Store, database: Database): Router {
  const router = Router();
  router.get('/demo', async (_request, response) => {
    response.json({ rows: await countDemoRows(store), evening: DEMO_EVENING });
  });
  router.post('/demo', async (_request, response) => {
    response.status(201).json({ added: await database.jobs.run('demo', () => putDemoIn(store)) });
  });
  router.delete('/demo', async (_request, response) => {
    response.json(
      await database.jobs.run('demo', async () => {
        await database.backup('by-hand');
        return putDemoAway(store);
      }),
    );
  });
  return router;
}
