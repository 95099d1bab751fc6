import type { FieldError } from './problem';

/** Whether a text of the right form names a moment that exists: no 30 February, no hour 25. */
export function isMoment(text: string): boolean {
  const ms = Date.parse(text);
  return Number.isFinite(ms) && new Date(ms).toISOString().slice(0, 19) === text.slice(0, 19);
}

export const noSuchMoment = (path: string, title: string): FieldError => ({
  path,
  message: `${title} is not a day and time that exist.`,
});

/** Checks that the time a row tells is one. */
export const momentOf =
  <K extends string>(path: K) =>
  (row: Record<K, string>): FieldError[] =>
    isMoment(row[path]) ? [] : [noSuchMoment(path, 'Time')];
