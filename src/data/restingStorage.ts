import type { StateStorage } from 'zustand/middleware';

/** A drag changes what is in hand sixty times a second; this long after the last change it is written. */
const REST_MS = 250;

/**
 * The device's storage, written when changes come to rest, and at the latest when the page is left. Writing is
 * synchronous and would cost a good part of every frame of a drag. Not for what must survive a crash: the outbox writes
 * at once.
 */
export function restingStorage(storage: StateStorage): StateStorage {
  const waiting = new Map<string, string>();
  let timer: ReturnType<typeof setTimeout> | null = null;
  const write = () => {
    if (timer) clearTimeout(timer);
    timer = null;
    for (const [name, value] of waiting) void storage.setItem(name, value);
    waiting.clear();
  };
  if (typeof window !== 'undefined' && typeof window.addEventListener === 'function') window.addEventListener('pagehide', write);
  return {
    getItem: (name) => waiting.get(name) ?? storage.getItem(name),
    setItem: (name, value) => {
      waiting.set(name, value);
      if (timer) clearTimeout(timer);
      timer = setTimeout(write, REST_MS);
    },
    removeItem: (name) => {
      waiting.delete(name);
      return storage.removeItem(name);
    },
  };
}
