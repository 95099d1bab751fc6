import type { ResourceName } from '@/contract/resources';
import { demoRows } from '@/demo/rows';
import { HttpProblem } from './problems';
import { loadFirstOutputs } from './firstOutputs';
import type { Store } from './store';

/** What pictures are for stays when the demo kit goes: a reading without it has nothing to be judged by. */
const STAYS: ReadonlySet<ResourceName> = new Set(['outputs']);

const isThere = async (store: Store, resource: ResourceName, id: string): Promise<boolean> =>
  store.get(resource, id).then(
    () => true,
    () => false,
  );

/** What the Book holds is no kit. */
const isKit = (resource: ResourceName): boolean =>
  !['readings', 'outings', 'pictureGroups', 'guesses'].includes(resource);

/** Rows of the demo kit that stand in the database: what the Book kept of it, and what pictures are for, is no kit. */
export async function countDemoRows(store: Store): Promise<number> {
  let count = 0;
  for (const { resource, rows } of demoRows()) {
    if (STAYS.has(resource) || !isKit(resource)) continue;
    for (const { id } of rows) if (await isThere(store, resource, id)) count += 1;
  }
  return count;
}

/** Puts the demo kit beside what is there; rows that are there already stay as they are. Returns how many came in. */
export async function putDemoIn(store: Store): Promise<number> {
  let added = 0;
  for (const { resource, rows } of demoRows()) {
    for (const { id, data } of rows) {
      if (await isThere(store, resource, id)) continue;
      await store.create(resource, id, data);
      added += 1;
    }
  }
  return added;
}

/**
 * Takes the demo kit out, what refers to others first. What a row of one's own uses stays.
 *
 * @returns how many went and how many stayed because they are in use
 */
export async function putDemoAway(store: Store): Promise<{ removed: number; kept: number }> {
  let [removed, kept] = [0, 0];
  for (const { resource, rows } of demoRows().reverse()) {
    if (STAYS.has(resource)) continue;
    for (const { id } of rows) {
      if (!(await isThere(store, resource, id))) continue;
      const { version } = await store.get(resource, id);
      try {
        await store.remove(resource, id, version);
        removed += 1;
      } catch (error) {
        if (!(error instanceof HttpProblem && error.code === 'row.inUse')) throw error;
        kept += 1;
      }
    }
  }
  await loadFirstOutputs(store);
  return { removed, kept };
}
