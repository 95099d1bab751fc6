/**
 * Speed of a subject's picture over the pixels when it moves across the view.
 *
 * @param speedMPerS m/s across the line of sight
 * @source 10⁶·v·m/p (p in µm)
 */
export function pixelsPerSecond(speedMPerS: number, ratio: number, pitchUm: number): number {
  return (1e6 * speedMPerS * ratio) / pitchUm;
}

/**
 * Longest shutter time for a blur, s; Infinity when nothing moves.
 *
 * @param blurPx blur allowed, pixels
 */
export function longestShutterS(blurPx: number, pixelsPerS: number): number {
  return pixelsPerS > 0 ? blurPx / pixelsPerS : Infinity;
}

/** Pixels at full size that make one pixel of the output, when the subject fills its share of it; at least 1. */
export function pixelsPerOutputPixel(pixelsOnSubject: number, neededPixels: number): number {
  return Math.max(1, pixelsOnSubject / neededPixels);
}

/**
 * Customary hand-hold limit, s: 1/f_eq, longer by the stabiliser.
 *
 * @source 1/f_eq · 2^stops
 */
export function handHoldS(equivalentFocalMm: number, stabiliserStops: number): number {
  return 2 ** stabiliserStops / equivalentFocalMm;
}

/**
 * What the customary limit means: on 36 × 24 mm of 24 MP (6 µm) it lets the hand blur about one and a half pixels. Held to
 * the same number of pixels it depends on the pixel scale, not on the format.
 *
 * @source 1/f_eq at 6 µm; the hand turns the camera by the same angle a second, whatever is behind the lens
 */
export function handHoldPerPixelS(blurPx: number, pixelsPerMrad: number, stabiliserStops: number): number {
  return (blurPx / (HAND_MRAD_PER_S * pixelsPerMrad)) * 2 ** stabiliserStops;
}

/** Angle a hand turns in a second, as the customary rule takes it: 1.5 pixels of 6 µm in 1/f s, so 9 µm·f/f. */
export const HAND_MRAD_PER_S = 9;
