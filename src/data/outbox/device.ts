import { openDB, type IDBPDatabase } from 'idb';
import { isEntry, type Change, type Entry, type Odd } from './changes';

/** Where changes wait on the device: one entry each, so that two tabs never overwrite each other's. */
const NAME = 'jauge.outbox';
const STORE = 'changes';
/** Written in the same turn as the change, until it lies in the database: a tab killed in between must not lose it. */
const HANDOVER = 'jauge.change.';
/** Where an earlier version kept all of them as one value. */
const FORMER = 'jauge.outbox';

let opening: Promise<IDBPDatabase> | null = null;

function open(): Promise<IDBPDatabase> {
  opening ??= openDB(NAME, 1, {
    upgrade: (database) => void database.createObjectStore(STORE, { keyPath: 'key' }),
    // Closed by the browser, or in the way of a newer version in another tab: opened anew when needed.
    terminated: () => (opening = null),
    blocking: () => {
      void opening?.then((database) => database.close());
      opening = null;
    },
  }).catch((error: unknown) => {
    opening = null;
    throw error;
  });
  return opening;
}

/** Everything that waits, and what this program cannot read. */
export async function readEntries(): Promise<{ entries: Entry[]; odd: Odd[] }> {
  const values = (await (await open()).getAll(STORE)) as { key: string }[];
  return {
    entries: values.filter(isEntry),
    odd: values.filter((value) => !isEntry(value)).map((value) => ({ key: value.key, value })),
  };
}

/** Writes an entry, and is done when it is on the disk. */
export async function writeEntry(entry: Entry | (Odd & { order?: never })): Promise<void> {
  const transaction = (await open()).transaction(STORE, 'readwrite', { durability: 'strict' });
  await Promise.all([transaction.store.put(entry), transaction.done]);
}

/** Writes some entries and removes others in one transaction. */
export async function changeEntries(kept: Entry[], gone: string[]): Promise<void> {
  const transaction = (await open()).transaction(STORE, 'readwrite', { durability: 'strict' });
  await Promise.all([
    ...kept.map((entry) => transaction.store.put(entry)),
    ...gone.map((key) => transaction.store.delete(key)),
    transaction.done,
  ]);
}

export async function removeEntry(key: string): Promise<void> {
  await (await open()).delete(STORE, key);
}

/** Puts a change where a killed tab finds it again; false when there is no room. */
export function handOver(entry: Entry): boolean {
  try {
    localStorage.setItem(HANDOVER + entry.key, JSON.stringify(entry));
    return true;
  } catch {
    return false;
  }
}

export function endHandover(key: string): void {
  try {
    localStorage.removeItem(HANDOVER + key);
  } catch {
    // Storage that is blocked holds nothing either.
  }
}

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return text;
  }
};

interface Former {
  state?: { waiting?: unknown[]; refused?: { change: unknown; problem: unknown }[] };
}

/** What an earlier version left, as entries in its order. */
function formerEntries(value: unknown): (Entry | Odd)[] {
  const { waiting = [], refused = [] } = (value as Former | null)?.state ?? {};
  const entryOf = (change: unknown, i: number, rest: object): Entry | Odd => {
    const entry = {
      key: (change as Change | null)?.key ?? `former-${i}`,
      order: i,
      change,
      failures: 0,
      state: 'waiting',
      ...rest,
    };
    return isEntry(entry) ? entry : { key: entry.key, value: change };
  };
  return [
    ...waiting.map((change, i) => entryOf(change, i, {})),
    ...refused.map(({ change, problem }, i) => entryOf(change, waiting.length + i, { state: 'refused', problem })),
  ];
}

/** What lies under a name of the local storage; where it cannot be told apart, all of it is one thing that cannot be read. */
function leftUnder(name: string): (Entry | Odd)[] {
  const value = parsed(localStorage.getItem(name) ?? 'null');
  if (name !== FORMER) return [isEntry(value) ? value : { key: name.slice(HANDOVER.length), value }];
  try {
    return formerEntries(value);
  } catch {
    return [{ key: name, value }];
  }
}

/**
 * Brings into the database what a killed tab or an earlier version left beside it; what cannot be read comes along.
 * Returns the entries for which the database has no room: they stay where they lie until they are sent.
 */
export async function adoptLeftovers(): Promise<Entry[]> {
  let names: string[];
  try {
    names = Object.keys(localStorage).filter((name) => name.startsWith(HANDOVER) || name === FORMER);
  } catch {
    return [];
  }
  const unplaced: Entry[] = [];
  for (const name of names) {
    const found = leftUnder(name);
    try {
      for (const entry of found) await writeEntry(entry);
      localStorage.removeItem(name);
    } catch {
      unplaced.push(...found.filter(isEntry));
    }
  }
  return unplaced;
}
