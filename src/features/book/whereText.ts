import type { Reading } from '@/contract/schemas/reading';
import { formatRatio } from '@/core/quantity/format';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';

/** From where a kept reading was taken: "at 64 m", or close up "at 1.27 : 1". */
export const whereText = (kept: Reading, units: UnitSystem): string => `at ${kept.desk === 'far' ? shownText(showLengthM(kept.input.distanceM, units)) : formatRatio(kept.result.ratio ?? 0)}`;
