import { mutate } from 'swr';
import { create } from 'zustand';
import type { ResourceName, Stored } from '@/contract/resources';

/** How many changes of readings have reached the server: their lists are read in parts, which are read again then. */
export const useSettledReadings = create<{ count: number }>()(() => ({ count: 0 }));

/** Under what one row is cached. */
export const rowKey = (resource: ResourceName, id: string): string => `${resource}/${id}`;

/**
 * Puts what the server answered into the cached list, so that it is on the screen before the list is read again. A list
 * that is only just being read has no rows yet, and its answer is dropped because of this very change: it is read again.
 */
export async function settle(resource: ResourceName, id: string, row: Stored<unknown> | null): Promise<void> {
  await mutate(rowKey(resource, id), row, { revalidate: false });
  if (resource === 'readings') return useSettledReadings.setState(({ count }) => ({ count: count + 1 }));
  await mutate<Stored<unknown>[]>(
    resource,
    (rows) => {
      if (!rows) return rows;
      const others = rows.filter((each) => each.id !== id);
      if (!row) return others;
      return rows.some((each) => each.id === id) ? rows.map((each) => (each.id === id ? row : each)) : [...rows, row];
    },
    { revalidate: (rows: Stored<unknown>[] | undefined) => rows === undefined },
  );
}
