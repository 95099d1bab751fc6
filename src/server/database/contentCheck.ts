import { setImmediate as nextTurn } from 'node:timers/promises';
import { columnValues, columnsOf, RESOURCE_NAMES, type ResourceName, type ResourceTypes } from '@/contract/resources';
import { openRaw, type Raw } from './raw';
import { contentHash, rowChecksum } from './rowChecksum';

/** Rows looked at in one go; others are served in between. */
const PAGE = 200;
/** More damaged rows than this are not a list any more; the file needs a backup. */
const MOST_DAMAGED = 200;

/** A row that is not what was written. */
export interface DamagedRow {
  resource: ResourceName;
  id: string;
  /** What differs, in words. */
  how: string;
}

/** What a look through a file found. */
export interface ContentFaults {
  /** Rows looked at. */
  rows: number;
  damaged: DamagedRow[];
  /** What SQLite itself finds wrong: pages, indexes, references. */
  structure: string[];
}

interface StoredRow extends Record<string, unknown> {
  id: string;
  version: number;
  data: string;
  created_at: string;
  updated_at: string;
  checksum: string;
}

/** What is wrong with a row; null where nothing is. */
export function rowFault(resource: ResourceName, row: StoredRow): string | null {
  let data: unknown;
  try {
    data = JSON.parse(row.data);
  } catch {
    return 'its contents are no JSON any more';
  }
  const stamp = { version: row.version, createdAt: row.created_at, updatedAt: row.updated_at };
  if (rowChecksum(contentHash(resource, row.id, data), stamp) !== row.checksum)
    return 'its contents do not match their checksum';
  let expected: Record<string, unknown>;
  try {
    expected = columnValues(resource, data as ResourceTypes[ResourceName]);
  } catch {
    return 'its contents cannot be read';
  }
  const off = Object.entries(columnsOf(resource)).find(
    ([field, { name }]) => (expected[field] ?? null) !== (row[name] ?? null),
  );
  return off ? `its column “${off[1].name}” does not match its contents` : null;
}

/** Whether a table has a column: files of earlier versions lack some. */
export async function hasColumn(raw: Raw, table: string, column: string): Promise<boolean> {
  return (await raw.all('SELECT 1 FROM pragma_table_info(?) WHERE name = ?', table, column)).length > 0;
}

async function lookThrough(raw: Raw, faults: ContentFaults, onRows: (rows: number) => void): Promise<void> {
  for (const resource of RESOURCE_NAMES) {
    // Written by an earlier version: there is nothing to compare with.
    if (!(await hasColumn(raw, resource, 'checksum'))) continue;
    for (let last = ''; ;) {
      const rows = await raw.all<StoredRow>(`SELECT * FROM ${resource} WHERE id > ? ORDER BY id LIMIT ${PAGE}`, last);
      for (const row of rows) {
        const how = rowFault(resource, row);
        if (how && faults.damaged.length < MOST_DAMAGED) faults.damaged.push({ resource, id: String(row.id), how });
      }
      faults.rows += rows.length;
      onRows(faults.rows);
      if (rows.length < PAGE) break;
      last = String(rows[rows.length - 1]!.id);
      await nextTurn();
    }
  }
  if (!(await hasColumn(raw, 'setups', 'checksum'))) return;
  const parts = await raw.all<{ id: string }>(
    `SELECT s.id FROM setups AS s WHERE json_valid(s.data) AND (SELECT coalesce(group_concat(ids, ','), '') FROM (SELECT coalesce(p.optic_id, p.adapter_id) AS ids FROM setup_parts AS p WHERE p.setup_id = s.id ORDER BY p.position)) <> (SELECT coalesce(group_concat(json_extract(c.value, '$.id'), ','), '') FROM (SELECT value FROM json_each(s.data, '$.chain') ORDER BY key) AS c) LIMIT ${MOST_DAMAGED}`,
  );
  for (const { id } of parts)
    if (!faults.damaged.some((each) => each.id === id))
      faults.damaged.push({ resource: 'setups', id, how: 'its list of parts does not match its chain' });
}

/**
 * Looks through every row of a file and through its structure, on a connection of its own.
 *
 * @param onRows told how many rows were looked at so far
 * @throws what SQLite says where the file cannot be read at all
 */
export async function checkContents(
  file: string,
  onRows: (rows: number) => void = () => undefined,
): Promise<ContentFaults> {
  const faults: ContentFaults = { rows: 0, damaged: [], structure: [] };
  const raw = await openRaw(file);
  try {
    const said = await raw.all<{ integrity_check: string }>('PRAGMA integrity_check(20)');
    faults.structure.push(...said.map((row) => row.integrity_check).filter((text) => text !== 'ok'));
    const dangling = await raw.all<{ table: string; rowid: number; parent: string }>('PRAGMA foreign_key_check');
    faults.structure.push(
      ...dangling.slice(0, 20).map(({ table, parent }) => `a row of ${table} refers to one of ${parent} that is gone`),
    );
    await lookThrough(raw, faults, onRows);
  } finally {
    await raw.close();
  }
  return faults;
}

export const isSound = ({ damaged, structure }: ContentFaults): boolean => damaged.length + structure.length === 0;
