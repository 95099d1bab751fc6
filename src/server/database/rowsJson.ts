import { QueryTypes, type Sequelize } from 'sequelize';
import type { ResourceName } from '@/contract/resources';
import type { ReadingsSought } from '@/contract/readingsSought';
import { hashSql } from './rowChecksum';
import { wordsOf } from '@/contract/readingWords';

/** A row as JSON, put together by SQLite: whatever a column holds, it comes out as one JSON value, damaged data as a text. */
export const ROW_JSON = `json_object('id', id, 'version', version, 'createdAt', created_at, 'updatedAt', updated_at, 'data', CASE WHEN json_valid(data) THEN json(data) ELSE json_object('unreadable', data) END)`;

/** The same row as an export holds it, with the checksum of its contents. */
export const EXPORTED_ROW_JSON = ROW_JSON.replace("'data', CASE", `'checksum', ${hashSql('checksum')}, 'data', CASE`);

const SORTS: Record<ReadingsSought['sort'], string> = {
  newest: 'taken_at DESC, id DESC',
  oldest: 'taken_at, id',
  subject: 'subject, taken_at DESC, id DESC',
  most: 'figure DESC, taken_at DESC, id DESC',
};

/** Readings come newest first unless asked otherwise, everything else in the order it was made. */
export const orderOf = (resource: ResourceName, sort: ReadingsSought['sort'] = 'newest'): string =>
  resource === 'readings' ? SORTS[sort] : 'created_at, id';

/** What follows the last row of a page, in the order of its sort: a page begins there at once, however far down it is. */
const AFTER: Record<ReadingsSought['sort'], string> = {
  newest: '(taken_at, id) < ($at, $afterId)',
  oldest: '(taken_at, id) > ($at, $afterId)',
  subject: '(subject > $subject OR (subject = $subject AND (taken_at, id) < ($at, $afterId)))',
  most: '(figure, taken_at, id) < ($figure, $at, $afterId)',
};

/** The last row of a page, by what its order goes by. */
export interface After {
  at: string;
  afterId: string;
  subject?: string;
  figure?: number;
}

/** Of a place what a condition asks for: a value it does not ask for is refused by the database. */
const neededBy = (condition: string, after: After): Record<string, unknown> =>
  Object.fromEntries(Object.entries(after).filter(([name]) => condition.includes(`$${name}`)));

interface Where {
  conditions: string[];
  bind: Record<string, unknown>;
}

const whereText = ({ conditions }: Where): string => (conditions.length ? `WHERE ${conditions.join(' AND ')}` : '');

/** What is asked of readings besides their words. */
function plainWhere(sought: ReadingsSought | undefined): Where {
  const where: Where = { conditions: [], bind: {} };
  if (sought?.desk) {
    where.conditions.push('desk = $desk');
    where.bind.desk = sought.desk;
  }
  if (sought?.id) {
    where.conditions.push('id = $id');
    where.bind.id = sought.id;
  }
  if (sought?.held) where.conditions.push('held IS NOT NULL');
  return where;
}

/** Groups of three characters of the words, as the search table has them; none of shorter words. */
function trigramsOf(words: readonly string[]): string[] {
  const groups = words.flatMap((word) => {
    const letters = [...word];
    return letters.length < 3 ? [] : letters.slice(2).map((_, i) => letters.slice(i, i + 3).join(''));
  });
  return [...new Set(groups)].map((group) => `"${group.replaceAll('"', '""')}"`);
}

/** Rare groups beyond these hardly leave fewer rows, and each costs a question. */
const FEW_ENOUGH = 3;

/**
 * What the search table is asked for. Groups that very many rows have, as those of “note” where every reading has one, are
 * left out where a rarer one is there: the search table would go through all rows of each, and the words themselves are
 * compared in any case.
 */
async function matchOf(ask: Ask, words: readonly string[]): Promise<string | null> {
  const groups = trigramsOf(words);
  if (groups.length < 2) return groups[0] ?? null;
  const rare: string[] = [];
  for (const match of groups) {
    if (!(await hasMany(ask, match))) rare.push(match);
    if (rare.length === FEW_ENOUGH) break;
  }
  return (rare.length ? rare : groups).join(' AND ');
}

/** Whether a question to the search table finds more rows than are worth looking at one by one. */
async function hasMany(ask: Ask, match: string): Promise<boolean> {
  const rows = `SELECT 1 FROM readings_found WHERE readings_found MATCH $match LIMIT ${MANY + 1}`;
  const [found] = await ask<{ n: number }>(`SELECT count(*) AS n FROM (${rows})`, { match });
  return (found?.n ?? 0) > MANY;
}

/** More rows than this are found faster by walking down the order asked for than by the words. */
const MANY = 5000;
/** A count stops here where it would have to look at every row. */
const MOST_COUNTED = 10_000;

type Ask = <T extends object>(sql: string, bind: Record<string, unknown>) => Promise<T[]>;

const asker =
  (reader: Sequelize): Ask =>
  (sql, bind) =>
    reader.query(sql, { bind, type: QueryTypes.SELECT }) as Promise<never>;

