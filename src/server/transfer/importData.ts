import fs from 'node:fs';
import { setImmediate as nextTurn } from 'node:timers/promises';
import type { FieldError } from '@/contract/problem';
import { validateHead, validateTransferRow } from '@/contract/validate';
import type { Existing, ImportSummary, WholeData } from '@/contract/wholeData';
import { openRaw } from '../database/raw';
import type { Database } from '../database/openDatabase';
import { HttpProblem } from '../problems';
import { importInvalid } from './importProblem';
import { CutOff, mergeImport } from './mergeImport';
import { readWholeData } from './readWholeData';
import { openStaging, removeStaging, stagingFile } from './staging';

const MOST_ERRORS = 50;
/** A piece of the file read without a pause: others wait no longer than it takes. */
const PIECE_BYTES = 8 * 1024;

/** One import at a time for each database. */
const running = new WeakSet<Database>();

function* pieces(chunk: Uint8Array): Generator<Uint8Array> {
  for (let at = 0; at < chunk.length; at += PIECE_BYTES) yield chunk.subarray(at, at + PIECE_BYTES);
}

/**
 * Takes a file of data in, of any size, all of it or nothing. Rows are checked as they come and wait in a file beside the
 * database; only when all are good are they taken over, after a backup. A row whose id exists with the same data is left
 * alone; one with other data is kept or replaced as the file says. A row that was deleted goes on counting its versions.
 *
 * @param existing over what the file says
 */
export async function importData(
  database: Database,
  sent: AsyncIterable<Uint8Array>,
  now: () => Date,
  existing?: Existing,
): Promise<ImportSummary> {
  if (running.has(database))
    throw new HttpProblem(
      409,
      'import.running',
      'An import is running',
      'Another file is just being brought in. Wait until that is done, then try again.',
    );
  running.add(database);
  try {
    await stage(database, sent, existing);
    await database.backup('before-import');
    const done = await mergeImport(database, now().toISOString());
    removeStaging(database.file);
    return done;
  } catch (error) {
    // Once the kit is taken over, the draft is needed to carry the rest through at the next start.
    if (!(error instanceof CutOff)) removeStaging(database.file);
    throw error;
  } finally {
    running.delete(database);
  }
}

async function stage(
  database: Database,
  sent: AsyncIterable<Uint8Array>,
  existing: Existing | undefined,
): Promise<void> {
  const staging = await openStaging(database.file);
  try {
    const errors: FieldError[] = [];
    const reader = readWholeData((name, row, i) => {
      const checked = validateTransferRow(name, row, i);
      if (checked.ok) staging.add(name, checked.value);
      else errors.push(...checked.errors);
    });
    for await (const chunk of sent) {
      for (const piece of pieces(chunk)) {
        reader.write(piece);
        if (errors.length >= MOST_ERRORS) throw importInvalid(errors.slice(0, MOST_ERRORS));
        await staging.flush();
        await nextTurn();
      }
    }
    const head = reader.end();
    errors.unshift(...validateHead(head));
    if (!errors.length)
      errors.push(
        ...(await staging.doubled(MOST_ERRORS)).map(({ resource, n, id }) => ({
          path: `rows.${resource}.${n}.id`,
          message: `The id ${id} stands twice in the file.`,
        })),
      );
    if (errors.length) throw importInvalid(errors.slice(0, MOST_ERRORS));
    await staging.decide(existing ?? (head as Partial<WholeData>).existing ?? 'keep', reader.named());
  } catch (error) {
    await staging.drop();
    throw error;
  }
}

/** Carries an import through that was decided when the server was killed; one that was not decided is forgotten. */
export async function finishImport(database: Database, now: () => Date = () => new Date()): Promise<void> {
  const name = stagingFile(database.file);
  if (!fs.existsSync(name)) return;
  if (await isDecided(name)) await mergeImport(database, now().toISOString());
  removeStaging(database.file);
}

async function isDecided(name: string): Promise<boolean> {
  try {
    const raw = await openRaw(name);
    try {
      return (await raw.all('SELECT 1 FROM decision')).length === 1;
    } finally {
      await raw.close();
    }
  } catch {
    // Cut off while it was made: never decided.
    return false;
  }
}
