import { fail, ok, type Result } from '../../quantity/result';
import type { Sharpness } from './sharpness';

/** A frame of a series taken by hand. */
export interface HeldFrame extends Sharpness {
  exposureS: number;
}

/** Frames of one shutter time. */
export interface HeldTime {
  exposureS: number;
  frames: number;
  sharp: number;
}

export interface HandLimit {
  /** For each frame, in the order they came, whether it is sharp, and its sharpness as a share of the sharpest. */
  frames: { exposureS: number; sharp: boolean; share: number }[];
  times: HeldTime[];
  /** The longest time at which four of five frames come out sharp, s; nothing where the series does not reach it. */
  limitS: { value: number; plusMinus: number } | null;
  /** All were sharp: the limit is longer than this; none were: it is shorter. */
  beyond: 'longer' | 'shorter' | null;
}

/** A frame counts as sharp that keeps so much of the sharpest frame's fine structure. */
const SHARP_SHARE = 0.8;
/** So many of a hundred frames are to be sharp. */
export const WANTED_SHARE = 0.8;

const mixed = fail(
  'shake.mixed',
  'Some frames show an edge and some only texture: take all of them of the same thing, framed alike.',
  'picture',
);
const few = fail(
  'shake.few',
  'A series needs at least six frames at two shutter times or more: several at each, of the same thing.',
  'picture',
);

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

interface Falling {
  /** Where half are sharp, log2 s, and how fast the share falls, a doubling of the time. */
  middle: number;
  slope: number;
  covariance: [number, number, number];
}

/** Share of sharp frames over the logarithm of the time, falling: the likeliest curve with a mild wish for a usual slope. */
function falling(times: HeldTime[]): Falling {
  let [middle, slope] = [0, 2.5];
  const logs = times.map(({ exposureS }) => Math.log2(exposureS));
  middle = logs.reduce((a, b) => a + b, 0) / logs.length;
  const cost = (m: number, s: number): number =>
    times.reduce(
      (sum, { frames, sharp }, i) => {
        const p = Math.min(1 - 1e-6, Math.max(1e-6, logistic(-s * (logs[i]! - m))));
        return sum - sharp * Math.log(p) - (frames - sharp) * Math.log(1 - p);
      },
      ((Math.log(s) - Math.log(2.5)) / USUAL_SPREAD) ** 2 / 2,
    );
  // Two numbers: a search by halving steps is plain and safe.
  let [stepM, stepS] = [2, 0.5];
  let best = cost(middle, slope);
  for (let round = 0; round < 200 && stepM > 1e-4; round++) {
    const tries: [number, number][] = [
      [middle + stepM, slope],
      [middle - stepM, slope],
      [middle, slope * (1 + stepS)],
      [middle, slope / (1 + stepS)],
    ];
    const better = tries.map(([m, s]) => ({ m, s, cost: cost(m, s) })).sort((a, b) => a.cost - b.cost)[0]!;
    if (better.cost < best) [middle, slope, best] = [better.m, better.s, better.cost];
    else [stepM, stepS] = [stepM / 2, stepS / 2];
  }
  return { middle, slope, covariance: covarianceOf(times, logs, middle, slope) };
}

/** Standard deviation of the logarithm of a usual slope. */
const USUAL_SPREAD = 0.7;

/** Variance of the middle, covariance, variance of the slope's logarithm: the inverse of what the frames and the wish tell of both. */
function covarianceOf(times: HeldTime[], logs: number[], middle: number, slope: number): [number, number, number] {
  let [ofMiddle, ofBoth, ofSlope] = [1e-6, 0, 1 / USUAL_SPREAD ** 2];
  times.forEach(({ frames }, i) => {
    // p = 1/(1 + e^−z), z = −slope·(x − middle): dz/dmiddle = slope, dz/dln slope = z; each frame tells p(1 − p)·dz·dz.
    const z = -slope * (logs[i]! - middle);
    const told = frames * logistic(z) * (1 - logistic(z));
    ofMiddle += told * slope * slope;
    ofBoth += told * slope * z;
    ofSlope += told * z * z;
  });
  const det = ofMiddle * ofSlope - ofBoth * ofBoth;
  return [ofSlope / det, -ofBoth / det, ofMiddle / det];
}

/**
 * How long a person holds a camera still: the longest time at which four of five frames come out sharp, with this focal length
 * and stabiliser.
 *
 * @param held all frames of one thing, each with its shutter time
 */
export function handLimit(held: readonly HeldFrame[]): Result<HandLimit> {
  if (new Set(held.map(({ by }) => by)).size > 1) return mixed;
  if (held.length < 6 || new Set(held.map(({ exposureS }) => exposureS)).size < 2) return few;
  // The sharpest but one: a single lucky frame must not make all others soft.
  const best = [...held].sort((a, b) => b.value - a.value)[Math.min(1, held.length - 1)]!.value;
  const frames = held.map(({ exposureS, value }) => ({
    exposureS,
    share: Math.min(1, value / best),
    sharp: value >= SHARP_SHARE * best,
  }));
  const times = [...new Set(held.map(({ exposureS }) => exposureS))]
    .sort((a, b) => a - b)
    .map((exposureS): HeldTime => {
      const own = frames.filter((frame) => frame.exposureS === exposureS);
      return { exposureS, frames: own.length, sharp: own.filter(({ sharp }) => sharp).length };
    });
  if (frames.every(({ sharp }) => sharp)) return ok({ frames, times, limitS: null, beyond: 'longer' });
  const { middle, slope, covariance } = falling(times);
  const back = Math.log(WANTED_SHARE / (1 - WANTED_SHARE)) / slope;
  const at = middle - back;
  // d at = d middle + back · d ln slope.
  const error = Math.sqrt(covariance[0] + 2 * back * covariance[1] + back * back * covariance[2]);
  const value = 2 ** at;
  const shortest = times[0]!.exposureS;
  if (value < shortest / 2) return ok({ frames, times, limitS: null, beyond: 'shorter' });
  const [low, high] = [2 ** (at - 2 * error), 2 ** (at + 2 * error)];
  return ok({ frames, times, limitS: { value, plusMinus: Math.min(value, (high - low) / 2) }, beyond: null });
}
