import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, input, measured, type Quantity } from '../quantity/quantity';
import type { NearState } from './nearState';

/** The ratio in use: measured where it stands at a measured end, else computed with the error of the chain. */
export function ratioInUse(system: EffectiveSystem, state: NearState): Quantity {
  const { ratioAtClosest, ratioAtInfinity } = system;
  const m = state.ratio;
  const end = [ratioAtClosest, ratioAtInfinity].find((each) => each && Math.abs(each.value / m - 1) < 1e-9);
  if (end) return end;
  // Between the ends the relative error goes over from one to the other.
  const near = ratioAtClosest?.plusMinus ? ratioAtClosest.plusMinus / ratioAtClosest.value : 0;
  const far = ratioAtInfinity?.plusMinus ? ratioAtInfinity.plusMinus / ratioAtInfinity.value : near;
  const error = m * (far + (near - far) * state.turned);
  const why = () => ({
    name: 'Reproduction ratio',
    formula: 'between the ends of the focus',
    inputs: [
      ...(ratioAtClosest ? [input('m₁', 'at closest focus', ratioAtClosest)] : []),
      ...(ratioAtInfinity ? [input('m₀', 'with the lens at infinity', ratioAtInfinity)] : []),
    ],
    source: `set with the lens’s own focus, turned ${Math.round(state.turned * 100)} % of the way to its closest`,
    neglects: 'How lenses shorten between the ends; a ruler tells.',
  });
  return ratioAtClosest?.kind === 'measured' && ratioAtInfinity?.kind === 'measured'
    ? measured(m, ':1', why, error)
    : computed(m, ':1', why, error > 1e-9 * m ? error : undefined);
}
