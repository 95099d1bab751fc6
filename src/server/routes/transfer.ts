import type { Transform } from 'node:stream';
import zlib from 'node:zlib';
import { Router, type Request } from 'express';
import type { Existing } from '@/contract/wholeData';
import type { Database } from '../database/openDatabase';
import { HttpProblem } from '../problems';
import { exportData } from '../transfer/exportData';
import { importData } from '../transfer/importData';

/** More exports at once would only make each other slow. */
const MOST_EXPORTS = 2;

const INFLATERS: Record<string, () => Transform> = {
  gzip: () => zlib.createGunzip(),
  deflate: () => zlib.createInflate(),
  br: () => zlib.createBrotliDecompress(),
};

/** The body as it comes in, packed or not. */
function bodyOf(request: Request): AsyncIterable<Uint8Array> {
  if (!request.is('application/json'))
    throw new HttpProblem(
      400,
      'body.missing',
      'No JSON object',
      'Send a JSON object with the header content-type: application/json.',
    );
  const encoding = (request.get('content-encoding') ?? 'identity').trim().toLowerCase();
  // A refusal in the middle must not cut the sender off before it has read why.
  if (encoding === 'identity') return request.iterator({ destroyOnReturn: false });
  const inflater = INFLATERS[encoding]?.();
  if (!inflater)
    throw new HttpProblem(
      415,
      'body.encoding',
      'Unknown encoding',
      'Send the body as UTF-8 JSON, plain or packed with gzip, deflate or br.',
    );
  request.on('error', (error) => inflater.destroy(error));
  // A sender that left ends the reading as well: nothing more comes, and no end either.
  request.on('close', () => {
    if (!request.complete) inflater.destroy(Object.assign(new Error('cut off'), { code: 'ECONNRESET' }));
  });
  // Told to whoever reads it; until someone does, it must not end the server.
  inflater.on('error', () => undefined);
  return withinReason(request, request.pipe(inflater));
}

/** A body may unpack to so many times its size, beyond this many bytes: no file of data packs better. */
const MOST_TIMES = 200;
const FREE_BYTES = 2 * 1024 * 1024;

/** An unpacked body, unless a few bytes become very many: refused by its size, before anything reads them. */
async function* withinReason(request: Request, inflated: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  const before = request.socket.bytesRead;
  let bytes = 0;
  for await (const chunk of inflated) {
    bytes += chunk.length;
    const sent = Number(request.get('content-length') ?? request.socket.bytesRead - before);
    if (bytes > FREE_BYTES + MOST_TIMES * Math.max(sent, 0))
      throw new HttpProblem(
        413,
        'body.unpacksTooLarge',
        'Unpacks too large',
        'The packed body becomes many times larger than any file of data does. Send it unpacked.',
      );
    yield chunk;
  }
}

/** How long the rest of a refused body is read, ms. */
const READ_AWAY_MS = 5000;

/**
 * Reads what is left of a refused body, within limits: a sender whose connection is closed while it still sends sees a broken
 * line instead of the answer.
 */
function readAway(request: Request): Promise<void> {
  if (request.complete || request.destroyed) return Promise.resolve();
  return new Promise((resolve) => {
    const timer = setTimeout(resolve, READ_AWAY_MS);
    const done = () => {
      clearTimeout(timer);
      resolve();
    };
    request.once('end', done).once('close', done).resume();
  });
}

function existingOf({ query }: Request): Existing | undefined {
  const { existing } = query;
  if (existing === undefined || existing === 'keep' || existing === 'replace' || existing === 'only') return existing;
  const message = '“existing” must be one of: keep, replace, only.';
  throw new HttpProblem(400, 'existing.invalid', 'Unknown choice', message, {
    errors: [{ path: 'existing', message }],
  });
}

/** An error of unpacking is the sender's. */
function sendersFault(error: unknown): unknown {
  const code = String((error as { code?: unknown }).code ?? '');
  if (code.startsWith('Z_') || code.startsWith('ERR_') || code.startsWith('ERR__ERROR'))
    return new HttpProblem(
      400,
      'body.encoding',
      'Cannot be unpacked',
      'The body cannot be unpacked: it is damaged or not packed as its header says. Send it again.',
    );
  if (code === 'ECONNRESET')
    return new HttpProblem(
      400,
      'body.cutOff',
      'Cut off',
      'The body ended in the middle. Nothing was imported; send it again.',
    );
  return error;
}

/** The whole data out and in. */
export function transferRoutes(database: Database, now: () => Date = () => new Date()): Router {
  const router = Router();
  let exporting = 0;
  router.get('/export', async (_request, response) => {
    if (exporting >= MOST_EXPORTS)
      throw new HttpProblem(
        429,
        'export.busy',
        'Exports are running',
        'Two exports are running already. Wait until one is done, then try again.',
      );
    exporting += 1;
    try {
      response.setHeader(
        'content-disposition',
        `attachment; filename="jauge-${now().toISOString().slice(0, 10)}.json"`,
      );
      response.type('json');
      await exportData(database.file, response, now);
    } catch (error) {
      // Half a file must not look like a whole one.
      if (response.headersSent) response.destroy();
      else throw error;
    } finally {
      exporting -= 1;
    }
  });
  router.post('/import', async (request, response) => {
    try {
      response.json(await importData(database, bodyOf(request), now, existingOf(request)));
    } catch (error) {
      response.setHeader('connection', 'close');
      await readAway(request);
      throw sendersFault(error);
    }
  });
  return router;
}
