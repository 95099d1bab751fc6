/**
 * Image circle after focusing closer: it widens with the image distance.
 *
 * @param imageCircleMm diameter at infinity, mm
 * @param ratio reproduction ratio m
 * @source I·(1 + m)
 */
export function imageCircleAt(imageCircleMm: number, ratio: number): number {
  return imageCircleMm * (1 + ratio);
}
