/** What a set-up looks like on the reference format: the same view, depth of field, blur and total light. */
export interface Equivalent {
  focalMm: number;
  fNumber: number;
  isoFactor: number;
  /** Light on the whole picture against the reference format at the same exposure, in stops (negative: less). */
  totalLightStops: number;
}

/**
 * Equivalents on 36 × 24 mm. Focal length **and** f-number are multiplied; the exposure itself keeps the real f-number.
 *
 * @param focalMm effective focal length, mm
 * @param fNumber effective f-number
 * @param cropFactor in the convention chosen
 * @source f·k, N·k, ISO·k², −2·log2 k stops; the entrance pupil f/N is what both share
 */
export function equivalent(focalMm: number, fNumber: number, cropFactor: number): Equivalent {
  return {
    focalMm: focalMm * cropFactor,
    fNumber: fNumber * cropFactor,
    isoFactor: cropFactor ** 2,
    totalLightStops: -2 * Math.log2(cropFactor),
  };
}

/** Entrance pupil in mm: the opening that gathers light and sets depth and blur. */
export function entrancePupilMm(focalMm: number, fNumber: number): number {
  return focalMm / fNumber;
}

/** Stops of light a converter (factor above 1) takes or a reducer (below 1) gives: −2·log2 t. */
export function converterStops(factor: number): number {
  return -2 * Math.log2(factor);
}
