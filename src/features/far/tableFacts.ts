import { showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import type { Situation } from '@/data/situation';

/** What holds for a whole table of a far subject: a column each in its file. */
export const factsOf = ({ subject, distanceM, output }: Situation, units: UnitSystem): Record<string, string> => ({
  Subject: subject.name,
  Distance: shownText(showLengthM(distanceM, units)),
  Output: output.name,
});
