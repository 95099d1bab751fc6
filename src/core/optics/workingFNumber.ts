import { coneFactor, type Setting } from '../chain/opticState';
import type { EffectiveSystem } from './foldSystem';

/**
 * What the aperture acts as at a setting of the lens's focus.
 *
 * The cone behind the lens is the lens's own, whatever stands in front of it; converters and extension lengthen it.
 * Objectives and coupled lenses stop the light by their numerical aperture on the subject's side.
 *
 * @param fNumber of the whole, focused at infinity
 * @param pupilFactor P of the lens: exit pupil ÷ entrance pupil, 1 if unknown
 * @source N·(1 + m_lens/P) times the factors behind; m/(2·NA)
 */
export function workingFNumberAt(
  system: Pick<EffectiveSystem, 'optics'>,
  fNumber: number,
  setting: Setting,
  pupilFactor = 1,
): number {
  const { state, numericalAperture } = system.optics;
  const engraved = (fNumber * state.far.lensFocalMm) / state.far.focalMm;
  const byPupil = engraved * coneFactor(setting, pupilFactor);
  return numericalAperture === undefined ? byPupil : Math.max(byPupil, setting.ratio / (2 * numericalAperture));
}
