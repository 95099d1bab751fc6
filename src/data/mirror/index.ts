import type { ChangesSince } from '@/contract/changesSince';
import type { Page, ResourceName, ResourceTypes, Stored, StoredOf } from '@/contract/resources';
import type { Reading } from '@/contract/schemas/reading';
import type { ReadingsQuery } from '../api';
import { FIRST, openMirror, type MirroredRow, type Standing } from './database';
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

/** The stores a change of rows touches, within one transaction. */
const writing = async () => (await openMirror()).transaction(['rows', 'sought', 'standing'], 'readwrite');
type Writing = Awaited<ReturnType<typeof writing>>;

/** Puts a row as it is now; an older one than is there comes from an answer that was overtaken. True when something changed. */
async function put(within: Writing, entry: MirroredRow): Promise<boolean> {
  const { resource, id, row } = entry;
  const before = await within.objectStore('rows').get([resource, id]);
  if (before && before.row.version > row.version) return false;
  await within.objectStore('rows').put(entry);
  if (resource === 'readings') await within.objectStore('sought').put(columnsOf(row as Stored<Reading>));
  return before?.row.version !== row.version;
}

async function take(within: Writing, resource: ResourceName, id: string): Promise<boolean> {
  const before = await within.objectStore('rows').getKey([resource, id]);
  await within.objectStore('rows').delete([resource, id]);
  if (resource === 'readings') await within.objectStore('sought').delete(id);
  return before !== undefined;
}

/** Takes what a pull from the start did not bring. */
async function sweep(within: Writing, pull: number): Promise<MirroredRow[]> {
  const gone = (await within.objectStore('rows').getAll()).filter((entry) => entry.pull !== pull);
  for (const { resource, id } of gone) await take(within, resource, id);
  return gone;
}

export interface Touched {
  resource: ResourceName;
  id: string;
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
  const touched: Touched[] = [];
  for (const { resource, id, row } of told.changes) {
    const changed = row ? await put(within, { resource, id, row, pull }) : await take(within, resource, id);
    if (changed) touched.push({ resource, id });
  }
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
  if (row) await put(within, { resource, id, row, pull });
  else await take(within, resource, id);
  await within.done;
}
