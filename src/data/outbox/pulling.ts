import { mutate } from 'swr';
import { create } from 'zustand';
import type { ResourceName } from '@/contract/resources';
import { api } from '../api';
import { standing, takeIn, type Touched } from '../mirror';
import { renewConflicts } from './conflicts';
import { rowKey, useSettledReadings } from './settle';
import { tell } from './tabs';

/** The copy on this device, as far as the screen speaks of it. */
export const useMirror = create<{ whole: boolean }>()(() => ({ whole: false }));

/** Lists and rows that are shown are read again, from the copy. */
export async function readTouched(touched: Touched[], everything: boolean): Promise<void> {
  if (everything) {
    useSettledReadings.setState(({ count }) => ({ count: count + 1, answers: [] }));
    await mutate(() => true);
    return;
  }
  if (touched.length === 0) return;
  const resources = new Set<ResourceName>(touched.map((each) => each.resource));
  const keys = new Set<string>([...resources, ...touched.map((each) => rowKey(each.resource, each.id))]);
  if (resources.has('readings')) useSettledReadings.setState(({ count }) => ({ count: count + 1 }));
  await mutate((key) => typeof key === 'string' && keys.has(key));
}

/**
 * Brings the copy on this device up to date, as far as it can be kept here.
 *
 * @throws ApiUnreachable when the server is away
 */
export async function pull(): Promise<void> {
  const before = await standing().catch(() => null);
  // No database, no copy: lists come from the server.
  if (!before) return;
  useMirror.setState({ whole: before.whole });
  const touched: Touched[] = [];
  let { cursor } = before;
  let whole = before.whole;
  try {
    for (let more = true; more;) {
      const told = await api.changes(cursor);
      const taken = await takeIn(told).catch(() => null);
      if (!taken) return;
      touched.push(...taken);
      await renewConflicts(told.changes);
      ({ cursor, more } = told);
      whole ||= !more;
    }
  } finally {
    // Cut off too: what was taken in is not told again.
    await showPulled(touched, whole, whole && !before.whole);
  }
}

async function showPulled(touched: Touched[], whole: boolean, first: boolean): Promise<void> {
  useMirror.setState({ whole });
  if (touched.length > 0 || first)
    tell({ kind: 'pulled', touched: touched.slice(0, MOST_TOLD), everything: first || touched.length > MOST_TOLD });
  await readTouched(touched, first);
}

/** More rows than this are told to other windows as everything. */
const MOST_TOLD = 500;
