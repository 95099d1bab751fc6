import type { ResourceName, ResourceTypes } from '@/contract/resources';
import { readingSubject, readingWords } from '@/contract/readingWords';
import type { Reading } from '@/contract/schemas/reading';
import type { RowAttributes, SetupPartAttributes } from './models/tables';

/** Columns of a kept reading that repeat what it says, to list, search and sort readings by. */
export interface ReadingColumns {
  takenAt: string;
  desk: string;
  /** Of what, in small letters. */
  subject: string;
  /** The number it came to: pixels on the subject, or seconds under the stars. */
  figure: number;
  /** Everything one may look for, in small letters. */
  words: string;
  held: string | null;
}

export function readingColumns(reading: Reading): ReadingColumns {
  return {
    takenAt: reading.takenAt,
    desk: reading.desk,
    subject: readingSubject(reading),
    figure: reading.desk === 'stars' ? reading.result.limitS : reading.result.pixelsOnSubject,
    words: readingWords(reading),
    held: reading.held ?? null,
  };
}

/** Columns that repeat a field of a row's data, for an index or a foreign key. */
export function columnsOf(name: ResourceName, data: unknown): Partial<RowAttributes> {
  if (name === 'setups') return { bodyId: (data as ResourceTypes['setups']).bodyId };
  if (name === 'readings') return readingColumns(data as Reading);
  return {};
}

/** The foreign keys behind the chain of a set-up. */
export function partsOf(setupId: string, setup: ResourceTypes['setups']): SetupPartAttributes[] {
  return setup.chain.map((part, position) => ({
    setupId,
    position,
    opticId: part.type === 'optic' ? part.id : null,
    adapterId: part.type === 'adapter' ? part.id : null,
  }));
}
