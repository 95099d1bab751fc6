import type { Reading } from '@/contract/schemas/reading';
import type { UnitSystem } from '@/core/quantity/units';
import type { ComparisonLine, Reread } from './kept/keptDesk';
import { keptDeskOf } from './kept/registry';

/** The numbers of a kept reading beside today's. */
export const comparisonLines = (
  data: Reading,
  asKept: Reread | null,
  asNow: Reread | null,
  units: UnitSystem,
): ComparisonLine[] => keptDeskOf(data.desk).lines(data, asKept, asNow, units);
