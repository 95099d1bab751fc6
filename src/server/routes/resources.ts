import crypto from 'node:crypto';
import { Router, type Request, type Response } from 'express';
import { REPEATED } from '@/contract/repeated';
import {
  MOST_SEARCH_CHARACTERS,
  MOST_SEARCH_WORDS,
  READING_DESKS,
  READING_SORTS,
  type ReadingsSought,
} from '@/contract/readingsSought';
import { RESOURCE_NAMES, type ResourceName } from '@/contract/resources';
import { placeOf, type After } from '../database/pageCursor';
import { HttpProblem } from '../problems';
import type { SentOnce, Store } from '../store';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
const MAX_PAGE = 1000;

function resourceOf(request: Request): ResourceName {
  const name = String(request.params.resource) as ResourceName;
  if (!RESOURCE_NAMES.includes(name)) {
    throw new HttpProblem(
      404,
      'resource.unknown',
      'Unknown resource',
      `There is no “${name}” here. Known: ${RESOURCE_NAMES.join(', ')}.`,
    );
  }
  return name;
}

function idOf(value: unknown): string {
  if (typeof value === 'string' && UUID.test(value)) return value.toLowerCase();
  throw new HttpProblem(400, 'id.invalid', 'Not an id', 'The id must be a UUID, made by the client.', {
    errors: [{ path: 'id', message: 'The id must be a UUID.' }],
  });
}

function wholeNumber(
  value: unknown,
  path: string,
  fallback: number | undefined,
  minimum: number,
  maximum: number,
): number {
  if (value === undefined && fallback !== undefined) return fallback;
  const number = typeof value === 'number' ? value : typeof value === 'string' && value !== '' ? Number(value) : NaN;
  if (Number.isInteger(number) && number >= minimum && number <= maximum) return number;
  const message = `“${path}” must be a whole number from ${minimum} to ${maximum}.`;
  throw new HttpProblem(400, `${path}.invalid`, 'Not a number', message, { errors: [{ path, message }] });
}

function objectOf(request: Request): Record<string, unknown> {
  const body: unknown = request.body;
  if (typeof body === 'object' && body !== null && !Array.isArray(body)) return body as Record<string, unknown>;
  throw new HttpProblem(
    400,
    'body.missing',
    'No JSON object',
    'Send a JSON object with the header content-type: application/json.',
  );
}

const versionOf = (value: unknown) => wholeNumber(value, 'version', undefined, 1, Number.MAX_SAFE_INTEGER);

/**
 * The key of a change, when one was sent, with a fingerprint of what it asks. An answer given again says so: the row may have
 * been changed since.
 */
function sentOnce(request: Request, response: Response): SentOnce | undefined {
  const key = request.get('idempotency-key');
  if (key === undefined) return undefined;
  if (!/^[\w-]{8,100}$/.test(key))
    throw new HttpProblem(
      400,
      'key.invalid',
      'Not a key',
      'An Idempotency-Key has 8 to 100 letters, digits, “-” or “_”.',
    );
  return {
    key,
    request: () =>
      crypto
        .createHash('sha256')
        .update(JSON.stringify([request.method, request.path, request.query.version, request.body ?? null]))
        .digest('hex'),
    onRepeated: () => response.setHeader(REPEATED, 'true'),
  };
}

function oneOf<T extends string>(value: unknown, path: string, known: readonly T[]): T | undefined {
  if (value === undefined) return undefined;
  if (known.includes(value as T)) return value as T;
  const message = `“${path}” must be one of: ${known.join(', ')}.`;
  throw new HttpProblem(400, `${path}.invalid`, 'Unknown choice', message, { errors: [{ path, message }] });
}

/** How readings are asked for. */
function soughtOf({ query }: Request): ReadingsSought {
  const { search } = query;
  if (
    search !== undefined &&
    (typeof search !== 'string' ||
      search.length > MOST_SEARCH_CHARACTERS ||
      search.trim().split(/\s+/).length > MOST_SEARCH_WORDS)
  ) {
    const message = `“search” must be at most ${MOST_SEARCH_WORDS} words of ${MOST_SEARCH_CHARACTERS} characters in all.`;
    throw new HttpProblem(400, 'search.invalid', 'Too much to look for', message, {
      errors: [{ path: 'search', message }],
    });
  }
  const desk = oneOf(query.desk, 'desk', READING_DESKS);
  const held = oneOf(query.held, 'held', ['noted'] as const);
  return {
    sort: oneOf(query.sort, 'sort', READING_SORTS) ?? 'newest',
    ...(search ? { search } : {}),
    ...(desk ? { desk } : {}),
    ...(held ? { held: true } : {}),
    ...(query.id === undefined ? {} : { id: idOf(query.id) }),
  };
}

/** Where the page before ended, when it is asked for so. */
function afterOf({ query: { after } }: Request): After | null {
  if (after === undefined) return null;
  const place = typeof after === 'string' ? placeOf(after) : null;
  if (place) return place;
  const message = '“after” must be the “next” of a page that was read.';
  throw new HttpProblem(400, 'after.invalid', 'Not a place', message, { errors: [{ path: 'after', message }] });
}

/** list, get, create, replace and delete for every resource. */
export function resourceRoutes(store: Store): Router {
  const router = Router();
  router.get('/:resource', async (request, response) => {
    const limit = wholeNumber(request.query.limit, 'limit', 200, 1, MAX_PAGE);
    const offset = wholeNumber(request.query.offset, 'offset', 0, 0, Number.MAX_SAFE_INTEGER);
    const name = resourceOf(request);
    if (name !== 'readings') return void response.type('json').send(await store.listJson(name, limit, offset));
    const after = afterOf(request);
    response
      .type('json')
      .send(await store.listJson(name, limit, after ? 0 : offset, soughtOf(request), after ?? undefined));
  });
  router.get('/:resource/:id', async (request, response) => {
    response.json(await store.get(resourceOf(request), idOf(request.params.id)));
  });
  router.post('/:resource', async (request, response) => {
    const name = resourceOf(request);
    const { id, data } = objectOf(request);
    const row = await store.create(name, idOf(id), data, sentOnce(request, response));
    response.status(201).location(`/api/v1/${name}/${row.id}`).json(row);
  });
  router.put('/:resource/:id', async (request, response) => {
    const name = resourceOf(request);
    const { version, data } = objectOf(request);
    response.json(
      await store.replace(name, idOf(request.params.id), versionOf(version), data, sentOnce(request, response)),
    );
  });
  router.delete('/:resource/:id', async (request, response) => {
    await store.remove(
      resourceOf(request),
      idOf(request.params.id),
      versionOf(request.query.version),
      sentOnce(request, response),
    );
    response.status(204).end();
  });
  return router;
}
