import { fail, ok, type Result } from '../../quantity/result';
import type { StarsFound } from './findStars';

/** A picture of a series of growing exposure. */
export interface SeriesPicture {
  exposureS: number;
  found: StarsFound;
}

interface Measured {
  value: number;
  plusMinus: number;
}

/** How a star's length grows with the time: what is there at none is the lens, the rest the sky. */
export interface Growth {
  /** Smear of the lens, px, and run of the sky, px/s. */
  lensPx: Measured;
  perSecond: Measured;
}

export interface StarSeries {
  pictures: { exposureS: number; centrePx: number; centreError: number; cornerPx: number; cornerError: number }[];
  centre: Growth;
  corner: Growth;
}

const few = fail(
  'stars.few',
  'A series needs at least three pictures of different exposure: their times are read from EXIF, or given in order.',
  'picture',
);

/**
 * Squared lengths add: L² = lens² + (rate·t)² where both lie square to each other on average, so that a straight line through
 * L² over t² gives both.
 */
function growthOf(points: { t: number; length: number; error: number }[]): Growth {
  let [w, wx, wy, wxx, wxy] = [0, 0, 0, 0, 0];
  for (const { t, length, error } of points) {
    const [x, y] = [t * t, length * length];
    // Error of a square, and never less than the blur leaves.
    const weight = 1 / ((length * error) ** 2 + (0.05 * error) ** 2 + 0.02 ** 2 + (0.01 * y) ** 2);
    w += weight;
    wx += weight * x;
    wy += weight * y;
    wxx += weight * x * x;
    wxy += weight * x * y;
  }
  const det = w * wxx - wx * wx;
  const slope = Math.max(0, (w * wxy - wx * wy) / det);
  const base = Math.max(0, (wxx * wy - wx * wxy) / det);
  const [slopeError, baseError] = [Math.sqrt(w / det), Math.sqrt(wxx / det)];
  const rate = Math.sqrt(slope);
  const lens = Math.sqrt(base);
  return {
    perSecond: { value: rate, plusMinus: Math.sqrt(slope + 2 * slopeError) - rate + 0.003 * rate },
    lensPx: { value: lens, plusMinus: Math.sqrt(base + 2 * baseError) - lens + 0.02 },
  };
}

/** Mean over the corners of the squared lengths, as the length of one. */
function cornerOf({ corners }: StarsFound): { length: number; error: number } {
  const squares = corners.reduce((sum, { lengthPx }) => sum + lengthPx ** 2, 0) / corners.length;
  const error = Math.hypot(...corners.map(({ plusMinus }) => plusMinus)) / corners.length;
  return { length: Math.sqrt(squares), error };
}

/** Length against time, for the middle and the corners. */
export function starSeries(series: readonly SeriesPicture[]): Result<StarSeries> {
  const sorted = [...series].sort((a, b) => a.exposureS - b.exposureS);
  if (new Set(sorted.map(({ exposureS }) => exposureS)).size < 3) return few;
  const pictures = sorted.map(({ exposureS, found }) => {
    const corner = cornerOf(found);
    return {
      exposureS,
      centrePx: found.centre.lengthPx,
      centreError: found.centre.plusMinus,
      cornerPx: corner.length,
      cornerError: corner.error,
    };
  });
  return ok({
    pictures,
    centre: growthOf(pictures.map(({ exposureS: t, centrePx: length, centreError: error }) => ({ t, length, error }))),
    corner: growthOf(pictures.map(({ exposureS: t, cornerPx: length, cornerError: error }) => ({ t, length, error }))),
  });
}

/** The longest time at which a run of a size is not passed, s. */
export const timeFor = ({ lensPx, perSecond }: Growth, tolerancePx: number): number =>
  perSecond.value > 0 ? Math.sqrt(Math.max(0, tolerancePx ** 2 - lensPx.value ** 2)) / perSecond.value : Infinity;
