import type { PersistStorage, StorageValue } from 'zustand/middleware';
import { writeEntry } from './outbox/device';
import type { RestingStorage } from './restingStorage';

/** What each field of a state may hold. */
export type Fits<T> = { [K in keyof T]?: (value: unknown) => boolean };
/** The same of a state whose fields have fields of their own, each of which fits or does not. */
export type NestedFits = { [key: string]: ((value: unknown) => boolean) | NestedFits };

export const isOneOf =
  (...choices: readonly unknown[]) =>
  (value: unknown): boolean =>
    choices.includes(value);
export const isBetween =
  (low: number, high: number) =>
  (value: unknown): boolean =>
    typeof value === 'number' && value >= low && value <= high;
export const isText =
  (most = 200) =>
  (value: unknown): boolean =>
    typeof value === 'string' && value.length <= most;
export const orNull =
  (fits: (value: unknown) => boolean) =>
  (value: unknown): boolean =>
    value === null || fits(value);
export const isListOf =
  (fits: (value: unknown) => boolean, most = 100) =>
  (value: unknown): boolean =>
    Array.isArray(value) && value.length <= most && value.every(fits);
export const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
export const isObjectOf =
  (fields: Record<string, (value: unknown) => boolean>) =>
  (value: unknown): boolean =>
    isObject(value) && Object.entries(fields).every(([name, fits]) => fits(value[name]));

/** Puts what this program cannot use where the person finds it: in the tray, to save or drop. */
function putAside(name: string, value: unknown): void {
  void writeEntry({ key: `${name} ${Date.now()}`, value: { from: name, value } }).catch(() => undefined);
}

/** Of a stored state, the fields that fit; the others are put aside. */
function fitting<T extends object>(name: string, stored: unknown, fits: NestedFits): Partial<T> {
  if (!isObject(stored)) {
    putAside(name, stored);
    return {};
  }
  const { good, odd } = sifted(stored, fits);
  if (Object.keys(odd).length) putAside(name, odd);
  return good as Partial<T>;
}

/** A stored object parted into what fits and what does not, field by field. */
function sifted(stored: Record<string, unknown>, fits: NestedFits) {
  const good: Record<string, unknown> = {};
  const odd: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(stored)) {
    const check = Object.hasOwn(fits, key) ? fits[key] : undefined;
    if (typeof check === 'object' && isObject(value)) {
      const parts = sifted(value, check);
      good[key] = parts.good;
      if (Object.keys(parts.odd).length) odd[key] = parts.odd;
    } else if (typeof check === 'function' && check(value)) good[key] = value;
    else odd[key] = value;
  }
  return { good, odd };
}

/**
 * Keeps a state on the device. What is read from there may have been written by another version, or by nobody: only what
 * fits is taken, so that an odd value never stands in the way of the rest.
 */
export function deviceStorage<T extends object>(
  storage: () => RestingStorage | Storage,
  fits: Fits<T> | NestedFits,
): PersistStorage<Partial<T>> {
  return {
    getItem: (name) => {
      const text = reading(() => storage().getItem(name) as string | null);
      if (text === null) return null;
      let value: unknown;
      try {
        value = JSON.parse(text);
      } catch {
        putAside(name, text);
        return null;
      }
      // Whatever version wrote it: field by field it fits or it does not.
      return { state: fitting(name, isObject(value) ? value.state : value, fits as NestedFits) } as StorageValue<
        Partial<T>
      >;
    },
    setItem: (name, value) => void reading(() => storage().setItem(name, JSON.stringify(value))),
    removeItem: (name) => void reading(() => storage().removeItem(name)),
  };
}

/** Storage that is blocked or full holds nothing; what is kept there can be set again. */
function reading<R>(work: () => R): R | null {
  try {
    return work();
  } catch {
    return null;
  }
}
