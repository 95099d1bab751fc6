import type { StateStorage } from 'zustand/middleware';

/** What was kept as one before each place had its own: the fields that are preferences now. */
const PREFERENCES = ['units', 'cropConvention', 'judgeBy', 'cocSchool', 'look', 'screenWidthMm', 'handHoldRatio'];

const stateIn = (text: string | null): Record<string, unknown> | null => {
  try {
    const value = JSON.parse(text ?? 'null') as { state?: unknown } | null;
    return typeof value?.state === 'object' && value.state !== null ? (value.state as Record<string, unknown>) : null;
  } catch {
    return null;
  }
};

const pick = (from: Record<string, unknown>, keys: (key: string) => boolean) =>
  Object.fromEntries(Object.entries(from).filter(([key]) => keys(key)));

/**
 * One set-up and subject were in hand for all places. What was there goes to Far, where it was read most; what was set
 * close up goes to Near with the same set-up, and what was told the Sky stays told.
 */
function handsFrom(old: Record<string, unknown>, sky: Record<string, unknown> | null): Record<string, unknown> {
  const {
    nearRatio = null,
    nearFNumber = null,
    converterIds: _,
    ...held
  } = pick(old, (key) => !PREFERENCES.includes(key));
  const trials = {};
  const far = { ...held, trials };
  const closeUp = nearRatio !== null || nearFNumber !== null;
  const near = closeUp ? { near: { ...far, distanceM: null, nearRatio, nearFNumber } } : {};
  const { tried: __, ...told } = sky ?? {};
  return { hands: { far, ...near }, ...(sky ? { sky: told } : {}) };
}

/**
 * The device's storage, reading what an earlier version of this program kept where nothing newer is there. The old entries
 * stay until the new ones are written, so that nothing is lost on the way.
 */
export function carriedOver<S extends Pick<StateStorage, 'getItem'>>(storage: S): S {
  const older: Record<string, () => Record<string, unknown> | null> = {
    'jauge.preferences': () => {
      const old = stateIn(storage.getItem('jauge.inHand') as string | null);
      return old && pick(old, (key) => PREFERENCES.includes(key));
    },
    'jauge.hands': () => {
      const old = stateIn(storage.getItem('jauge.inHand') as string | null);
      const sky = stateIn(storage.getItem('jauge.sky') as string | null);
      return old || sky ? handsFrom(old ?? {}, sky) : null;
    },
  };
  const getItem = (name: string) => {
    const newer = storage.getItem(name) as string | null;
    if (newer !== null) return newer;
    const state = older[name]?.() ?? null;
    return state && JSON.stringify({ state, version: 1 });
  };
  return new Proxy(storage, {
    get: (target, key) => {
      if (key === 'getItem') return getItem;
      const value: unknown = Reflect.get(target, key);
      return typeof value === 'function' ? (value.bind(target) as unknown) : value;
    },
  });
}
