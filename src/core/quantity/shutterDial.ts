import { formatFigures, formatFixed } from './format';

/** Shutter speeds as cameras mark them, in thirds of a stop: 1/x for those below half a second, then seconds. */
const FRACTIONS = [
  32000, 25600, 20000, 16000, 12800, 10000, 8000, 6400, 5000, 4000, 3200, 2500, 2000, 1600, 1250, 1000, 800, 640, 500,
  400, 320, 250, 200, 160, 125, 100, 80, 60, 50, 40, 30, 25, 20, 15, 13, 10, 8, 6, 5, 4, 3, 2.5,
];
const WHOLE = [0.5, 0.6, 0.8, 1, 1.3, 1.6, 2, 2.5, 3.2, 4, 5, 6, 8, 10, 13, 15, 20, 25, 30];
/** The same in s, rising. */
export const DIAL_S: readonly number[] = [...FRACTIONS.map((each) => 1 / each), ...WHOLE];

/** Half stops and exact powers of two are marked otherwise: 1/90, 1/45; 1/64 is written 1/60. */
const SAME_STOPS = 0.12;

const nearestMark = (seconds: number): number =>
  DIAL_S.reduce((best, mark) =>
    Math.abs(Math.log2(mark / seconds)) < Math.abs(Math.log2(best / seconds)) ? mark : best,
  );

const written = (seconds: number): string =>
  seconds < 0.45 ? `1/${formatFixed(Number((1 / seconds).toPrecision(3)))}` : formatFigures(seconds, 3);

/**
 * A shutter speed that was set, as the camera marks it: 1/125 s, also where the file says 1/128. What lies between the marks is
 * written as it is.
 */
export function dialText(seconds: number): string {
  const mark = nearestMark(seconds);
  const text = Math.abs(Math.log2(mark / seconds)) <= SAME_STOPS ? written(mark) : written(seconds);
  return `${text}\u202fs`;
}

/**
 * The mark to set for a longest time: the slowest that is no longer than it.
 *
 * @param fastestS the fastest the camera has, s
 * @returns null where even that is too long
 */
export function markWithin(longestS: number, fastestS = DIAL_S[0]!): number | null {
  const within = DIAL_S.filter((mark) => mark <= longestS * 1.001 && mark >= fastestS * 0.999);
  return within[within.length - 1] ?? null;
}

/** Of a body whose fastest shutter speed is not entered: what most have with their own shutter, s. */
export const USUAL_FASTEST_S = 1 / 8000;

/** The fastest shutter speed of a body, s. */
export const fastestOf = ({ fastestShutterPerS }: { fastestShutterPerS?: number | undefined }): number =>
  fastestShutterPerS === undefined ? USUAL_FASTEST_S : 1 / fastestShutterPerS;
