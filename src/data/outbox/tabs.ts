import { Mutex } from 'async-mutex';
import type { ResourceName, Stored } from '@/contract/resources';

/** What one window tells the others: that something waits or has gone, that rows are at the server or came from
 * there, or that a newer version of the application is taken. */
export type Told =
  | { kind: 'changed' }
  | { kind: 'settled'; resource: ResourceName; id: string; row: Stored<unknown> | null }
  | { kind: 'pulled'; touched: { resource: ResourceName; id: string }[]; everything: boolean }
  | { kind: 'newer' };

const NAME = 'jauge.outbox';

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NAME);

// Under Node, in tests, it must not keep the process alive.
(channel as { unref?: () => void } | null)?.unref?.();

export const tell = (told: Told): void => channel?.postMessage(told);

export function listen(heard: (told: Told) => void): void {
  if (!channel) return;
  channel.onmessage = (event: MessageEvent<Told>) => heard(event.data);
}

const alone = new Mutex();

/** Runs work in one window at a time; the lock goes with a window that is closed or killed. */
export function oneWindow<T>(work: () => Promise<T>): Promise<T> {
  // Within one window as well: its own calls wait for each other.
  const locks = typeof navigator === 'undefined' ? undefined : (navigator as { locks?: LockManager }).locks;
  return alone.runExclusive(() => (locks ? (locks.request(NAME, work) as Promise<T>) : work()));
}
