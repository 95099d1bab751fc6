import fs from 'node:fs';
import path from 'node:path';
import { QueryTypes } from 'sequelize';
import { RESOURCE_NAMES } from '@/contract/resources';
import { HttpProblem } from '../problems';
import { backupFolder, listBackups } from './backups';
import { connect } from './connect';
import { NEW_FILE_NAME } from './changedRows';
import { checkFile } from './fileCheck';
import { copyWhole, realFile, syncFolder } from './files';
import { lockFile } from './fileLock';
import { migrate } from './migrate';
import type { Database } from './openDatabase';
import { openRaw } from './raw';
import { checksumSql, hashSql } from './rowChecksum';
import { setDraftAside } from '../transfer/staging';
import { StorageFault } from './storageFault';

/** Where a backup is laid ready before it takes the place of the data file. */
const readyFile = (file: string) => `${file}.restored`;
const ENDINGS = ['', '-wal', '-shm', '-journal'] as const;

const noSuchBackup = (file: string, name: string) =>
  new HttpProblem(
    404,
    'backup.unknown',
    'No such backup',
    `There is no backup “${name}”. There are: ${
      listBackups(file)
        .map((each) => each.name)
        .join(', ') || 'none yet'
    }.`,
  );

const unfitBackup = (name: string, { code }: StorageFault): HttpProblem =>
  new HttpProblem(
    422,
    code === 'storage.newer' ? 'backup.newer' : 'backup.damaged',
    'The backup cannot be used',
    code === 'storage.newer'
      ? `The backup ${name} was made by a newer Jauge. Start that one, or choose an older backup.`
      : `The backup ${name} is damaged or no database. Choose another one; nothing was changed.`,
  );

function pathOf(file: string, name: string): string {
  const known = listBackups(file).find((each) => each.name === name);
  if (!known) throw noSuchBackup(file, name);
  return path.join(backupFolder(file), known.name);
}

/**
 * Brings a backup back while the server runs: all rows become what they were then, in one transaction, after a backup of
 * what is there now. Versions go on counting, so that a change made elsewhere to what stood here is seen to be stale.
 */
export async function restoreRows(database: Database, name: string): Promise<void> {
  const { file, writer, queue, together } = database;
  const ready = readyFile(file);
  // An import that was to be carried through belongs to the rows that go now.
  setDraftAside(file);
  removeFile(ready);
  await copyWhole(pathOf(file, name), ready);
  try {
    await checkFile(ready).catch((error: unknown) => {
      throw error instanceof StorageFault ? unfitBackup(name, error) : error;
    });
    // A backup of an older program gets today's tables first.
    const old = await connect(ready);
    await migrate(old);
    await old.close();
    await database.backup('before-restore');
    await queue(async () => {
      await writer.query('ATTACH $file AS old', { bind: { file: ready } });
      try {
        await together(() => takeOver(writer));
      } finally {
        await writer.query('DETACH old');
      }
    });
  } finally {
    removeFile(ready);
  }
}

