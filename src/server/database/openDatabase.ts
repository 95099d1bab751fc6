import fs from 'node:fs';
import path from 'node:path';
import { Mutex } from 'async-mutex';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { ResourceName } from '@/contract/resources';
import type { ReadingsSought } from '@/contract/readingsSought';
import { createJobs, type Jobs } from '../jobs';
import { defineTables, type Tables } from '../models/tables';
import { makeBackup, type Why } from './backups';
import { changedSince, nameOf } from './changedRows';
import { connect, inTransaction } from './connect';
import { checkFile } from './fileCheck';
import { guardFile } from './fileGuard';
import { lockFile, type FileLock } from './fileLock';
import { FILE_MODE, FOLDER_MODE, keepPrivate, realFile, syncFile, syncFolder } from './files';
import { migrate } from './migrate';
import { finishRestore } from './restore';
import { newPageCache, pageOf, type After } from './rowsJson';
import { StorageFault } from './storageFault';
import { watchSoundness, type SoundnessWatch } from './soundness';

export interface Trace {
  exists: boolean;
  deletedVersion: number | null;
}

/**
 * An open database: one connection that reads and one that writes. Sequelize would open a new connection for every
 * transaction on SQLite, which costs more than the write itself; a single writing connection behind a queue does not.
 */
export interface Database {
  file: string;
  read: Tables;
  write: Tables;
  /** The writing connection, for what no model says. */
  writer: Sequelize;
  /** Waits for its turn to write: SQLite takes one writer at a time. */
  queue: <T>(work: () => Promise<T>) => Promise<T>;
  /** Within a turn, runs changes in one immediate transaction: all of them hold, or none. */
  together: <T>(work: () => Promise<T>) => Promise<T>;
  /** Whether a row exists, and the version it had when it was last deleted: one question instead of two. */
  trace: (resource: ResourceName, id: string) => Promise<Trace>;
  /** Rows of a page as JSON texts with commas between, UTF-8, and how many there are in all. */
  page: (
    resource: ResourceName,
    limit: number,
    offset: number,
    sought?: ReadingsSought,
    after?: After,
  ) => Promise<{ total: number; items: Buffer; after: After | null }>;
  /** What has changed since a cursor, as JSON. */
  changedSince: (cursor: string | undefined) => Promise<string>;
  /** The name of the file, by which cursors and drafts know it. */
  fileName: () => Promise<string>;
  /** Copies the file into its backups, while others read and write. */
  backup: (why: Why) => Promise<string>;
  /** Import, restore, backup and the like: one at a time. */
  jobs: Jobs;
  /** What is known of the soundness of the rows. */
  soundness: SoundnessWatch;
  lock: FileLock;
  close: () => Promise<void>;
}

/** Puts the first rows into a new file. */
export type Seed = (database: Database) => Promise<void>;

/** After this long without a change the log is folded into the file, so that a copy of the file is whole. */
const IDLE_MS = 3000;
/** So long at the most, however often something changes. */
const FOLD_MS = 30_000;

/**
 * Opens a database file and brings its tables up to date; one process at a time. The file is looked over before anything
 * is written to it. A missing one is made beside its place, filled, and moved there when it is whole: a kill in the middle
 * leaves nothing that would not open.
 *
 * @throws StorageFault in words that say what to do
 */
export async function openDatabase(
  named: string,
  seed: Seed = () => Promise.resolve(),
  { mayBeNew = false } = {},
): Promise<Database> {
  fs.mkdirSync(path.dirname(named), { recursive: true, mode: FOLDER_MODE });
  const file = realFile(named);
  const lock = await lockFile(file);
  try {
    finishRestore(file);
    await checkFile(file);
    if (!fs.existsSync(file)) {
      if (wasKnown(file) && !mayBeNew) throw missing(file);
      await makeFile(file, lock, seed);
    }
    keepPrivate(file);
    const database = await openExisting(file, lock);
    keepPrivate(file);
    noteKnown(file);
    return database;
  } catch (error) {
    await lock.release();
    throw error;
  }
}

/** A note beside the data file that there was one: a missing file is not taken for a first start. */
const noteOf = (file: string): string => `${file}.known`;
const wasKnown = (file: string): boolean => fs.existsSync(noteOf(file));
const noteKnown = (file: string): void => {
  if (!wasKnown(file)) fs.writeFileSync(noteOf(file), 'There is a data file of Jauge here.\n', { mode: FILE_MODE });
};

const missing = (file: string): StorageFault =>
  new StorageFault(
    'storage.missing',
    'The data file is gone',
    `${file} is gone, though there was one. Connect its disk or put it back; or restore the newest backup with “npm run restore”. To begin with an empty file: npm start -- --new`,
  );

