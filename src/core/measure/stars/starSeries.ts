import { fail, ok, type Result } from '../../quantity/result';
import type { StarsFound, Trail } from './findStars';
import { withinOf } from '../within';
import { lengthOf, type Smear } from './trailField';

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

/** What was drawn at one place in one exposure: its smear, px², and the standard error of each part. */
interface Seen {
  t: number;
  smear: Smear;
  error: number;
}

function seenOf(t: number, { lengthPx, plusMinus, directionDeg }: Trail): Seen {
  const turn = (2 * directionDeg * Math.PI) / 180;
  const square = lengthPx * lengthPx;
  // Two errors of a length, as one of its square; a file's steps leave as much as a twentieth of a pixel.
  const error = (2 * lengthPx * plusMinus + plusMinus ** 2) / 2;
  return { t, smear: [square * Math.cos(turn), square * Math.sin(turn)], error: Math.hypot(error, LEAST_PX ** 2) };
}

const LEAST_PX = 0.05;

/** A smear of the lens with none of time, and one of the sky that grows with its square, with the error of each, 95 %. */
interface Line {
  lens: Smear;
  lensError: number;
  sky: Smear;
  skyError: number;
}

/**
 * Smears add, lens and sky each in its own direction, and the sky's grows with the square of the time: a straight line through
 * each of the two parts over t².
 */
function lineOf(seen: readonly Seen[]): Line {
  let [w, wx, wxx] = [0, 0, 0];
  const [wy, wxy]: [Smear, Smear] = [
    [0, 0],
    [0, 0],
  ];
  for (const { t, smear, error } of seen) {
    const [x, weight] = [t * t, 1 / error ** 2];
    w += weight;
    wx += weight * x;
    wxx += weight * x * x;
    for (const part of [0, 1] as const) {
      wy[part] += weight * smear[part];
      wxy[part] += weight * x * smear[part];
    }
  }
  const det = w * wxx - wx * wx;
  const of = (at: (part: 0 | 1) => number): Smear => [at(0) / det, at(1) / det];
  const sky = of((part) => w * wxy[part] - wx * wy[part]);
  const lens = of((part) => wxx * wy[part] - wx * wxy[part]);
  const off = seen.reduce(
    (sum, { t, smear, error }) =>
      sum + ((smear[0] - lens[0] - t * t * sky[0]) ** 2 + (smear[1] - lens[1] - t * t * sky[1]) ** 2) / error ** 2,
    0,
  );
  // Errors of the single pictures tell how they compare; how large they are is told by how they scatter about the line.
  const free = 2 * seen.length - 4;
  // The same stars stand on all of them, and err alike: never surer than the standard errors they were told with.
  const within = Math.max(1, withinOf(free) * Math.sqrt(off / free));
  return { lens, sky, lensError: within * Math.sqrt(wxx / det), skyError: within * Math.sqrt(w / det) };
}

/** A length out of its square with an error: what holds both ends, and nothing at all where that may be. */
function rootOf(square: number, error: number, least: number): Measured {
  const value = Math.sqrt(square);
  const [low, high] = [Math.sqrt(Math.max(0, square - error)), Math.sqrt(square + error)];
  return { value, plusMinus: Math.max(high - value, value - low) + least };
}

/** A fault that lengthens a long run is taken up by half only (see `findStars`), in all pictures alike. */
const OF_LENS = 0.5;

/** What a file's steps leave of a run, as a share. */
const LEAST_SHARE = 0.002;

/** Growth at places taken together, as the length of one: the mean of their squares. They share a field, and its errors. */
function growthOf(lines: readonly Line[], blurError: number): Growth {
  const mean = (of: (line: Line) => number) => lines.reduce((sum, line) => sum + of(line), 0) / lines.length;
  const [sky, lens] = [mean((line) => lengthOf(line.sky) ** 2), mean((line) => lengthOf(line.lens) ** 2)];
  const [skyError, lensError] = [mean((line) => line.skyError), mean((line) => line.lensError)];
  return {
    perSecond: rootOf(sky, skyError, LEAST_SHARE * Math.sqrt(sky)),
    lensPx: rootOf(lens, Math.hypot(lensError, OF_LENS * lens, blurError), 0.02),
  };
}

const FWHM = 2 * Math.sqrt(2 * Math.LN2);

/**
 * What a blur that is not quite known adds to the square of a length, px², in the mean over the pictures: `L² + 12σ²` is what was
 * seen, so that an error of σ comes back 24σ-fold.
 */
const blurErrorOf = (found: readonly StarsFound[]): number =>
  Math.sqrt(found.reduce((sum, { fwhmPx, fwhmError }) => sum + ((24 * fwhmPx * fwhmError) / FWHM ** 2) ** 2, 0)) /
  found.length;

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
  const blurError = blurErrorOf(sorted.map(({ found }) => found));
  return ok({
    pictures,
    centre: growthOf([lineOf(sorted.map(({ exposureS, found }) => seenOf(exposureS, found.centre)))], blurError),
    corner: growthOf(
      ([0, 1, 2, 3] as const).map((k) =>
        lineOf(sorted.map(({ exposureS, found }) => seenOf(exposureS, found.corners[k]))),
      ),
      blurError,
    ),
  });
}

/** The longest time at which a run of a size is not passed, s. */
export const timeFor = ({ lensPx, perSecond }: Growth, tolerancePx: number): number =>
  perSecond.value > 0 ? Math.sqrt(Math.max(0, tolerancePx ** 2 - lensPx.value ** 2)) / perSecond.value : Infinity;
