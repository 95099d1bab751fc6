import { Router } from 'express';
import { RESOURCE_NAMES, type ResourceName } from '@/contract/resources';
import type { Database } from '../database/openDatabase';
import { HttpProblem } from '../problems';

/** Whether the rows are what was written: what is known, a look now, and a damaged row put back from a backup. */
export function soundnessRoutes({ soundness }: Database): Router {
  const router = Router();
  router.get('/soundness', async (_request, response) => {
    response.json(await soundness.report());
  });
  router.post('/soundness', async (_request, response) => {
    await soundness.check();
    response.json(await soundness.report());
  });
  router.post('/soundness/:resource/:id', async (request, response) => {
    const { resource, id } = request.params;
    if (!RESOURCE_NAMES.includes(resource as ResourceName))
      throw new HttpProblem(404, 'resource.unknown', 'Unknown resource', `There is no “${resource}” here.`);
    await soundness.repair(resource as ResourceName, id);
    response.json(await soundness.report());
  });
  return router;
}
