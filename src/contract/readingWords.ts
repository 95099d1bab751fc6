import type { FarReadingKept, NearReadingKept, Reading } from './schemas/reading';

/** The form in which words are looked for, so that É finds é. */
export const searchForm = (text: string): string => text.normalize('NFC').toLowerCase();

/** Of what a reading is, in the form words are looked for in. */
export const readingSubject = (reading: Reading): string =>
  searchForm(reading.desk === 'stars' ? 'stars' : reading.input.subject.name);

/** Everything one may look a reading up by: subject, set-up, output and note. */
export const readingWords = (reading: Reading): string =>
  [readingSubject(reading), ...[reading.setupName, reading.input.output.name, reading.note].map(searchForm)].join('\n');

/** The pixels a verdict counts: those resolved, unless sampled ones were chosen. */
export const countedPixelsOf = ({ input, result }: FarReadingKept | NearReadingKept): number =>
  input.judgeBy === 'sampled' ? result.pixelsOnSubject : result.resolvedPixels;

/** The number a reading came to: pixels that count, or seconds under the stars. */
export const readingFigure = (reading: Reading): number =>
  reading.desk === 'stars' ? reading.result.limitS : countedPixelsOf(reading);

/** The words looked for, each of which must be found. */
export const wordsOf = (search: string): string[] =>
  searchForm(search)
    .split(/\s+/)
    .filter((word) => word !== '');
