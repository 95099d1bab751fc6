/** How well a lens draws, when its 50 % frequency is not known. */
export type DetailClass = 'excellent' | 'good' | 'fair' | 'weak';

/** 50 % frequencies in lp/mm assumed when only the class of a lens is known. */
export const CLASS_LENS50_LP_PER_MM: Record<DetailClass, number> = { excellent: 100, good: 70, fair: 50, weak: 30 };

/** A class spans about half of the step to its neighbours: ±20 %. */
export const CLASS_UNCERTAINTY = 0.2;

/**
 * 50 % frequency of a lens behind a converter: the picture is spread by t, so the lens's own frequency falls to ν/t,
 * and the converter's own response multiplies in. Two Gaussians multiply to a Gaussian, so the result is exact.
 *
 * @param lens50LpPerMm of what is in front
 * @param factor t, above 1 converter, below 1 reducer
 * @param own50LpPerMm the converter's own 50 % frequency on the sensor, if known
 * @source 1/ν² = (t/ν_L)² + 1/ν_c²
 */
export function lens50BehindConverter(lens50LpPerMm: number, factor: number, own50LpPerMm?: number): number {
  const spread = lens50LpPerMm / factor;
  return own50LpPerMm === undefined ? spread : 1 / Math.hypot(1 / spread, 1 / own50LpPerMm);
}
