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
  /** What the server said of itself when it failed, in its words. */
  serverSays: string | null;
}

/** What waits, as the screen shows it. The entries themselves lie in the device's database. */
export const useOutbox = create<Outbox>()(() => ({
  waiting: [],
  refused: [],
  stuck: [],
  odd: [],
  unkept: [],
  reachable: true,
  serverSays: null,
}));

/** The entries of this window: those of the database, and its own that are just being written there. */
const entries = new Map<string, Entry>();
/** Own entries that are not in the database yet, or for which it has no room. */
const own = new Set<string>();

/** All entries in the order they go out. */
export const inOrder = (): Entry[] =>
  [...entries.values()].sort((a, b) => a.order - b.order || a.key.localeCompare(b.key));

/** Puts the entries on the screen. */
export function publish(): void {
  const all = inOrder();
  useOutbox.setState({
    waiting: all.filter((entry) => entry.state === 'waiting').map((entry) => entry.change),
    refused: all.flatMap((entry) =>
      entry.state === 'refused' && entry.problem ? [{ change: entry.change, problem: entry.problem }] : [],
    ),
    stuck: all.filter((entry) => entry.state === 'stuck').map(({ change, failures }) => ({ change, failures })),
  });
}

export function hold(entry: Entry, isOwn: boolean): void {
  entries.set(entry.key, entry);
  if (isOwn) own.add(entry.key);
  publish();
}

/** An own entry lies in the database now. */
export function handedOver(key: string): void {
  own.delete(key);
}

export function letGo(key: string): void {
  entries.delete(key);
  own.delete(key);
  useOutbox.setState((state) => ({
    unkept: state.unkept.filter((each) => each !== key),
    odd: state.odd.filter((each) => each.key !== key),
  }));
  publish();
}

export const entryOf = (key: string): Entry | undefined => entries.get(key);

/** Takes over what the database holds; own entries that are still on their way there stay. */
export function replaceHeld(stored: Entry[], odd: Odd[]): void {
  const mine = [...own].map((key) => entries.get(key)).filter((entry) => entry !== undefined);
  entries.clear();
  for (const entry of [...stored, ...mine]) entries.set(entry.key, entry);
  useOutbox.setState({ odd });
  publish();
}

let last = 0;
/** The place of a new change: after all of this window, and by the clock among those of others. */
export function nextOrder(): number {
  last = Math.max(last + 1, Date.now() * 1000);
  return last;
}
