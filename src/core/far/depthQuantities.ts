import type { CocSchool } from '../output/circleOfConfusion';
import { cocBySchool, cocQuantity, cocSchools } from '../output/cocQuantity';
import type { EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { depthOfChain } from './depth';
import type { FarReading } from './readFar';

/** How deep the picture is, by the school chosen, with what the others say. */
export interface DepthQuantities {
  cocMm: Quantity;
  nearLimitM: Quantity;
  farLimitM?: Quantity;
  depthM?: Quantity;
}

interface Situation {
  system: EffectiveSystem;
  reading: FarReading;
  output: OutputSpec;
  cocSchool: CocSchool;
}

/** From the lens to the sensor, m: what is added to a distance from the lens. */
export const lensToSensorM = (reading: FarReading): number => reading.distanceM.value - reading.focus.uMm / 1000;

/** Depth of field in front of and behind a distant subject. */
export function depthQuantities(situation: Situation): DepthQuantities {
  const { system, reading, output, cocSchool } = situation;
  const { uMm, ratio } = reading.focus;
  const pupil = reading.pupilMm;
  const cocOf = cocBySchool(system, output);
  const cocMm = cocQuantity(system, output, cocSchool);
  const depthAt = (c: number) => depthOfChain(pupil.value, ratio, c, uMm);
  const depth = depthAt(cocMm.value);
  const behindLensM = lensToSensorM(reading);
  const limit = (mm: number, name: string, sign: string) =>
    computed(mm / 1000 + behindLensM, 'm', () => ({
      name,
      formula: `u·A·m / (A·m ${sign} c) + v`,
      inputs: [
        input('u', 'subject to the pupil', reading.subjectM),
        input('A', 'entrance pupil', pupil),
        input('m', 'reproduction ratio', reading.ratio),
        input('c', 'circle of confusion', cocMm),
        input('v', 'lens to sensor', given(behindLensM, 'm', 'Lens to sensor', 'the rest of the distance')),
      ],
      source: 'exact, for a thin lens u·f²/(f² ± N·c·(u − f)); measured from the sensor again',
      schools: cocSchools(
        cocSchool,
        (school) => (sign === '+' ? depthAt(cocOf(school)).nearMm : depthAt(cocOf(school)).farMm) / 1000 + behindLensM,
      ).filter((each) => Number.isFinite(each.value)),
    }));
  const nearLimitM = limit(depth.nearMm, 'Near limit of the depth', '+');
  if (depth.farMm === Infinity) return { cocMm, nearLimitM };
  const farLimitM = limit(depth.farMm, 'Far limit of the depth', '−');
  const total = (c: number) => (depthAt(c).farMm - depthAt(c).nearMm) / 1000;
  const depthM = computed(total(cocMm.value), 'm', () => ({
    name: 'Depth of field',
    formula: 'far − near',
    inputs: [input('near', 'sharp from', nearLimitM), input('far', 'sharp to', farLimitM)],
    source: 'exact limits; for a far subject about 2·N·c·u²/f²',
    schools: cocSchools(cocSchool, (school) => total(cocOf(school))).filter((each) => Number.isFinite(each.value)),
  }));
  return { cocMm, nearLimitM, farLimitM, depthM };
}
