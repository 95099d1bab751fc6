/**
 * Angle of view along a side of the frame, in degrees, at the focus the lens is set to.
 *
 * @param sideMm side of the part used, mm
 * @param imageDistanceMm v = f·(1 + m), mm
 * @source 2·atan(s/2v)
 * @example angleOfViewDeg(36, 608.8254) // 3.3869
 */
export function angleOfViewDeg(sideMm: number, imageDistanceMm: number): number {
  return (2 * Math.atan(sideMm / (2 * imageDistanceMm)) * 180) / Math.PI;
}
