import type { EffectiveSystem } from './foldSystem';

/**
 * What the aperture acts as at a reproduction ratio.
 *
 * A converter of factor t spreads what the lens draws at m/t, so behind it the pupil factor of the whole is the lens's own
 * times t. Objectives stop the light by their numerical aperture.
 *
 * @param fNumber of the whole, focused at infinity
 * @param pupilFactor P of the lens: exit pupil ÷ entrance pupil, 1 if unknown
 * @source N·(1 + m/P); m/(2·NA)
 */
export function workingFNumberAt(system: Pick<EffectiveSystem, 'optics'>, fNumber: number, ratio: number, pupilFactor = 1): number {
  const { state, numericalAperture } = system.optics;
  const byPupil = fNumber * (1 + ratio / (pupilFactor * state.factor));
  return numericalAperture === undefined ? byPupil : Math.max(byPupil, ratio / (2 * numericalAperture));
}
