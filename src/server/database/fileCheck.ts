import fs from 'node:fs';
import { MIGRATION_NAMES } from '../migrations';
import { openRaw } from './raw';
import { StorageFault, damaged } from './storageFault';

const HEADER = 'SQLite format 3\0';

/** Whether a file begins as every SQLite file does. */
function beginsAsDatabase(file: string): boolean {
  const handle = fs.openSync(file, 'r');
  try {
    const first = Buffer.alloc(HEADER.length);
    return fs.readSync(handle, first, 0, HEADER.length, 0) === HEADER.length && first.toString('latin1') === HEADER;
  } finally {
    fs.closeSync(handle);
  }
}

/**
 * Looks a data file over before anything is written to it: that it is one, that its pages hold together, and that this
 * program knows its tables. A file that does not exist is none of its business.
 *
 * @throws StorageFault that names the file and the way back
 */
export async function checkFile(file: string): Promise<void> {
  if (!fs.existsSync(file)) {
    // What was written last lies in the log; without its file it is lost, and a new file would bury it.
    if (fs.existsSync(`${file}-wal`) && fs.statSync(`${file}-wal`).size > 0)
      throw damaged(file, 'it is gone, while its log is still there');
    return;
  }
  if (fs.statSync(file).size === 0) throw damaged(file, 'it is empty');
  if (!beginsAsDatabase(file)) throw damaged(file, 'it is not a database');
  const raw = await openRaw(file);
  try {
    const faults = (await raw.all<{ quick_check: string }>('PRAGMA quick_check(3)'))
      .map((row) => row.quick_check)
      .filter((text) => text !== 'ok');
    if (faults.length) throw damaged(file, faults.join('; '));
    await checkMigrations(file, raw.all);
  } catch (error) {
    if (error instanceof StorageFault) throw error;
    const code = String((error as { code?: unknown }).code);
    if (code.startsWith('SQLITE_CORRUPT') || code.startsWith('SQLITE_NOTADB'))
      throw damaged(file, 'its pages contradict each other');
    throw error;
  } finally {
    await raw.close();
  }
}

async function checkMigrations(file: string, all: <T>(sql: string) => Promise<T[]>): Promise<void> {
  const tables = (await all<{ name: string }>(`SELECT name FROM sqlite_master WHERE type = 'table'`)).map(
    (row) => row.name,
  );
  if (!tables.includes('SequelizeMeta')) {
    if (tables.length === 0) throw damaged(file, 'it holds no tables');
    throw new StorageFault(
      'storage.notADatabase',
      'Not a file of Jauge',
      `${file} is a database of another program (its tables: ${tables.slice(0, 4).join(', ')}). Nothing was written to it. Choose another file with JAUGE_DATABASE.`,
    );
  }
  const unknown = (await all<{ name: string }>('SELECT name FROM SequelizeMeta'))
    .map((row) => row.name)
    .filter((name) => !MIGRATION_NAMES.includes(name));
  if (unknown.length) {
    throw new StorageFault(
      'storage.newer',
      'Written by a newer Jauge',
      `${file} was written by a newer Jauge (it has “${unknown.join('”, “')}”, which this one does not know). Nothing was written to it. Start the newer Jauge, or bring back an older backup with “npm run restore”.`,
    );
  }
}
