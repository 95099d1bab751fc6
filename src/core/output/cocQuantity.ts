import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity, type School } from '../quantity/quantity';
import { diagonal } from '../sensor/diagonal';
import { COC_NAMES, COC_SCHOOLS, circleOfConfusionMm, type CocSchool } from './circleOfConfusion';
import type { OutputSpec } from './needs';
import { viewedPixels } from './viewedPixels';

type Frame = Pick<EffectiveSystem, 'used' | 'pitchUm'>;

/** The circle of confusion of each school on this frame, mm. */
export function cocBySchool({ used, pitchUm }: Frame, output: OutputSpec): (school: CocSchool) => number {
  const longSide = Math.max(used.widthMm, used.heightMm);
  const frameDiagonal = diagonal(used.widthMm, used.heightMm);
  const viewed = viewedPixels(output);
  return (school) => circleOfConfusionMm(school, frameDiagonal, longSide, pitchUm.value, viewed);
}

/** What every school makes of a number. */
export const cocSchools = (chosen: CocSchool, value: (school: CocSchool) => number): School[] =>
  COC_SCHOOLS.map((school) => ({
    preference: 'cocSchool',
    choice: school,
    name: COC_NAMES[school],
    value: value(school),
    chosen: school === chosen,
  }));

/** How large a blur may be and still pass for sharp. */
export function cocQuantity({ used, pitchUm }: Frame, output: OutputSpec, cocSchool: CocSchool): Quantity {
  const cocOf = cocBySchool({ used, pitchUm }, output);
  return computed(cocOf(cocSchool), 'mm', () => ({
    name: `Circle of confusion (${COC_NAMES[cocSchool]})`,
    formula: { diagonal: 'D / 1500', output: 'long side / details told apart', pixel: '2 · p' }[cocSchool],
    inputs: [
      input(
        'D',
        'diagonal used',
        given(diagonal(used.widthMm, used.heightMm), 'mm', 'Diagonal of the part used', 'body and mode'),
      ),
      input(
        'S',
        'details told apart along the output',
        given(
          viewedPixels(output),
          'px',
          'Details an eye tells apart',
          'one arcminute, or the output’s pixels if those are fewer',
        ),
      ),
      input('p', 'pixel pitch', pitchUm),
    ],
    source: 'how large a blur may be and still pass for sharp; schools differ',
    schools: cocSchools(cocSchool, cocOf),
  }));
}
