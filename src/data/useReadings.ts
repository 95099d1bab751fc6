import { useEffect, useMemo, useState } from 'react';
import useSWR from 'swr';
import useSWRInfinite from 'swr/infinite';
import type { ReadingsSought } from '@/contract/readingsSought';
import type { Page, StoredOf } from '@/contract/resources';
import type { Reading } from '@/contract/schemas/reading';
import { readingsFrom } from './lists';
import { ORDERS, columnsOf, isSought } from './mirror/soughtReadings';
import { overlay, useOutbox } from './outbox';
import { rowKey, useSettledReadings, type SettledReading } from './outbox/settle';

/** So many readings are asked for at once: more than a screen holds. */
const PAGE = 60;
/** The limit by hand is learned from at most so many. */
const MOST_LEARNED_FROM = 500;

export interface Readings {
  rows: StoredOf<'readings'>[];
  /** How many there are that are sought. */
  total: number;
  loading: boolean;
  failed: boolean;
  retry: () => void;
  /** Asks for the next part, when there is one. */
  more: () => void;
}

/**
 * Reads a list again when changes have reached the server, and says which of the server's answers it may not hold yet: a
 * change leaves the outbox when it is answered, and the list comes a moment later.
 */
function useReadAgain(mutate: () => Promise<unknown>): SettledReading[] {
  const { count, answers } = useSettledReadings();
  const [read, setRead] = useState(0);
  useEffect(() => {
    if (count === 0) return;
    // A list that cannot be read stays as it is, with the answers over it.
    mutate().then(
      () => setRead((before) => Math.max(before, count)),
      () => undefined,
    );
  }, [count, mutate]);
  return useMemo(() => answers.filter((answer) => answer.at > read), [answers, read]);
}

function withAnswers(rows: StoredOf<'readings'>[], answers: SettledReading[]): StoredOf<'readings'>[] {
  if (answers.length === 0) return rows;
  const answered = new Set(answers.map((answer) => answer.id));
  return [...rows.filter((row) => !answered.has(row.id)), ...answers.flatMap(({ row }) => (row ? [row] : []))];
}

/** Rows of the server with what it answered since and the changes that still wait laid over them, in the order asked for. */
function withWaiting(
  rows: StoredOf<'readings'>[],
  answers: SettledReading[],
  waiting: Parameters<typeof overlay>[2],
  sought: ReadingsSought,
): StoredOf<'readings'>[] {
  const seen = new Set<string>();
  // A part that is read while a reading comes in may repeat the last one of the part before.
  const once = rows.filter((row) => !seen.has(row.id) && seen.add(row.id));
  const all = overlay('readings', withAnswers(once, answers), waiting);
  if (all === once) return once;
  return all
    .map((row) => ({ row, columns: columnsOf(row) }))
    .filter(({ row, columns }) => seen.has(row.id) || isSought(sought, columns))
    .sort((a, b) => ORDERS[sought.sort](a.columns, b.columns))
    .map(({ row }) => row);
}

/** The readings of the Book, searched and sorted, a part at a time. */
export function useReadings(sought: ReadingsSought): Readings {
  const { data, error, isLoading, size, setSize, mutate } = useSWRInfinite(
    (index, before: Page<Reading> | null) =>
      ['readings', sought.search ?? '', sought.sort, index * PAGE, before?.next] as const,
    ([, , , offset, after]) => readingsFrom({ ...sought, limit: PAGE, offset, ...(after ? { after } : {}) }),
    { revalidateFirstPage: false, keepPreviousData: true },
  );
  const answers = useReadAgain(mutate);
  const waiting = useOutbox((state) => state.waiting);
  const rows = useMemo(
    () =>
      withWaiting(
        (data ?? []).flatMap((page) => page.items),
        answers,
        waiting,
        sought,
      ),
    [data, answers, waiting, sought],
  );
  const total = data?.[0]?.total ?? 0;
  return {
    rows,
    total,
    loading: isLoading && data === undefined,
    failed: error !== undefined && data === undefined,
    retry: () => void mutate(),
    more: () => {
      if (data && data.length === size && data.length * PAGE < total) void setSize(size + 1);
    },
  };
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** Asked for as a list of one: an address that is mistyped is no fault. */
async function readingOf(id: string): Promise<StoredOf<'readings'> | null> {
  if (!UUID.test(id)) return null;
  return (await readingsFrom({ sort: 'newest', id, limit: 1, offset: 0 })).items[0] ?? null;
}

/** One reading; null when there is none. */
export function useReading(id: string): {
  row: StoredOf<'readings'> | null;
  loading: boolean;
  failed: boolean;
  retry: () => void;
} {
  const { data, error, isLoading, mutate } = useSWR(rowKey('readings', id), () => readingOf(id));
  const waiting = useOutbox((state) => state.waiting);
  const row = useMemo(
    () => overlay('readings', data ? [data] : [], waiting).find((each) => each.id === id) ?? null,
    [data, waiting, id],
  );
  return {
    row,
    loading: isLoading && data === undefined && row === null,
    failed: error !== undefined && data === undefined,
    retry: () => void mutate(),
  };
}

const NEAR_HELD: ReadingsSought = { sort: 'newest', desk: 'near', held: true };

/** Close-up readings of which is noted how they were held: what the limit by hand is learned from. */
export function useHeldReadings(): Reading[] {
  const { data, mutate } = useSWR('readings near held', () =>
    readingsFrom({ ...NEAR_HELD, limit: MOST_LEARNED_FROM, offset: 0 }),
  );
  const answers = useReadAgain(mutate);
  const waiting = useOutbox((state) => state.waiting);
  return useMemo(
    () =>
      withWaiting(data?.items ?? [], answers, waiting, NEAR_HELD)
        .filter((row) => isSought(NEAR_HELD, columnsOf(row)))
        .map((row) => row.data),
    [data, answers, waiting],
  );
}
