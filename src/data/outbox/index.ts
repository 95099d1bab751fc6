import type { Stored } from '@/contract/resources';
import type { Change, Entry, Refused, Stuck } from './changes';
import { adoptLeftovers, endHandover, handOver, writeEntry } from './device';
import { agree, flush, forget, keep, refresh, sendWaiting } from './sending';
import { readTouched } from './pulling';
import { settle } from './settle';
import { entryOf, handedOver, hold, nextOrder, useOutbox } from './state';
import { listen, tell } from './tabs';

export type { Change, Odd, Refused, Stuck } from './changes';
export { overlay } from './overlay';
export { useMirror } from './pulling';
export { agree, flush } from './sending';
export { useOutbox } from './state';

export const newId = (): string => crypto.randomUUID();

type NewChange = Change extends infer C ? (C extends Change ? Omit<C, 'key' | 'madeAt'> : never) : never;

/** Takes a change: it is on the screen at once, on the device at once, and at the server as soon as it can be reached. */
export async function submit(change: NewChange): Promise<void> {
  const whole = { ...change, key: newId(), madeAt: new Date().toISOString() } as Change;
  const entry: Entry = { key: whole.key, order: nextOrder(), change: whole, failures: 0, state: 'waiting' };
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
  if (!entryOf(entry.key)) endHandover(entry.key);
}

/** Reads what earlier visits and other windows left, and follows what other windows do. */
export async function openOutbox(): Promise<void> {
  listen((told) => {
    if (told.kind === 'newer') return window.location.reload();
    if (told.kind === 'pulled') return void readTouched(told.touched, told.everything);
    if (told.kind === 'settled') void settle(told.resource, told.id, told.row);
    void refresh().catch(() => undefined);
  });
  await adoptLeftovers().catch(() => undefined);
  await agree();
}

/** Drops a refused change: the stored copy stays. */
export function keepStored(refused: Refused): Promise<void> {
  return forget(refused.change.key);
}

/** Sends a refused change again over the stored copy, as the person decided. */
export async function keepMine(refused: Refused): Promise<void> {
  const stored = refused.problem.stored as Stored<unknown> | undefined;
  const { change } = refused;
  await forget(change.key);
  if (change.verb === 'remove')
    return submit({
      resource: change.resource,
      id: change.id,
      verb: 'remove',
      version: stored?.version ?? change.version,
    } as NewChange);
  // Deleted meanwhile: what was typed is kept by making the row again.
  return stored
    ? submit({
        resource: change.resource,
        id: change.id,
        verb: 'replace',
        version: stored.version,
        data: change.data,
      } as NewChange)
    : submit({ resource: change.resource, id: change.id, verb: 'create', data: change.data } as NewChange);
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
