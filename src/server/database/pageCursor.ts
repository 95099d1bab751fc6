import type { After } from './rowsJson';

export type { After };

/** Where a page ended, as a text for the next question. */
export const cursorOf = (after: After): string => Buffer.from(JSON.stringify(after)).toString('base64url');

/** The place behind such a text; null for anything else. */
export function placeOf(cursor: string): After | null {
  try {
    const { at, afterId, subject, figure } = JSON.parse(Buffer.from(cursor, 'base64url').toString('utf8')) as After;
    const fits =
      typeof at === 'string' &&
      typeof afterId === 'string' &&
      typeof subject === 'string' &&
      typeof figure === 'number';
    return fits ? { at, afterId, subject, figure } : null;
  } catch {
    return null;
  }
}
