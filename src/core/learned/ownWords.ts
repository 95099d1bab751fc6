import { formatFigures } from '../quantity/format';
import { quantityText, showLengthM, shownText } from '../quantity/quantityText';
import type { Quantity } from '../quantity/quantity';
import type { UnitSystem } from '../quantity/units';

/** How the pixels in hand stand to those from which one keeps a picture. */
export function pixelsAgainstOwn(counted: Quantity, own: Quantity): string {
  const times = counted.value / own.value;
  const from = `the ${quantityText(own, 'metric')} from which four of five of yours are large enough`;
  return times >= 1
    ? `This has ${formatFigures(times, 2)} times ${from}.`
    : `This has only ${formatFigures(times * 100, 2)}\u202f% of ${from}.`;
}

/** How the distance in hand stands to those one mostly kept a subject from. */
export function distanceAgainstOwn(distanceM: number, own: Quantity, units: UnitSystem): string {
  const length = (metres: number) => shownText(showLengthM(metres, units, 2));
  const { value, plusMinus = 0 } = own;
  const where =
    distanceM > value + plusMinus
      ? 'farther than nearly all you kept'
      : distanceM < value - plusMinus
        ? 'nearer than nearly all you kept'
        : 'as far as you keep it from';
  return `${length(distanceM)} is ${where}, mostly from ${length(value)}.`;
}
