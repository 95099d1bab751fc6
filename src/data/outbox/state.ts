import { create } from 'zustand';
import type { Change, Entry, Odd, Refused, Stuck } from './changes';

interface Outbox {
  /** On their way, in order. */
  waiting: Change[];
  refused: Refused[];
  /** Those the server failed on again and again. */
  stuck: Stuck[];
  odd: Odd[];
  /** Keys of changes for which this device has no room: they are in this window alone. */
  unkept: string[];
  /** False while the last try to reach the server failed. */
  reachable: boolean;
  /** False when the computer does not know this device any more: it must be paired anew. */
  paired: boolean;
  /** What the server said of itself when it failed, in its words. */
  serverSays: string | null;
  /** The entries of this window: those of the database, and its own that are just being written there. */
  entries: ReadonlyMap<string, Entry>;
  /** Own entries that are not in the database yet, or for which it has no room. */
  own: ReadonlySet<string>;
  /** The place of the last change made here. */
  lastOrder: number;
}

/** What waits: the entries, which lie in the device's database, and the same as the screen shows them. */
export const useOutbox = create<Outbox>()(() => ({
  waiting: [],
  refused: [],
  stuck: [],
  odd: [],
  unkept: [],
  reachable: true,
  paired: true,
  serverSays: null,
  entries: new Map(),
  own: new Set(),
  lastOrder: 0,
}));

const sorted = (entries: ReadonlyMap<string, Entry>): Entry[] =>
  [...entries.values()].sort((a, b) => a.order - b.order || a.key.localeCompare(b.key));

/** All entries in the order they go out. */
export const inOrder = (): Entry[] => sorted(useOutbox.getState().entries);

/** Takes the entries as they are now, and puts them on the screen in the same turn. */
function publish(entries: ReadonlyMap<string, Entry>, own: ReadonlySet<string>, rest: Partial<Outbox> = {}): void {
  const all = sorted(entries);
  useOutbox.setState({
    ...rest,
    entries,
    own,
    waiting: all.filter((entry) => entry.state === 'waiting').map((entry) => entry.change),
    refused: all.flatMap((entry) =>
      entry.state === 'refused' && entry.problem ? [{ change: entry.change, problem: entry.problem }] : [],
    ),
    stuck: all.filter((entry) => entry.state === 'stuck').map(({ change, failures }) => ({ change, failures })),
  });
}

const without = <T>(set: ReadonlySet<T>, each: T): ReadonlySet<T> => new Set([...set].filter((one) => one !== each));

export function hold(entry: Entry, isOwn: boolean): void {
  const { entries, own } = useOutbox.getState();
  publish(new Map(entries).set(entry.key, entry), isOwn ? new Set(own).add(entry.key) : own);
}

/** An own entry lies in the database now. */
export const handedOver = (key: string): void => useOutbox.setState(({ own }) => ({ own: without(own, key) }));

export function letGo(key: string): void {
  const { entries, own, unkept, odd } = useOutbox.getState();
  const left = new Map(entries);
  left.delete(key);
  publish(left, without(own, key), {
    unkept: unkept.filter((each) => each !== key),
    odd: odd.filter((each) => each.key !== key),
  });
}

export const entryOf = (key: string): Entry | undefined => useOutbox.getState().entries.get(key);

/** Takes over what the database holds; own entries that are still on their way there stay. */
export function replaceHeld(stored: Entry[], odd: Odd[]): void {
  const { entries, own } = useOutbox.getState();
  const mine = [...own].flatMap((key) => entries.get(key) ?? []);
  publish(new Map([...stored, ...mine].map((entry) => [entry.key, entry])), own, { odd });
}

/** The place of a new change: after all of this window, and by the clock among those of others. */
export function nextOrder(): number {
  const order = Math.max(useOutbox.getState().lastOrder + 1, Date.now() * 1000);
  useOutbox.setState({ lastOrder: order });
  return order;
}
