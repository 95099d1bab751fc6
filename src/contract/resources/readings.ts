import { momentOf } from '../moments';
import { readingFigure, readingSubject, readingWords } from '../readingWords';
import { readingSchema, type Reading } from '../schemas/reading';
import { resource } from './resource';

export const readings = resource<Reading>({
  schema: readingSchema,
  noun: 'reading',
  plural: 'Kept readings',
  check: momentOf('takenAt'),
  columns: {
    takenAt: { name: 'taken_at', type: 'TEXT', of: (reading) => reading.takenAt },
    desk: { name: 'desk', type: 'TEXT', of: (reading) => reading.desk },
    /** Of what, in small letters. */
    subject: { name: 'subject', type: 'TEXT', of: readingSubject },
    /** Everything one may look for, in small letters. */
    words: { name: 'words', type: 'TEXT', of: readingWords },
    /** The number it came to. */
    figure: { name: 'figure', type: 'REAL', of: readingFigure },
    held: { name: 'held', type: 'TEXT', optional: true, of: (reading) => reading.held ?? null },
  },
});
