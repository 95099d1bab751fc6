import type { Reading } from '@/contract/schemas/reading';
import type { UnitSystem } from '@/core/quantity/units';
import type { EntryWords } from './kept/keptDesk';
import { keptDeskOf } from './kept/registry';

/** Writes a kept reading in words, by its desk. */
export const entryWords = (data: Reading, units: UnitSystem): EntryWords => keptDeskOf(data.desk).words(data, units);
