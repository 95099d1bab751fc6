import { mutate } from 'swr';
import { create } from 'zustand';
import type { ResourceName, Stored } from '@/contract/resources';
import type { Reading } from '@/contract/schemas/reading';

/** What the server answered about a reading, until its lists are read again. */
export interface SettledReading {
  /** Which of the changes it answered, counted from 1. */
  at: number;
  id: string;
  row: Stored<Reading> | null;
}

/**
 * How many changes of readings have reached the server, and the last of its answers. Their lists are read in parts, which
 * are read again then; until they are, the answers stand in for them, or a reading just kept would be out of sight.
 */
export const useSettledReadings = create<{ count: number; answers: SettledReading[] }>()(() => ({
  count: 0,
  answers: [],
}));

/** More answers than are ever under way to the lists at once. */
const MOST_ANSWERS = 200;

/** Under what one row is cached. */
export const rowKey = (resource: ResourceName, id: string): string => `${resource}/${id}`;

/**
 * Puts what the server answered into the cached list, so that it is on the screen before the list is read again. A list
 * that is only just being read has no rows yet, and its answer is dropped because of this very change: it is read again.
 */
export async function settle(resource: ResourceName, id: string, row: Stored<unknown> | null): Promise<void> {
  await mutate(rowKey(resource, id), row, { revalidate: false });
  if (resource === 'readings') {
    return useSettledReadings.setState(({ count, answers }) => ({
      count: count + 1,
      answers: [
        ...answers.filter((each) => each.id !== id),
        { at: count + 1, id, row: row as Stored<Reading> | null },
      ].slice(-MOST_ANSWERS),
    }));
  }
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