async function takeOver(writer: Database['writer']): Promise<void> {
  const run = (sql: string) => writer.query(sql);
  await run('PRAGMA defer_foreign_keys = ON');
  await run('CREATE TEMP TABLE known (id TEXT PRIMARY KEY, version INTEGER, data TEXT)');
  for (const table of RESOURCE_NAMES)
    await run(`INSERT OR REPLACE INTO temp.known SELECT id, version, data FROM main.${table}`);
  await run('INSERT OR IGNORE INTO temp.known SELECT id, version, NULL FROM main.tombstones');
  await run('DELETE FROM main.setup_parts');
  for (const table of [...RESOURCE_NAMES].reverse()) await run(`DELETE FROM main.${table}`);
  await run('DELETE FROM main.tombstones');
  for (const table of RESOURCE_NAMES) {
    const columns = (
      await writer.query<{ name: string }>(`SELECT name FROM pragma_table_info('${table}')`, {
        type: QueryTypes.SELECT,
      })
    ).map((row) => row.name);
    const version =
      'CASE WHEN k.version IS NULL THEN o.version WHEN k.data IS o.data THEN k.version ELSE max(o.version, k.version + 1) END';
    const special: Record<string, string> = {
      version,
      checksum: checksumSql(hashSql('o.checksum'), version, 'o.created_at', 'o.updated_at'),
    };
    const values = columns.map((column) => special[column] ?? `o.${column}`);
    await run(
      `INSERT INTO main.${table} (${columns.join(', ')}) SELECT ${values.join(', ')} FROM old.${table} AS o LEFT JOIN temp.known AS k ON k.id = o.id`,
    );
  }
  await run('INSERT INTO main.setup_parts SELECT * FROM old.setup_parts');
  const anyRow = RESOURCE_NAMES.map((table) => `SELECT id FROM main.${table}`).join(' UNION ALL ');
  await run(`INSERT INTO main.tombstones (id, version) SELECT id, version FROM temp.known WHERE id NOT IN (${anyRow})`);
  await run('DROP TABLE temp.known');
}

function removeFile(file: string): void {
  for (const ending of ENDINGS) fs.rmSync(`${file}${ending}`, { force: true });
}

/** What bringing a backup back did, for the person at the command line. */
export interface Restored {
  name: string;
  /** Where the file that stood there went. */
  putAside: string | null;
}

/**
 * Puts a backup in the place of the data file, while no server runs on it. What stood there is put aside beside it, not
 * deleted. A kill in between is made good at the next start.
 */
export async function restoreFile(named: string, name: string, now: Date = new Date()): Promise<Restored> {
  const file = realFile(named);
  const from = pathOf(file, name);
  const lock = await lockFile(file);
  try {
    await checkFile(from);
    const aside = `${file}.aside-${now.toISOString().replace(/[-:.]/g, '')}`;
    await copyWhole(from, readyFile(file));
    await nameAnew(readyFile(file));
    setDraftAside(file, now);
    const stood = fs.existsSync(file);
    for (const ending of ENDINGS)
      if (fs.existsSync(`${file}${ending}`)) fs.renameSync(`${file}${ending}`, `${aside}${ending}`);
    finishRestore(file);
    return { name, putAside: stood ? aside : null };
  } finally {
    await lock.release();
  }
}

/**
 * A file that goes back in time: what devices have seen since is not in it, and they must not think so. Nor may a device come
 * in again that was revoked since: all are paired anew.
 */
async function nameAnew(file: string): Promise<void> {
  const connection = await openRaw(file, 'write');
  try {
    const [named] = await connection.all("SELECT 1 FROM sqlite_master WHERE name = 'file_names'");
    if (named) await connection.run(NEW_FILE_NAME);
    const [paired] = await connection.all("SELECT 1 FROM sqlite_master WHERE name = 'devices'");
    if (paired) await connection.run('DELETE FROM devices');
  } finally {
    await connection.close();
  }
}

/** Puts a backup that is laid ready in the place of a data file that is gone. */
export function finishRestore(file: string): void {
  const ready = readyFile(file);
  if (!fs.existsSync(ready)) return;
  // Left by one that was cut off before anything was moved.
  if (fs.existsSync(file)) return removeFile(ready);
  for (const ending of ['-wal', '-shm']) fs.rmSync(`${file}${ending}`, { force: true });
  fs.renameSync(ready, file);
  syncFolder(path.dirname(file));
}

/** The backups, newest first, in words. */
export function backupLines(file: string): string[] {
  return listBackups(file).map((each) => `${each.name}  ${(each.bytes / 1e6).toFixed(1)} MB`);
}

/** Whether a file opens as it stands; the reason when it does not. */
export async function whyNotOpen(file: string): Promise<string | null> {
  if (!fs.existsSync(file)) return `${file} does not exist.`;
  try {
    await checkFile(file);
    return null;
  } catch (error) {
    if (error instanceof StorageFault) return error.message;
    throw error;
  }
}
