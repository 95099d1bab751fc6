import crypto from 'node:crypto';
import fs from 'node:fs';
import { setImmediate as nextTurn } from 'node:timers/promises';
import { RESOURCE_NAMES, columnValues, columnsOf, type ResourceName, type ResourceTypes } from '@/contract/resources';
import type { Existing, TransferRow } from '@/contract/wholeData';
import { FILE_MODE, syncFile } from '../database/files';
import { openRaw, type Raw } from '../database/raw';
import { contentHash } from '../database/rowChecksum';
import { partsOf } from '../setupParts';

/** Where the rows of an import wait until all of them are known to be good. */
export const stagingFile = (file: string): string => `${file}.import`;

/** Beside the columns every row has, those of its resource; no two resources have a column of one name. */
const EXTRAS = RESOURCE_NAMES.flatMap((resource) => Object.entries(columnsOf(resource)));
const NUMBERS = new Set([
  'n',
  'version',
  ...EXTRAS.filter(([, { type }]) => type === 'REAL').map(([, { name }]) => name),
]);

const COLUMNS = [
  'resource',
  'n',
  'id',
  'version',
  'created_at',
  'updated_at',
  'data',
  'hash',
  ...EXTRAS.map(([, column]) => column.name),
];
/** A file is checked faster than it is written, so rows are written many at a time. */
const BATCH = 100;

/** After so many rows the draft is brought to the disk: all of a large one at the end would keep everyone's writes waiting. */
const SYNC_EVERY = 4000;

/** A draft of an import, in a file of its own: others read and write meanwhile. */
export interface Staging {
  add: (name: ResourceName, row: TransferRow<ResourceName>) => void;
  /** Writes what waits, when enough does. */
  flush: (all?: boolean) => Promise<void>;
  /** Rows whose id stands before them already, at most so many; asked when all are written. */
  doubled: (most: number) => Promise<{ resource: string; n: number; id: string }[]>;
  /** All rows are good: from here on the import is carried through, over a kill as well. */
  decide: (existing: Existing, named: readonly ResourceName[], fileName: string) => Promise<void>;
  /** Forgets the draft. */
  drop: () => Promise<void>;
}

export function removeStaging(file: string): void {
  for (const ending of ['', '-journal']) fs.rmSync(`${stagingFile(file)}${ending}`, { force: true });
}

/**
 * Sets a draft aside that must not be carried through: beside the data file, for a person to look at.
 *
 * @returns where it went; null where there is none
 */
export function setDraftAside(file: string, now: Date = new Date()): string | null {
  const draft = stagingFile(file);
  if (!fs.existsSync(draft)) return null;
  const aside = `${draft}.aside-${now.toISOString().replace(/[-:.]/g, '')}`;
  fs.renameSync(draft, aside);
  fs.rmSync(`${draft}-journal`, { force: true });
  return aside;
}

/** What a draft was decided as: for which data file, how many rows, and a checksum over all of them. */
interface Decision {
  existing: string;
  named: string;
  file: string;
  rows: number;
  checksum: string;
}

/** The checksum of a draft: over every row and part, in order. */
async function draftChecksum(raw: Raw): Promise<{ rows: number; checksum: string }> {
  const hash = crypto.createHash('sha256');
  let rows = 0;
  const PAGE = 500;
  for (let last: [string, number] = ['', -1]; ;) {
    const page: Record<string, unknown>[] = await raw.all(
      `SELECT * FROM rows WHERE (resource, n) > (?, ?) ORDER BY resource, n LIMIT ${PAGE}`,
      ...last,
    );
    for (const row of page) hash.update(JSON.stringify(Object.values(row)));
    rows += page.length;
    const end = page[page.length - 1];
    if (!end || page.length < PAGE) break;
    last = [String(end.resource), Number(end.n)];
    await nextTurn();
  }
  for (const part of await raw.all<Record<string, unknown>>('SELECT * FROM parts ORDER BY setup_id, position'))
    hash.update(JSON.stringify(Object.values(part)));
  return { rows, checksum: hash.digest('base64url') };
}

/** What a draft is worth: none was decided, it is whole and of this file, or it must not be carried through, and why. */
export type DraftState = 'undecided' | 'whole' | { unfit: string };

