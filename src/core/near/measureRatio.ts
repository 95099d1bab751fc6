import { fail, ok, type Result } from '../quantity/result';

/** A ratio found by measuring, with its error. */
export interface MeasuredSize {
  ratio: number;
  plusMinus: number;
  /** The round ratio it agrees with, if any is near enough. */
  nominal?: number;
}

/** A ruler seen in a picture is read to about half a millimetre. */
export const RULER_PLUS_MINUS_MM = 0.5;
/** A mark in a picture is placed to about two pixels. */
export const MARK_PLUS_MINUS_PX = 2;

const found = (ratio: number, relative: number): MeasuredSize => {
  const plusMinus = ratio * relative;
  const nominal = nominalRatio(ratio, plusMinus);
  return { ratio, plusMinus, ...(nominal === undefined ? {} : { nominal }) };
};

/**
 * Ratio from a millimetre ruler photographed across the whole frame.
 *
 * @param frameWidthMm width of the sensor, or of the mode's part of it
 * @param visibleMm millimetres of the ruler that are seen across it
 * @source m = W/visible; δm/m = √((δvis/vis)² + (δW/W)²)
 * @example measureByRuler(36, 22.5).ratio // 1.6
 */
export function measureByRuler(
  frameWidthMm: number,
  visibleMm: number,
  visiblePlusMinusMm = RULER_PLUS_MINUS_MM,
  framePlusMinusMm = 0,
): Result<MeasuredSize> {
  if (!(visibleMm > 0))
    return fail('ruler.visible', 'Count the millimetres seen across the frame: more than 0.', 'visibleMm');
  if (visiblePlusMinusMm >= visibleMm)
    return fail(
      'ruler.error',
      'The error is as large as what was read. Read the ruler more closely.',
      'visiblePlusMinusMm',
    );
  return ok(
    found(frameWidthMm / visibleMm, Math.hypot(visiblePlusMinusMm / visibleMm, framePlusMinusMm / frameWidthMm)),
  );
}

/**
 * Ratio from two marks of a known distance that do not span the frame.
 *
 * @param pixels between the marks in the picture at full size
 * @param realMm between them in reality
 * @source m = (px · p/1000)/mm; δm/m = √((δpx/px)² + (δmm/mm)²)
 */
export function measureByMarks(
  pixels: number,
  pitchUm: number,
  realMm: number,
  realPlusMinusMm = 0,
  pixelsPlusMinus = MARK_PLUS_MINUS_PX,
): Result<MeasuredSize> {
  if (!(pixels > 0)) return fail('marks.pixels', 'Count the pixels between the two marks: more than 0.', 'pixels');
  if (!(realMm > 0))
    return fail('marks.real', 'Enter the real distance between the two marks: more than 0 mm.', 'realMm');
  return ok(found((pixels * pitchUm) / 1000 / realMm, Math.hypot(pixelsPlusMinus / pixels, realPlusMinusMm / realMm)));
}

/** Round numbers in the order in which people prefer them. */
const STEPS = [1, 0.5, 0.25, 0.2, 0.1, 0.05];

/**
 * The roundest ratio within the error: n : 1 from life size up, 1 : n below.
 *
 * @returns undefined where the measurement is finer than twentieths
 */
export function nominalRatio(ratio: number, plusMinus: number): number | undefined {
  for (const step of STEPS) {
    const turned = ratio < 1;
    const value = turned ? 1 / ratio : ratio;
    const round = Math.round(value / step) * step;
    if (round <= 0) continue;
    const nominal = turned ? 1 / round : round;
    if (Math.abs(nominal - ratio) <= plusMinus) return nominal;
  }
  return undefined;
}

/**
 * Focal length that a ratio and the distance from sensor to subject imply for a thin lens.
 *
 * @source T = f·(2 + m + 1/m)
 */
export const impliedFocalMm = (ratio: number, distanceMm: number): number => distanceMm / (2 + ratio + 1 / ratio);

/**
 * Focal length that tubes imply: what they added to the ratio of the lens alone.
 *
 * @source m = m0 + e/f
 * @returns null where nothing was added
 */
export const impliedByTubesMm = (ratio: number, bareRatio: number, extensionMm: number): number | null =>
  ratio > bareRatio && extensionMm > 0 ? extensionMm / (ratio - bareRatio) : null;
