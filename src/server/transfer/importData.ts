import fs from 'node:fs';
import { setImmediate as nextTurn } from 'node:timers/promises';
import type { FieldError } from '@/contract/problem';
import { validateHead, validateTransferRow } from '@/contract/validate';
import type { ResourceName } from '@/contract/resources';
import type { Existing, ImportSummary, TransferRow, WholeData } from '@/contract/wholeData';
import { contentHash } from '../database/rowChecksum';
import { storageFaultOf } from '../database/storageFault';
import type { Database } from '../database/openDatabase';
import { isTooDeep } from '../nesting';
import { importInvalid } from './importProblem';
import { CutOff, mergeImport } from './mergeImport';
import { readWholeData } from './readWholeData';
import { draftState, openStaging, removeStaging, setDraftAside, stagingFile } from './staging';

const MOST_ERRORS = 50;
/** A piece of the file read without a pause: others wait no longer than it takes. */
const PIECE_BYTES = 8 * 1024;

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
  return database.jobs.run(existing === 'only' ? 'empty' : 'import', async (count) => {
    try {
      await stage(database, sent, existing, count);
      await database.backup('before-import');
      const done = await mergeImport(database, now().toISOString(), count);
      removeStaging(database.file);
      return done;
    } catch (error) {
      // Once the kit is taken over, the draft is needed to carry the rest through at the next start.
      if (!(error instanceof CutOff)) removeStaging(database.file);
      throw error;
    }
  });
}

async function stage(
  database: Database,
  sent: AsyncIterable<Uint8Array>,
  existing: Existing | undefined,
  count: (rows: number) => void,
): Promise<void> {
  const staging = await openStaging(database.file);
  try {
    const errors: FieldError[] = [];
    let rows = 0;
    const reader = readWholeData((name, row, i) => {
      count((rows += 1));
      const path = `rows.${name}.${i}`;
      if (isTooDeep(row)) return void errors.push({ path, message: 'The row is nested deeper than any row of Jauge.' });
      const checked = validateTransferRow(name, row, i);
      if (!checked.ok) errors.push(...checked.errors);
      else if (isDamaged(name, checked.value, (row as { checksum?: unknown }).checksum))
        errors.push({ path, message: DAMAGED_ON_THE_WAY });
      else staging.add(name, checked.value);
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
    await staging.decide(
      existing ?? (head as Partial<WholeData>).existing ?? 'keep',
      reader.named(),
      await database.fileName(),
    );
  } catch (error) {
    await staging.drop();
    throw error;
  }
}

const DAMAGED_ON_THE_WAY =
  'The contents do not match the checksum they were exported with. If you changed the row on purpose, take its “checksum” out.';

const isDamaged = <N extends ResourceName>(name: N, { id, data }: TransferRow<N>, checksum: unknown): boolean =>
  typeof checksum === 'string' && contentHash(name, id, data) !== checksum;

/**
 * Carries an import through that was decided when the server was killed; one that was not decided is forgotten. One that is
 * damaged, or belongs to another file, is set aside. Nothing of this keeps the server from starting.
 *
 * @returns what a person must hear of; null where there is nothing
 */
export async function finishImport(database: Database, now: () => Date = () => new Date()): Promise<string | null> {
  const { file } = database;
  if (!fs.existsSync(stagingFile(file))) return null;
  const state = await draftState(file, await database.fileName());
  if (state === 'undecided') {
    removeStaging(file);
    return null;
  }
  if (state !== 'whole')
    return `An unfinished import was not carried through: ${state.unfit}. It was set aside as ${setDraftAside(file, now())}. Import the file again.`;
  try {
    await mergeImport(database, now().toISOString());
    removeStaging(file);
    return null;
  } catch (error) {
    // A full disk: the draft stays for the next start.
    if (error instanceof CutOff || storageFaultOf(error, file))
      return `An unfinished import could not be carried through: ${(error as Error).message} It is tried again at the next start.`;
    return `An unfinished import could not be carried through: ${(error as Error).message} It was set aside as ${setDraftAside(file, now())}. Import the file again.`;
  }
}
