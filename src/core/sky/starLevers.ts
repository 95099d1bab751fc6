import { foldSystem, type CropConventionChoice, type SystemInput } from '../optics/foldSystem';
import { computed, input, type Quantity } from '../quantity/quantity';
import { readStars, type StarsInput, type StarVerdict } from './readStars';

/** Something one could change under the stars: the optics, or what is asked of the picture. */
export interface StarCandidate<P> {
  id: string;
  kind: 'focal' | 'setup' | 'chain' | 'aim' | 'centre';
  name: string;
  /** Other optics, or another pointing or school. */
  setup?: SystemInput;
  ways?: Partial<Pick<StarsInput, 'pointing' | 'rule'>>;
  patch: P;
}

/** A lever: the longest exposure it gives, and what that means for the light. */
export interface StarLever<P> {
  id: string;
  kind: StarCandidate<P>['kind'];
  name: string;
  patch: P;
  limitS: number;
  /** New time ÷ present time, and light on the sensor at both limits wide open, stops. */
  timeRatio: number;
  lightStops: number;
  /** Field ÷ present field, along the long side. */
  fieldRatio: number;
  verdict: StarVerdict;
  gain: Quantity;
}

/** A gain below this is not worth a tap. */
const WORTH = 0.03;

/**
 * What else the kit could do: each candidate's longest exposure by the same school and tolerance.
 *
 * @returns the levers that lengthen the time, longest first
 */
export function starLevers<P>(
  present: StarsInput,
  candidates: readonly StarCandidate<P>[],
  convention: CropConventionChoice,
): StarLever<P>[] {
  const before = readStars({ ...present, exposureS: undefined });
  const light = (seconds: number, fNumber: number) => Math.log2(seconds / fNumber ** 2);
  const fieldOf = ({ system }: Pick<StarsInput, 'system'>) =>
    Math.max(system.used.widthMm, system.used.heightMm) / system.focalMm.value;
  return candidates
    .flatMap(({ id, kind, name, setup, ways, patch }) => {
      const folded = setup ? foldSystem(setup, convention) : null;
      if (folded && (!folded.ok || folded.value.optics.state.far.ratio > 0)) return [];
      const system = folded?.ok ? folded.value : present.system;
      const after = readStars({ ...present, ...ways, system, exposureS: undefined });
      const timeRatio = after.limitS.value / before.limitS.value;
      if (timeRatio < 1 + WORTH) return [];
      const lever: StarLever<P> = {
        id,
        kind,
        name,
        patch,
        limitS: after.limitS.value,
        timeRatio,
        lightStops: light(after.limitS.value, after.aperture.value) - light(before.limitS.value, before.aperture.value),
        fieldRatio: fieldOf({ system }) / fieldOf(present),
        verdict: after.verdict,
        gain: computed(timeRatio, '×', () => ({
          name: 'Longer by',
          formula: 't₂ / t₁',
          inputs: [input('t₁', 'longest now', before.limitS), input('t₂', 'longest then', after.limitS)],
          source: 'all else held equal',
        })),
      };
      return [lever];
    })
    .sort((a, b) => b.limitS - a.limitS);
}
