import { QueryTypes, type Sequelize } from 'sequelize';
import type { ResourceName } from '@/contract/resources';
import type { ReadingsSought } from '@/contract/readingsSought';
import { wordsOf } from '@/contract/readingWords';

/** A row as JSON, put together by SQLite: whatever a column holds, it comes out as one JSON value, damaged data as a text. */
export const ROW_JSON = `json_object('id', id, 'version', version, 'createdAt', created_at, 'updatedAt', updated_at, 'data', CASE WHEN json_valid(data) THEN json(data) ELSE json_object('unreadable', data) END)`;

const SORTS: Record<ReadingsSought['sort'], string> = {
  newest: 'taken_at DESC, id DESC',
  oldest: 'taken_at, id',
  subject: 'subject, taken_at DESC, id DESC',
  most: 'figure DESC, taken_at DESC, id DESC',
};

/** Readings come newest first unless asked otherwise, everything else in the order it was made. */
export const orderOf = (resource: ResourceName, sort: ReadingsSought['sort'] = 'newest'): string =>
  resource === 'readings' ? SORTS[sort] : 'created_at, id';

interface Where {
  sql: string;
  bind: Record<string, string>;
}

/** What is sought among the readings, as a condition; every word must be found. */
function whereOf(sought: ReadingsSought | undefined): Where {
  const conditions: string[] = [];
  const bind: Record<string, string> = {};
  if (sought?.desk) {
    conditions.push('desk = $desk');
    bind.desk = sought.desk;
  }
  if (sought?.id) {
    conditions.push('id = $id');
    bind.id = sought.id;
  }
  if (sought?.held) conditions.push('held IS NOT NULL');
  for (const [i, word] of wordsOf(sought?.search ?? '').entries()) {
    conditions.push(`instr(words, $word${i}) > 0`);
    bind[`word${i}`] = word;
  }
  return { sql: conditions.length ? `WHERE ${conditions.join(' AND ')}` : '', bind };
}

/**
 * A page of rows as JSON texts with commas between. Put together in SQL, because taking a thousand rows apart into objects
 * only to write them as text again took most of the time of a list; as bytes, because they are sent as bytes.
 */
export async function pageOf(
  reader: Sequelize,
  resource: ResourceName,
  limit: number,
  offset: number,
  sought?: ReadingsSought,
): Promise<{ total: number; items: Buffer }> {
  const { sql, bind } = whereOf(sought);
  const [[counted], [row]] = await Promise.all([
    reader.query<{ total: number }>(`SELECT count(*) AS total FROM ${resource} ${sql}`, {
      bind,
      type: QueryTypes.SELECT,
    }),
    reader.query<{ items: Buffer | null }>(
      `SELECT CAST(group_concat(${ROW_JSON}, ',') AS BLOB) AS items FROM (SELECT * FROM ${resource} ${sql} ORDER BY ${orderOf(resource, sought?.sort)} LIMIT $limit OFFSET $offset)`,
      { bind: { ...bind, limit, offset }, type: QueryTypes.SELECT },
    ),
  ]);
  return { total: counted?.total ?? 0, items: row?.items ?? Buffer.alloc(0) };
}
