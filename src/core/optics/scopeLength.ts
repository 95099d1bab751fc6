/** How long a scope with a camera behind its eyepiece is, and where the front focus of its objective lies. */
export interface ScopeLength {
  /** From the sensor to the objective, mm. */
  lengthMm: number;
  /** From the sensor to the front focus of the objective, mm, and the half-width of the range it is expected in. */
  frontFocusMm: number;
  frontFocusPlusMinusMm: number;
}

/** Objectives of spotting scopes have about this many times their diameter as focal length. */
const FOCAL_PER_DIAMETER = 5.5;
/** A prism folds the light; eyepiece, adapter and camera add about what it saves, and this much more. */
const CAMERA_MM = 100;
/** What is not published is good to a third. */
const UNSURE = 1 / 3;

/**
 * Estimated length of a scope with a camera behind it.
 *
 * @param objectiveMm diameter of the objective
 * @source a real picture lies the objective's focal length behind it; the front focus lies the same length before it
 */
export function wholeOfScope(objectiveMm: number): ScopeLength {
  const focalMm = FOCAL_PER_DIAMETER * objectiveMm;
  const lengthMm = focalMm + CAMERA_MM;
  return { lengthMm, frontFocusMm: lengthMm + focalMm, frontFocusPlusMinusMm: UNSURE * (lengthMm + focalMm) };
}
