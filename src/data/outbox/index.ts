import { holdsText } from '../holdsText';
import type { ApiProblem } from '@/contract/problem';
import type { Change, Entry, Refused, Stuck } from './changes';
import { adoptLeftovers, endHandover, handOver, writeEntry } from './device';
import { isConflict, storedOf } from './conflicts';
import { exchange, forget, keep } from './entries';
import { agree, flush, refresh, sendWaiting } from './sending';
import { readTouched } from './pulling';
import { settle } from './settle';
import { entryOf, handedOver, hold, nextOrder, useOutbox } from './state';
import { listen, tell } from './tabs';

export type { Change, Odd, Refused, Stuck } from './changes';
export { isConflict, storedOf } from './conflicts';
export { overlay } from './overlay';
export { useMirror } from './pulling';
export { agree, flush } from './sending';
export { useOutbox } from './state';

export const newId = (): string => crypto.randomUUID();

type NewChange = Change extends infer C ? (C extends Change ? Omit<C, 'key' | 'madeAt'> : never) : never;

function newEntry(change: NewChange): Entry {
  const whole = { ...change, key: newId(), madeAt: new Date().toISOString() } as Change;
  return { key: whole.key, order: nextOrder(), change: whole, failures: 0, state: 'waiting' };
}

/** Takes a change: it is on the screen at once, on the device at once, and at the server as soon as it can be reached. */
export async function submit(change: NewChange): Promise<void> {
  const entry = newEntry(change);
  hold(entry, true);
  const handed = handOver(entry);
  try {
    await writeEntry(entry);
    handedOver(entry.key);
    endHandover(entry.key);
    tell({ kind: 'changed' });
  } catch {
    // No room, or no database: it is sent from this window, and the person is told before anything is lost.
    if (!handed) useOutbox.setState((state) => ({ unkept: [...state.unkept, entry.key] }));
  }
  await sendWaiting();
}

/** Reads what earlier visits and other windows left, and follows what other windows do. */
export async function openOutbox(): Promise<void> {
  listen((told) => {
    // A window that holds unsaved text begins anew once it does not (public/anew.js).
    if (told.kind === 'newer') return holdsText() ? undefined : window.location.reload();
    if (told.kind === 'pulled') return void readTouched(told.touched, told.everything);
    if (told.kind === 'settled') void settle(told.resource, told.id, told.row);
    void refresh().catch(() => undefined);
  });
  // On a full disk they are held and sent from here, or they would lie there unseen until the next visit.
  for (const entry of await adoptLeftovers()) hold(entry, true);
  await agree();
}

/** Drops a refused change: the stored copy stays. */
export function keepStored(refused: Refused): Promise<void> {
  return forget(refused.change.key);
}

/** Sends a refused change again, over the stored copy where there is one, as the person decided. */
export async function keepMine({ change, problem }: Refused): Promise<void> {
  // In one: a kill in between must leave the one or the other.
  await exchange([newEntry(sentAnew(change, problem))], [change.key]);
  await sendWaiting();
}

/** A refused change as it can be taken, by what the server has now. */
function sentAnew(change: Change, problem: ApiProblem): NewChange {
  const { resource, id, verb } = change;
  if (!isConflict(problem)) return change;
  const stored = storedOf(problem);
  // Deleted meanwhile: what was typed is kept by making the row again.
  if (!stored) return { resource, id, verb: 'create', ...('data' in change ? { data: change.data } : {}) } as NewChange;
  if (verb === 'remove') return { resource, id, verb, version: stored.version };
  return { resource, id, verb: 'replace', version: stored.version, data: change.data } as NewChange;
}

/** Lets a change try again that the server failed on. */
export async function tryStuck({ change }: Stuck): Promise<void> {
  const entry = entryOf(change.key);
  if (!entry) return;
  await keep({ ...entry, failures: 0, state: 'waiting' });
  await flush();
}

/** Takes a change, or what cannot be read, off the device for good. */
export const discard = (key: string): Promise<void> => forget(key);
