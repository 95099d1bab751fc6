import type { Reading } from './schemas/reading';

/** The form in which words are looked for, so that É finds é. */
export const searchForm = (text: string): string => text.normalize('NFC').toLowerCase();

/** Of what a reading is, in the form words are looked for in. */
export const readingSubject = (reading: Reading): string =>
  searchForm(reading.desk === 'stars' ? 'stars' : reading.input.subject.name);

/** Everything one may look a reading up by: subject, set-up, output and note. */
export const readingWords = (reading: Reading): string =>
  [readingSubject(reading), ...[reading.setupName, reading.input.output.name, reading.note].map(searchForm)].join('\n');

/** The words looked for, each of which must be found. */
export const wordsOf = (search: string): string[] =>
  searchForm(search)
    .split(/\s+/)
    .filter((word) => word !== '');