/** Looks at a draft that an earlier run left. */
export async function draftState(file: string, fileName: string): Promise<DraftState> {
  try {
    const raw = await openRaw(stagingFile(file));
    try {
      const [{ tables }] = (await raw.all<{ tables: number }>(
        "SELECT count(*) AS tables FROM sqlite_master WHERE name IN ('rows', 'parts', 'decision')",
      )) as [{ tables: number }];
      // Cut off while it was made: never decided.
      if (tables < 3) return 'undecided';
      const [decision] = await raw.all<Decision>('SELECT * FROM decision');
      if (!decision) return 'undecided';
      if (decision.file !== fileName)
        return { unfit: 'it belongs to another data file, or to this one before a restore' };
      const found = await draftChecksum(raw);
      if (found.rows !== decision.rows) return { unfit: `it holds ${found.rows} of ${decision.rows} rows` };
      return found.checksum === decision.checksum ? 'whole' : { unfit: 'its rows are not those that were checked' };
    } finally {
      await raw.close();
    }
  } catch (error) {
    return { unfit: `it cannot be read (${(error as Error).message})` };
  }
}

/** Begins a draft for a data file; one left by an import that was cut off is forgotten. */
export async function openStaging(file: string): Promise<Staging> {
  removeStaging(file);
  const name = stagingFile(file);
  fs.writeFileSync(name, '', { mode: FILE_MODE });
  const raw = await openRaw(name, 'write');
  // A kill before the decision loses the draft, and is meant to.
  await raw.run('PRAGMA journal_mode = OFF');
  await raw.run('PRAGMA synchronous = OFF');
  await raw.run(
    `CREATE TABLE rows (${COLUMNS.map((column) => `${column} ${NUMBERS.has(column) ? 'NUMERIC' : 'TEXT'}`).join(', ')}, PRIMARY KEY (resource, n)) WITHOUT ROWID`,
  );
  await raw.run('CREATE TABLE parts (setup_id TEXT, position INTEGER, optic_id TEXT, adapter_id TEXT)');
  await raw.run(
    'CREATE TABLE decision (existing TEXT NOT NULL, named TEXT NOT NULL, file TEXT NOT NULL, rows INTEGER NOT NULL, checksum TEXT NOT NULL)',
  );
  await raw.run('BEGIN');
  return stagingOn(raw, name, file);
}

function stagingOn(raw: Raw, name: string, file: string): Staging {
  const counts = new Map<string, number>();
  let rows: unknown[][] = [];
  let parts: unknown[][] = [];
  let sinceSync = 0;
  const insert = async (table: string, columns: number, waiting: unknown[][]) => {
    for (let at = 0; at < waiting.length; at += BATCH) {
      const some = waiting.slice(at, at + BATCH);
      await raw.run(
        `INSERT INTO ${table} VALUES ${some.map(() => `(${Array(columns).fill('?').join(',')})`).join(',')}`,
        ...some.flat(),
      );
    }
  };
  const flush = async (all = false) => {
    if (!all && rows.length < BATCH) return;
    const [someRows, someParts] = [rows, parts];
    rows = [];
    parts = [];
    await insert('rows', COLUMNS.length, someRows);
    await insert('parts', 4, someParts);
    sinceSync += someRows.length;
    if (sinceSync < SYNC_EVERY) return;
    sinceSync = 0;
    await syncFile(name);
  };
  return {
    add: (resource, row) => {
      const n = counts.get(resource) ?? 0;
      counts.set(resource, n + 1);
      const extra = columnValues(resource, row.data);
      rows.push([
        resource,
        n,
        row.id,
        row.version ?? null,
        row.createdAt ?? null,
        row.updatedAt ?? null,
        JSON.stringify(row.data),
        contentHash(resource, row.id, row.data),
        ...EXTRAS.map(([field]) => extra[field] ?? null),
      ]);
      if (resource === 'setups')
        parts.push(
          ...partsOf(row.id, row.data as ResourceTypes['setups']).map((part) => [
            part.setupId,
            part.position,
            part.opticId,
            part.adapterId,
          ]),
        );
    },
    flush,
    doubled: async (most) => {
      await flush(true);
      await raw.run('CREATE INDEX staged_ids ON rows (resource, id)');
      return raw.all(
        'SELECT r.resource, r.n, r.id FROM rows AS r WHERE EXISTS (SELECT 1 FROM rows AS e WHERE e.resource = r.resource AND e.id = r.id AND e.n < r.n) LIMIT ?',
        most,
      );
    },
    decide: async (existing, named, fileName) => {
      await flush(true);
      const { rows: count, checksum } = await draftChecksum(raw);
      await raw.run('COMMIT');
      // The rows must be on the disk before the word that they are good.
      await syncFile(name);
      await raw.run('PRAGMA synchronous = FULL');
      await raw.run(
        'INSERT INTO decision VALUES (?, ?, ?, ?, ?)',
        existing,
        JSON.stringify(named),
        fileName,
        count,
        checksum,
      );
      await raw.close();
      await syncFile(name);
    },
    drop: async () => {
      await raw.close();
      removeStaging(file);
    },
  };
}