/** The condition by which readings are found, and how many there are. */
async function foundBy(ask: Ask, sought: ReadingsSought | undefined): Promise<{ where: Where; total: number }> {
  const words = wordsOf(sought?.search ?? '');
  const plain = plainWhere(sought);
  const exact: Where = {
    conditions: [...plain.conditions, ...words.map((_, i) => `instr(words, $word${i}) > 0`)],
    bind: { ...plain.bind, ...Object.fromEntries(words.map((word, i) => [`word${i}`, word])) },
  };
  const count = async (where: Where, most?: number): Promise<number> => {
    const rows = `SELECT 1 FROM readings ${whereText(where)}`;
    const [counted] = await ask<{ total: number }>(
      `SELECT count(*) AS total FROM (${rows}${most ? ` LIMIT ${most}` : ''})`,
      where.bind,
    );
    return counted?.total ?? 0;
  };
  const match = await matchOf(ask, words);
  if (match === null) return { where: exact, total: await count(exact, words.length ? MOST_COUNTED : undefined) };
  if (await hasMany(ask, match)) return { where: exact, total: await count(exact, MOST_COUNTED) };
  const where: Where = {
    conditions: [`id IN (SELECT id FROM readings_found WHERE readings_found MATCH $match)`, ...exact.conditions],
    bind: { ...exact.bind, match },
  };
  return { where, total: await count(where) };
}

/** How many answers are kept, and how large they may be together, bytes. */
const MOST_KEPT = 200;
const MOST_BYTES = 32e6;

interface Kept {
  total: number;
  items: Buffer;
  after: After | null;
}

/** Pages as they were at one state of the file: any change makes them all forgotten. */
export interface PageCache {
  at: number | null;
  pages: Map<string, Kept>;
  bytes: number;
}

export const newPageCache = (): PageCache => ({ at: null, pages: new Map(), bytes: 0 });

function keep(cache: PageCache, key: string, page: Kept): void {
  if (cache.pages.size >= MOST_KEPT || cache.bytes + page.items.length > MOST_BYTES) {
    cache.pages.clear();
    cache.bytes = 0;
  }
  if (page.items.length > MOST_BYTES / 4) return;
  cache.pages.set(key, page);
  cache.bytes += page.items.length;
}

/**
 * A page of rows as JSON texts with commas between. Put together in SQL, because taking a thousand rows apart into objects
 * only to write them as text again took most of the time of a list; as bytes, because they are sent as bytes. The same page
 * asked for again is answered from memory as long as nothing was changed.
 *
 * @param after the last row of the page before, instead of an offset: rows before it are not walked through
 */
export async function pageOf(
  reader: Sequelize,
  cache: PageCache,
  resource: ResourceName,
  limit: number,
  offset: number,
  sought?: ReadingsSought,
  after?: After,
): Promise<Kept> {
  const ask = asker(reader);
  const [last] = await ask<{ seq: number }>("SELECT seq FROM sqlite_sequence WHERE name = 'changes'", {});
  const state = last?.seq ?? 0;
  if (cache.at !== state) Object.assign(cache, newPageCache(), { at: state });
  const key = JSON.stringify([resource, limit, offset, sought, after]);
  const known = cache.pages.get(key);
  if (known) return known;
  const page = await readPage(ask, resource, limit, offset, sought, after);
  if (cache.at === state) keep(cache, key, page);
  return page;
}

async function readPage(
  ask: Ask,
  resource: ResourceName,
  limit: number,
  offset: number,
  sought?: ReadingsSought,
  after?: After,
): Promise<Kept> {
  const sort = sought?.sort ?? 'newest';
  const isReadings = resource === 'readings';
  const { where, total } = isReadings ? await foundBy(ask, sought) : await plainTotal(ask, resource);
  const from: Where =
    isReadings && after
      ? { conditions: [...where.conditions, AFTER[sort]], bind: { ...where.bind, ...neededBy(AFTER[sort], after) } }
      : where;
  const order = orderOf(resource, sort);
  const rows = `SELECT * FROM ${resource} ${whereText(from)} ORDER BY ${order} LIMIT $limit OFFSET $offset`;
  const lastOf = (column: string) => `(SELECT ${column} FROM page WHERE place = $limit)`;
  const place = isReadings
    ? `, ${lastOf('taken_at')} AS at, ${lastOf('id')} AS afterId, ${lastOf('subject')} AS subject, ${lastOf('figure')} AS figure`
    : '';
  // The rows are found once: a page far down is walked to once.
  const [row] = await ask<{ items: Buffer | null; n: number } & After>(
    `WITH page AS MATERIALIZED (SELECT *, row_number() OVER () AS place FROM (${rows}))
      SELECT CAST(group_concat(${ROW_JSON}, ',') AS BLOB) AS items, count(*) AS n${place} FROM page`,
    { ...from.bind, limit, offset },
  );
  const items = row?.items ?? Buffer.alloc(0);
  if (!isReadings || row?.n !== limit) return { total, items, after: null };
  const { at, afterId, subject, figure } = row;
  return { total, items, after: { at, afterId, subject, figure } };
}

async function plainTotal(ask: Ask, resource: ResourceName): Promise<{ where: Where; total: number }> {
  const [counted] = await ask<{ total: number }>(`SELECT count(*) AS total FROM ${resource}`, {});
  return { where: { conditions: [], bind: {} }, total: counted?.total ?? 0 };
}
