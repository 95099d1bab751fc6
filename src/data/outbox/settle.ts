import { mutate } from 'swr';
import type { ResourceName, Stored } from '@/contract/resources';

/**
 * Puts what the server answered into the cached list, so that it is on the screen before the list is read again. A list
 * that is only just being read has no rows yet, and its answer is dropped because of this very change: it is read again.
 */
export async function settle(resource: ResourceName, id: string, row: Stored<unknown> | null): Promise<void> {
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
