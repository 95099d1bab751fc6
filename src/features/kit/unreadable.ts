/** What stands for the facts of a row that another version wrote in a form this one cannot read. */
export const UNREADABLE = '⚠ cannot be read by this version';

/** Words about a row; a row that cannot be read must not take the whole list away. */
export function briefly(words: () => string): string {
  try {
    return words();
  } catch {
    return UNREADABLE;
  }
}
