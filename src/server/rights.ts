import type { RequestHandler } from 'express';
import { HttpProblem } from './problems';
import { deviceOf } from './lan/gate';

/** What concerns all of the data at once, by method and path below /api/v1. */
const MANAGING: readonly [string, RegExp][] = [
  ['POST', /^\/import\/?$/i],
  ['POST', /^\/backups(\/|$)/i],
  ['POST', /^\/soundness(\/|$)/i],
  ['POST', /^\/demo\/?$/i],
  ['DELETE', /^\/demo\/?$/i],
];

/**
 * A paired device may change rows and export. What replaces or empties all of the data is done at the computer, or by a device
 * that was allowed to there.
 */
export const manageOnly: RequestHandler = (request, response, next) => {
  const manages = MANAGING.some(([method, path]) => method === request.method && path.test(request.path));
  if (!manages || deviceOf(response)?.rights === 'manage') return next();
  throw new HttpProblem(
    403,
    'device.notAllowed',
    'Only at the computer',
    'This device may not import, restore, back up or empty. Do it at the computer, or allow this device there under “Take it along”.',
  );
};
