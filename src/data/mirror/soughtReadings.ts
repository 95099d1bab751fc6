import type { Stored } from '@/contract/resources';
import type { ReadingsSought } from '@/contract/readingsSought';
import { readingFigure, readingSubject, readingWords, wordsOf } from '@/contract/readingWords';
import type { Reading } from '@/contract/schemas/reading';

/** What a reading is sought and sorted by, as the server's columns. */
export interface ReadingColumns {
  id: string;
  takenAt: string;
  desk: Reading['desk'];
  subject: string;
  words: string;
  figure: number;
  held: boolean;
}

export const columnsOf = ({ id, data, createdAt }: Stored<Reading>): ReadingColumns =>
  'unreadable' in data
    ? // A fault of the server's disk: it stands in the Book as it is, and nothing finds it by words.
      { id, takenAt: createdAt, desk: 'far', subject: '', words: '', figure: 0, held: false }
    : {
        id,
        takenAt: data.takenAt,
        desk: data.desk,
        subject: readingSubject(data),
        words: readingWords(data),
        figure: readingFigure(data),
        held: data.held !== undefined,
      };

const newest = (a: ReadingColumns, b: ReadingColumns) => b.takenAt.localeCompare(a.takenAt) || b.id.localeCompare(a.id);

/** The orders of the Book, as the server sorts. */
export const ORDERS: Record<ReadingsSought['sort'], (a: ReadingColumns, b: ReadingColumns) => number> = {
  newest,
  oldest: (a, b) => newest(b, a),
  subject: (a, b) => a.subject.localeCompare(b.subject) || newest(a, b),
  most: (a, b) => b.figure - a.figure || newest(a, b),
};

export const isSought = ({ search, desk, held, id }: ReadingsSought, columns: ReadingColumns): boolean =>
  (!id || columns.id === id) &&
  (!desk || columns.desk === desk) &&
  (!held || columns.held) &&
  wordsOf(search ?? '').every((word) => columns.words.includes(word));
