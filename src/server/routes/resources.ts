import { Router, type Request } from 'express';
import { RESOURCE_NAMES, type ResourceName } from '@/contract/resources';
import { HttpProblem } from '../problems';
import type { Store } from '../store';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
const MAX_PAGE = 1000;

function resourceOf(request: Request): ResourceName {
  const name = String(request.params.resource) as ResourceName;
  if (!RESOURCE_NAMES.includes(name)) {
    throw new HttpProblem(404, 'resource.unknown', 'Unknown resource', `There is no “${name}” here. Known: ${RESOURCE_NAMES.join(', ')}.`);
  }
  return name;
}

function idOf(value: unknown): string {
  if (typeof value === 'string' && UUID.test(value)) return value.toLowerCase();
  throw new HttpProblem(400, 'id.invalid', 'Not an id', 'The id must be a UUID, made by the client.', {
    errors: [{ path: 'id', message: 'The id must be a UUID.' }],
  });
}

function wholeNumber(value: unknown, path: string, fallback: number | undefined, minimum: number, maximum: number): number {
  if (value === undefined && fallback !== undefined) return fallback;
  const number = typeof value === 'number' ? value : typeof value === 'string' && value !== '' ? Number(value) : NaN;
  if (Number.isInteger(number) && number >= minimum && number <= maximum) return number;
  const message = `“${path}” must be a whole number from ${minimum} to ${maximum}.`;
  throw new HttpProblem(400, `${path}.invalid`, 'Not a number', message, { errors: [{ path, message }] });
}

function objectOf(request: Request): Record<string, unknown> {
  const body: unknown = request.body;
  if (typeof body === 'object' && body !== null && !Array.isArray(body)) return body as Record<string, unknown>;
  throw new HttpProblem(400, 'body.missing', 'No JSON object', 'Send a JSON object with the header content-type: application/json.');
}

const versionOf = (value: unknown) => wholeNumber(value, 'version', undefined, 1, Number.MAX_SAFE_INTEGER);

/** list, get, create, replace and delete for every resource. */
export function resourceRoutes(store: Store): Router {
  const router = Router();
  router.get('/:resource', async (request, response) => {
    const limit = wholeNumber(request.query.limit, 'limit', 200, 1, MAX_PAGE);
    const offset = wholeNumber(request.query.offset, 'offset', 0, 0, Number.MAX_SAFE_INTEGER);
    response.type('json').send(await store.listJson(resourceOf(request), limit, offset));
  });
  router.get('/:resource/:id', async (request, response) => {
    response.json(await store.get(resourceOf(request), idOf(request.params.id)));
  });
  router.post('/:resource', async (request, response) => {
    const name = resourceOf(request);
    const { id, data } = objectOf(request);
    const row = await store.create(name, idOf(id), data);
    response.status(201).location(`/api/v1/${name}/${row.id}`).json(row);
  });
  router.put('/:resource/:id', async (request, response) => {
    const name = resourceOf(request);
    const { version, data } = objectOf(request);
    response.json(await store.replace(name, idOf(request.params.id), versionOf(version), data));
  });
  router.delete('/:resource/:id', async (request, response) => {
    await store.remove(resourceOf(request), idOf(request.params.id), versionOf(request.query.version));
    response.status(204).end();
  });
  return router;
}
