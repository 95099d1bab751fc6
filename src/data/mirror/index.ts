import type { ChangedRow, ChangesSince } from '@/contract/changesSince';
import type { Page, ResourceName, ResourceTypes, Stored, StoredOf } from '@/contract/resources';
import type { Reading } from '@/contract/schemas/reading';
import type { ReadingsQuery } from '../api';
import { FIRST, openMirror, type Standing } from './database';
import { ORDERS, columnsOf, isSought } from './soughtReadings';

/** How far the copy on this device goes. */
export async function standing(): Promise<Standing> {
  return (await (await openMirror()).get('standing', 'now')) ?? FIRST;
}

/** Whether everything is on this device; without a database, or before the first time, it is not. */
export const isWhole = (): Promise<boolean> =>
  standing().then(
    (at) => at.whole,
    () => false,
  );

const inOrderMade = (a: Stored<unknown>, b: Stored<unknown>): number =>
  a.createdAt.localeCompare(b.createdAt) || a.id.localeCompare(b.id);

/** All rows of a resource, in the order they were made. */
export async function mirroredRows<N extends ResourceName>(resource: N): Promise<StoredOf<N>[]> {
  const found = await (await openMirror()).getAllFromIndex('rows', 'resource', resource);
  return found.map(({ row }) => row as StoredOf<N>).sort(inOrderMade);
}

export async function mirroredRow<N extends ResourceName>(resource: N, id: string): Promise<StoredOf<N> | null> {
  const found = await (await openMirror()).get('rows', [resource, id]);
  return (found?.row as StoredOf<N> | undefined) ?? null;
}

/** A part of the readings, sought and sorted as the server does. */
export async function mirroredReadings(query: ReadingsQuery): Promise<Page<ResourceTypes['readings']>> {
  const { limit, offset } = query;
  const transaction = (await openMirror()).transaction(['rows', 'sought']);
  const all = await transaction.objectStore('sought').getAll();
  const found = all.filter((columns) => isSought(query, columns)).sort(ORDERS[query.sort]);
  const rows = transaction.objectStore('rows');
  const items = await Promise.all(
    found.slice(offset, offset + limit).map(async ({ id }) => (await rows.get(['readings', id]))?.row),
  );
  return {
    items: items.filter((row) => row !== undefined) as StoredOf<'readings'>[],
    total: found.length,
    limit,
    offset,
  };
}

/** A row that is not as it was. */
export interface Touched {
  resource: ResourceName;
  id: string;
}

/** The stores a change of rows touches, within one transaction. */
const writing = async () => (await openMirror()).transaction(['rows', 'sought', 'standing'], 'readwrite');
type Writing = Awaited<ReturnType<typeof writing>>;

/** What lies there of rows, all asked for at once: one after the other takes ten times as long. */
const versionsOf = (within: Writing, rows: Touched[]): Promise<(number | undefined)[]> =>
  Promise.all(
    rows.map(async ({ resource, id }) => (await within.objectStore('rows').get([resource, id]))?.row.version),
  );

/** A request whose fault, such as a full disk, the end of its transaction tells. */
const unwaited = (request: Promise<unknown>): void => void request.catch(() => undefined);

/**
 * Puts a row as it is now, or takes it away, without waiting for it: the transaction's end does. A row older than what is
 * there comes from an answer that was overtaken. True when something changes.
 */
function write(within: Writing, { resource, id, row }: ChangedRow, pull: number, before: number | undefined): boolean {
  if (!row) {
    unwaited(within.objectStore('rows').delete([resource, id]));
    if (resource === 'readings') unwaited(within.objectStore('sought').delete(id));
    return before !== undefined;
  }
  if (before !== undefined && before > row.version) return false;
  unwaited(within.objectStore('rows').put({ resource, id, row, pull }));
  if (resource === 'readings') unwaited(within.objectStore('sought').put(columnsOf(row as Stored<Reading>)));
  return before !== row.version;
}

/** Takes what a pull from the start did not bring. */
async function sweep(within: Writing, pull: number): Promise<Touched[]> {
  const gone = (await within.objectStore('rows').getAll()).filter((entry) => entry.pull !== pull);
  for (const { resource, id, row } of gone) write(within, { resource, id, row: null }, pull, row.version);
  return gone;
}

/**
 * Takes in what the server told, in one transaction with how far that goes: cut off anywhere, the next pull goes on from
 * what is there.
 *
 * @returns the rows that are not as they were
 */
export async function takeIn(told: ChangesSince): Promise<Touched[]> {
  const within = await writing();
  const before = (await within.objectStore('standing').get('now')) ?? FIRST;
  const pull = told.fromStart ? before.pull + 1 : before.pull;
  const sweeping = told.fromStart || before.sweeping;
  const versions = await versionsOf(within, told.changes);
  const touched: Touched[] = told.changes
    .filter((change, i) => write(within, change, pull, versions[i]))
    .map(({ resource, id }) => ({ resource, id }));
  if (sweeping && !told.more) touched.push(...(await sweep(within, pull)));
  await within
    .objectStore('standing')
    .put({ cursor: told.cursor, pull, whole: before.whole || !told.more, sweeping: sweeping && told.more }, 'now');
  await within.done;
  return touched;
}

/** Takes in the server's answer to a change of this device. */
export async function takeAnswer(resource: ResourceName, id: string, row: Stored<unknown> | null): Promise<void> {
  const within = await writing();
  const { pull } = (await within.objectStore('standing').get('now')) ?? FIRST;
  const [before] = await versionsOf(within, [{ resource, id }]);
  write(within, { resource, id, row }, pull, before);
  await within.done;
}