async function makeFile(file: string, lock: FileLock, seed: Seed): Promise<void> {
  const draft = `${file}.new`;
  for (const ending of ['', '-wal', '-shm', '-journal']) fs.rmSync(`${draft}${ending}`, { force: true });
  fs.writeFileSync(draft, '', { mode: FILE_MODE });
  const database = await openExisting(draft, lock);
  await seed(database);
  await closeConnections(database);
  if (fs.existsSync(`${draft}-wal`)) throw new Error(`the log of ${draft} could not be folded in`);
  await syncFile(draft);
  fs.renameSync(draft, file);
  syncFolder(path.dirname(file));
}

const closers = new WeakMap<Database, () => Promise<void>>();
const closeConnections = (database: Database) => closers.get(database)!();

async function openExisting(file: string, lock: FileLock): Promise<Database> {
  const writer = await connect(file);
  await migrate(writer, () => (file.endsWith('.new') ? Promise.resolve() : makeBackup(file, 'before-migration')));
  const reader = await connect(file);
  // A search may take a while; lists do not wait for it.
  const searcher = await connect(file);
  const cache = newPageCache();
  const turn = new Mutex();
  let idle: NodeJS.Timeout | null = null;
  const guard = file.endsWith('.new') ? null : await guardFile(file, writer);
  const fold = () => {
    firstChange = null;
    return turn
      .runExclusive(async () => {
        guard?.verify();
        await writer.query('PRAGMA wal_checkpoint(TRUNCATE)');
      })
      .catch(() => undefined);
  };
  let firstChange: number | null = null;
  const foldLater = () => {
    if (idle) clearTimeout(idle);
    firstChange ??= Date.now();
    idle = setTimeout(() => void fold(), Math.max(0, Math.min(IDLE_MS, firstChange + FOLD_MS - Date.now())));
    idle.unref();
  };
  let rescued = false;
  /** What was stored until now, from the open file that has no name any more. */
  const rescue = async () => {
    if (rescued || guard?.lost() !== 'moved') return;
    rescued = true;
    await writer.query(`VACUUM INTO '${`${file}.rescued`.replaceAll("'", "''")}'`).catch(() => undefined);
  };
  const inTurn = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      guard?.verify();
      const done = await work();
      // What was written to a file that is gone must not be answered as stored.
      guard?.verify();
      return done;
    } catch (error) {
      await rescue();
      throw error;
    }
  };
  const opened: Omit<Database, 'soundness'> = {
    file,
    read: defineTables(reader),
    write: defineTables(writer),
    writer,
    queue: (work) => turn.runExclusive(() => inTurn(work)).finally(foldLater),
    together: (work) => inTransaction(writer, work),
    trace: (resource, id) => traceOf(writer, resource, id),
    page: (resource, limit, offset, sought, after) =>
      pageOf(sought?.search ? searcher : reader, cache, resource, limit, offset, sought, after),
    changedSince: (cursor) => changedSince(reader, cursor),
    fileName: () => nameOf(reader),
    backup: (why) => makeBackup(file, why, new Date(), (faults) => database.soundness.note(faults)),
    jobs: createJobs(),
    lock,
    close: async () => {
      await closeConnections(database);
      await lock.release();
    },
  };
  const database: Database = Object.assign(opened, { soundness: watchSoundness(opened) });
  closers.set(database, async () => {
    await turn.waitForUnlock();
    if (idle) clearTimeout(idle);
    // One after the other: the last to close folds the log in, and two at once each leave it to the other.
    if (guard?.lost() === 'overwritten') {
      // Closing would fold this file's log into the other one, and so would the next start.
      fs.rmSync(`${file}-wal`, { force: true });
      return;
    }
    await reader.close();
    await searcher.close();
    await writer.query('PRAGMA wal_checkpoint(TRUNCATE)');
    await writer.close();
  });
  return database;
}

/** Written as plain SQL: through a model, Sequelize asks for the table's columns before every such question. */
async function traceOf(writer: Sequelize, resource: ResourceName, id: string): Promise<Trace> {
  const sql = `SELECT EXISTS (SELECT 1 FROM ${resource} WHERE id = $id) AS present, (SELECT version FROM tombstones WHERE id = $id) AS deletedVersion`;
  const [row] = await writer.query<{ present: number; deletedVersion: number | null }>(sql, {
    bind: { id },
    type: QueryTypes.SELECT,
  });
  return { exists: row?.present === 1, deletedVersion: row?.deletedVersion ?? null };
}
