/** Reads a value at a focal length between the two ends of a zoom, linear in the logarithm of both. */
function betweenEnds(focalMm: number, wideMm: number, teleMm: number, atWide: number, atTele: number): number {
  if (teleMm <= wideMm || atWide === atTele) return atWide;
  const share = Math.min(1, Math.max(0, Math.log(focalMm / wideMm) / Math.log(teleMm / wideMm)));
  return atWide * (atTele / atWide) ** share;
}

/**
 * Widest aperture of a zoom at a focal length. Makers state it for the two ends only; between them it is an estimate.
 *
 * @example fNumberAt(200, 100, 400, 4.5, 6.3) // 5.32
 */
export function fNumberAt(focalMm: number, wideMm: number, teleMm: number, nWide: number, nTele: number): number {
  return betweenEnds(focalMm, wideMm, teleMm, nWide, nTele);
}

/** Image circle in mm of a zoom at a focal length; small-format zooms often cover more towards their long end. */
export function imageCircleBetween(
  focalMm: number,
  wideMm: number,
  teleMm: number,
  circleWideMm: number,
  circleTeleMm: number,
): number {
  return betweenEnds(focalMm, wideMm, teleMm, circleWideMm, circleTeleMm);
}
