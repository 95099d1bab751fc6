/** Depth of field of one frame, mm at the subject, and its two parts. */
export interface NearDepth {
  totalMm: number;
  /** By geometry: how far a point may lie out of focus until its disc fills the circle of confusion. */
  geometricMm: number;
  /** By the nature of light: within it nothing gets sharper. */
  waveMm: number;
  /** Numerical aperture on the subject's side. */
  numericalAperture: number;
}

/**
 * Depth of field at close range.
 *
 * @param workingFNumber N_w = N·(1 + m/P)
 * @param cocMm circle of confusion on the sensor
 * @source 2·c·N_w/m² + λ/NA², NA = m/(2·N_w)
 * @example nearDepth(1, 16, 0.03).totalMm // 1.5232
 */
export function nearDepth(ratio: number, workingFNumber: number, cocMm: number, wavelengthUm = 0.55): NearDepth {
  const numericalAperture = ratio / (2 * workingFNumber);
  const geometricMm = (2 * cocMm * workingFNumber) / ratio ** 2;
  const waveMm = wavelengthUm / 1000 / numericalAperture ** 2;
  return { totalMm: geometricMm + waveMm, geometricMm, waveMm, numericalAperture };
}
