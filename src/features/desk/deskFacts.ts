import { formatRatio } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import type { Situation } from '@/data/situation';
import type { TableFacts } from '@/ui/take/tableFacts';

/** What holds for every table of a desk: what is in hand, a column each in a table's file. */
export function deskFacts(desk: 'far' | 'near' | 'sky', situation: Situation, units: UnitSystem): TableFacts {
  const setup = { 'Set-up in hand': situation.setupRow.data.name };
  if (desk === 'sky') return setup;
  const what = { ...setup, Subject: situation.subject.name };
  const output = { Output: situation.output.name };
  if (desk === 'far') return { ...what, Distance: shownText(showLengthM(situation.distanceM, units)), ...output };
  const { nearRatio, nearFNumber } = situation;
  return {
    ...what,
    ...(nearRatio === undefined ? {} : { 'Set ratio': formatRatio(nearRatio) }),
    ...(nearFNumber === undefined ? {} : { 'Set f-number': showFNumber(nearFNumber) }),
    ...output,
  };
}
