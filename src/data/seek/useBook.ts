import { useMemo } from 'react';
import useSWR from 'swr';
import type { StoredOf } from '@/contract/resources';
import type { Entry } from '@/core/seek/entry';
import { readingsFrom } from '../lists';
import { overlay, useOutbox } from '../outbox';
import { usePreferences } from '../preferences';
import { useRows } from '../useRows';
import { bookEntries, type BookRows } from './entries';

/** Readings come so many at a time. */
const PART = 500;

async function allReadings(): Promise<StoredOf<'readings'>[]> {
  const items: StoredOf<'readings'>[] = [];
  for (let after: string | undefined; ;) {
    const page = await readingsFrom({ sort: 'newest', limit: PART, offset: items.length, ...(after ? { after } : {}) });
    after = page.next;
    items.push(...page.items);
    if (!page.items.length || items.length >= page.total) return items;
  }
}

/** The whole Book, as it is looked through. */
export interface WholeBook {
  rows: BookRows;
  entries: Entry[];
  loading: boolean;
  failed: boolean;
  retry: () => void;
}

export function useBook(): WholeBook {
  const units = usePreferences((state) => state.units);
  const { data, error, isLoading, mutate } = useSWR('readings whole', allReadings);
  const waiting = useOutbox((state) => state.waiting);
  const groups = useRows('pictureGroups');
  const measured = useRows('measurements');
  const outings = useRows('outings');
  const rows = useMemo(
    (): BookRows => ({
      readings: overlay('readings', data ?? [], waiting),
      pictureGroups: groups.rows,
      measurements: measured.rows,
      outings: outings.rows,
    }),
    [data, waiting, groups.rows, measured.rows, outings.rows],
  );
  const entries = useMemo(() => bookEntries(rows, units), [rows, units]);
  const lists = [groups, measured, outings];
  return {
    rows,
    entries,
    loading: (isLoading && data === undefined) || lists.some((each) => each.loading),
    failed: (error !== undefined && data === undefined) || lists.some((each) => each.failed),
    retry: () => {
      void mutate();
      lists.forEach((each) => each.retry());
    },
  };
}
