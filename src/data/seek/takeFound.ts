import type { WholeData } from '@/contract/wholeData';
import type { Entry } from '@/core/seek/entry';
import type { BookRows } from './entries';

/** What of the Book was found, whole: a file that comes in again by In and out. */
export function foundJson(rows: BookRows, entries: readonly Entry[]): string {
  const ids = new Set(entries.map(({ id }) => id));
  const of = <T extends { id: string }>(all: readonly T[]): T[] => all.filter(({ id }) => ids.has(id));
  const file: WholeData = {
    format: 'jauge',
    formatVersion: 1,
    rows: {
      readings: of(rows.readings),
      measurements: of(rows.measurements),
      outings: of(rows.outings),
      pictureGroups: of(rows.pictureGroups),
    },
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

export const FOUND_HEADS = [
  'kind',
  'at',
  'subject',
  'outing',
  'setup',
  'lens',
  'pixels',
  'distanceM',
  'verdict',
  'line',
] as const;

/** The same as lines of a table. */
export const foundTable = (entries: readonly Entry[]): string[][] =>
  entries.map((entry) =>
    FOUND_HEADS.map((head) => {
      const value = entry[head];
      return value === undefined ? '' : String(value);
    }),
  );
