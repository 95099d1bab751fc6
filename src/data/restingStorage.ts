import type { StateStorage } from 'zustand/middleware';

/** A drag changes what is in hand sixty times a second; this long after the last change it is written. */
const REST_MS = 250;

/** Storage that writes at once, and holds back only what is set while `resting` runs. */
export interface RestingStorage extends StateStorage {
  /** What is set in `change` is written once changes come to rest, or with the next thing that is written at once. */
  resting: (change: () => void) => void;
  /** Itself, or the device's own error where storage is blocked. */
  opened: () => RestingStorage;
}

/**
 * The device's storage for what is in hand. Writing is synchronous and would cost a good part of every frame of a drag,
 * so a drag is written when it rests, and at the latest when the page is left. A choice is written at once: it is made
 * once, and a page that crashes or is reloaded straight after must still have it.
 */
export function restingStorage(deviceStorage: () => StateStorage): RestingStorage {
  const waiting = new Map<string, string>();
  let timer: ReturnType<typeof setTimeout> | null = null;
  let mayRest = false;
  const write = () => {
    if (timer) clearTimeout(timer);
    timer = null;
    for (const [name, value] of waiting) void deviceStorage().setItem(name, value);
    waiting.clear();
  };
  if (typeof window !== 'undefined' && typeof window.addEventListener === 'function')
    window.addEventListener('pagehide', write);
  const resting: RestingStorage = {
    opened: () => {
      deviceStorage();
      return resting;
    },
    getItem: (name) => waiting.get(name) ?? deviceStorage().getItem(name),
    setItem: (name, value) => {
      waiting.set(name, value);
      if (!mayRest) return write();
      if (timer) clearTimeout(timer);
      timer = setTimeout(write, REST_MS);
    },
    resting: (change) => {
      mayRest = true;
      try {
        change();
      } finally {
        mayRest = false;
      }
    },
    removeItem: (name) => {
      waiting.delete(name);
      return deviceStorage().removeItem(name);
    },
  };
  return resting;
}
