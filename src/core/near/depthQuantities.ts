import type { EffectiveSystem } from '../optics/foldSystem';
import type { CocSchool } from '../output/circleOfConfusion';
import { cocBySchool, cocQuantity, cocSchools } from '../output/cocQuantity';
import type { OutputSpec } from '../output/needs';
import { computed, input, type Quantity } from '../quantity/quantity';
import { greenLight } from './lightQuantities';
import { nearDepth } from './nearDepth';
import { withRatioError } from './sizeQuantities';

/** How deep one frame is close up: by geometry and by the nature of light. */
export interface NearDepthQuantities {
  cocMm: Quantity;
  depthMm: Quantity;
  waveDepthMm: Quantity;
}

/** @source 2·c·N_w/m² + λ/NA² */
export function nearDepthQuantities(
  system: EffectiveSystem,
  output: OutputSpec,
  cocSchool: CocSchool,
  ratio: Quantity,
  workingFNumber: Quantity,
): NearDepthQuantities {
  const m = ratio.value;
  const cocOf = cocBySchool(system, output);
  const cocMm = cocQuantity(system, output, cocSchool);
  const depth = nearDepth(m, workingFNumber.value, cocMm.value);
  const objectNa = computed(depth.numericalAperture, '1', () => ({
    name: 'Numerical aperture on the subject’s side',
    formula: 'm / (2 · N_w)',
    inputs: [input('m', 'reproduction ratio', ratio), input('N_w', 'working f-number', workingFNumber)],
    source: 'definition',
  }));
  const waveDepthMm = computed(depth.waveMm, 'mm', () => ({
    name: 'Depth by the nature of light',
    formula: 'λ / NA²',
    inputs: [input('λ', 'wavelength', greenLight()), input('NA', 'numerical aperture', objectNa)],
    source: 'within it nothing gets sharper, however small the circle of confusion',
  }));
  const depthMm = computed(
    depth.totalMm,
    'mm',
    () => ({
      name: 'Depth of field of one frame',
      formula: '2 · c · N_w / m² + λ/NA²',
      inputs: [
        input('c', 'circle of confusion', cocMm),
        input('N_w', 'working f-number', workingFNumber),
        input('m', 'reproduction ratio', ratio),
        input('λ/NA²', 'wave term', waveDepthMm),
      ],
      source: 'geometry and diffraction together; from about 1 : 10 up',
      schools: cocSchools(cocSchool, (school) => nearDepth(m, workingFNumber.value, cocOf(school)).totalMm),
    }),
    withRatioError(ratio)(2 * depth.totalMm),
  );

  return { cocMm, depthMm, waveDepthMm };
}
