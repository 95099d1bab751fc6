import { QueryTypes, type Sequelize } from 'sequelize';
import { MOST_CHANGES } from '@/contract/changesSince';
import { ROW_JSON } from './rowsJson';

interface Noted {
  seq: number;
  resource: string;
  id: string;
}

const all = <T extends object>(reader: Sequelize, sql: string, bind: Record<string, unknown> = {}): Promise<T[]> =>
  reader.query<T>(sql, { bind, type: QueryTypes.SELECT });

/** The name of the file, by which its cursors are known. */
export async function nameOf(reader: Sequelize): Promise<string> {
  const [row] = await all<{ name: string }>(reader, 'SELECT name FROM file_names LIMIT 1');
  return row?.name ?? '';
}

/** Gives a file another name: what devices know of it holds no longer, and they ask for everything again. */
export const NEW_FILE_NAME = 'UPDATE file_names SET name = lower(hex(randomblob(16)))';

/** Where a cursor of this file stands; null for one of another file, or of a time that this file has not seen. */
async function placeOf(reader: Sequelize, name: string, cursor: string | undefined): Promise<number | null> {
  const [file, seqText = ''] = cursor?.split('.') ?? [];
  if (file !== name || !/^\d{1,15}$/.test(seqText)) return null;
  const [last] = await all<{ seq: number | null }>(reader, "SELECT seq FROM sqlite_sequence WHERE name = 'changes'");
  return Number(seqText) <= (last?.seq ?? 0) ? Number(seqText) : null;
}

/** The rows behind notes, as JSON texts by resource and id; those that are gone are missing. */
async function rowsOf(reader: Sequelize, noted: Noted[]): Promise<Map<string, string>> {
  const rows = new Map<string, string>();
  for (const resource of new Set(noted.map((note) => note.resource))) {
    const ids = JSON.stringify(noted.filter((note) => note.resource === resource).map((note) => note.id));
    const found = await all<{ id: string; json: string }>(
      reader,
      `SELECT id, ${ROW_JSON} AS json FROM ${resource} WHERE id IN (SELECT value FROM json_each($ids))`,
      { ids },
    );
    for (const { id, json } of found) rows.set(`${resource}/${id}`, json);
  }
  return rows;
}

/**
 * What has changed since a cursor, as the JSON of `ChangesSince`. A row that changes while this is read is given as it is then,
 * and once more the next time.
 */
export async function changedSince(reader: Sequelize, cursor: string | undefined): Promise<string> {
  const name = await nameOf(reader);
  const place = await placeOf(reader, name, cursor);
  const noted = await all<Noted>(
    reader,
    'SELECT seq, resource, id FROM changes WHERE seq > $place ORDER BY seq LIMIT $most',
    { place: place ?? 0, most: MOST_CHANGES },
  );
  const rows = await rowsOf(reader, noted);
  const changes = noted.map(
    ({ resource, id }) =>
      `{"resource":${JSON.stringify(resource)},"id":${JSON.stringify(id)},"row":${rows.get(`${resource}/${id}`) ?? 'null'}}`,
  );
  const next = `${name}.${noted.at(-1)?.seq ?? place ?? 0}`;
  return `{"changes":[${changes.join(',')}],"cursor":${JSON.stringify(next)},"more":${noted.length === MOST_CHANGES},"fromStart":${place === null}}`;
}
