import { inverseNormal, solveNormal } from '../leastSquares';
import { median } from '../smooth';
import type { Stroke } from './strokeFit';

/**
 * A smear as a pair that adds when independent smears follow on each other: L²·cos 2α and L²·sin 2α, px². Lengths do not:
 * the mean of noisy lengths is too long.
 */
export type Smear = [number, number];

export const smearOf = (vx: number, vy: number): Smear => [vx * vx - vy * vy, 2 * vx * vy];
export const lengthOf = ([a, b]: Smear): number => Math.sqrt(Math.hypot(a, b));
/** Degrees from +x towards +y, 0 to 180. */
export const directionOf = ([a, b]: Smear): number => ((Math.atan2(b, a) * 90) / Math.PI + 180) % 180;

/** What the sky alone would draw at a place, px². */
export type SmearOfSky = (x: number, y: number) => Smear;

/** A smooth field of smears over a picture, with its errors. */
export interface TrailField {
  /** The sky's smear at a place, with the lens's apart. */
  sky: (x: number, y: number) => Smear;
  lens: (x: number, y: number) => Smear;
  /** Standard error of each part of the whole at a place, px². */
  error: (x: number, y: number) => number;
  /** Measured ÷ predicted length, with its standard error; nothing without a prediction. */
  factor: { value: number; error: number } | null;
  /** Stars that spoke for it. */
  used: number;
}

interface Row {
  a: number[];
  b: number[];
  smear: Smear;
  weight: number;
}

export const OUTLIER = 4.5;

/** Rows of the two parts of a smear for each parameter, at x and y from −1 to 1. */
type Design = (x: number, y: number) => { a: number[]; b: number[] };

/** Faults of a lens that lie along the radius: growing with r² and r⁴ as squared lengths do, so that they start from nothing. */
function radial(x: number, y: number): { a: number[]; b: number[] } {
  const r2 = x * x + y * y;
  const turn = 2 * Math.atan2(y, x);
  const sizes = [r2, r2 * r2];
  return { a: sizes.map((size) => size * Math.cos(turn)), b: sizes.map((size) => size * Math.sin(turn)) };
}

/** One round of weighted least squares, and how far each row is from it in its own errors. */
function once(rows: readonly Row[], weights: Float64Array, count: number) {
  const normal = Array.from({ length: count }, () => new Float64Array(count));
  const right = new Float64Array(count);
  rows.forEach(({ a, b, smear }, row) => {
    const weight = weights[row]!;
    for (let i = 0; i < count; i++) {
      right[i] = right[i]! + weight * (a[i]! * smear[0] + b[i]! * smear[1]);
      for (let j = 0; j < count; j++) normal[i]![j] = normal[i]![j]! + weight * (a[i]! * a[j]! + b[i]! * b[j]!);
    }
  });
  for (let i = 0; i < count; i++) normal[i]![i] = normal[i]![i]! * (1 + 1e-9) + 1e-12;
  const terms = solveNormal(normal, right);
  if (!terms) return null;
  const offs = rows.map(({ a, b, smear, weight }) => {
    let [da, db] = [smear[0], smear[1]];
    for (let i = 0; i < count; i++) {
      da -= a[i]! * terms[i]!;
      db -= b[i]! * terms[i]!;
    }
    return Math.hypot(da, db) * Math.sqrt(weight);
  });
  return { terms, normal, offs };
}

/** Of two normal numbers the middle length is 1.177 deviations. */
export const deviationOf = (offs: readonly number[]): number => Math.max(0.3, median(offs) / 1.177);

/** Rounds in which what strays weighs the less the farther off it is, and what strays two deviations half. */
export const SOFT_ROUNDS = 8;
export const softer = (weight: number, off: number, deviation: number): number =>
  weight / (1 + (off / (2 * deviation)) ** 2);

/** Weighted least squares: first what most of the rows say, then of those that agree with it all there is. */
function solved(rows: Row[], count: number): { terms: Float64Array; inverse: Float64Array[]; used: number } | null {
  let weights = Float64Array.from(rows, ({ weight }) => weight);
  let offs: number[] = [];
  for (let round = 0; round < SOFT_ROUNDS; round++) {
    const fit = once(rows, weights, count);
    if (!fit) return null;
    offs = fit.offs;
    const deviation = deviationOf(offs);
    weights = Float64Array.from(rows, ({ weight }, i) => softer(weight, fit.offs[i]!, deviation));
  }
  const limit = OUTLIER * deviationOf(offs);
  const kept = rows.filter((_, i) => offs[i]! < limit);
  if (kept.length < count) return null;
  const fit = once(
    kept,
    Float64Array.from(kept, ({ weight }) => weight),
    count,
  );
  const inverse = fit && inverseNormal(fit.normal);
  if (!fit || !inverse) return null;
  const deviation = deviationOf(fit.offs);
  return { terms: fit.terms, inverse: inverse.map((row) => row.map((v) => v * deviation ** 2)), used: kept.length };
}

/** Weight of a stroke's smear: what its own fit says, and what a model of the field never meets: half a hundredth of a length. */
export function weightOf({ vx, vy, vxVariance, vyVariance, covariance }: Stroke): number {
  const l2 = vx * vx + vy * vy;
  const along = (vx * vx * vxVariance + 2 * vx * vy * covariance + vy * vy * vyVariance) / Math.max(1e-9, l2);
  const own = 4 * l2 * Math.max(along, 1e-6) + 2 * (vxVariance + vyVariance) ** 2;
  return 1 / (own + (0.01 * l2 + 0.02) ** 2);
}

/** The smears of all stars as a prediction draws them, in a size and turn of their own, with faults of the lens along the radius. */
export function trailField(
  strokes: readonly Stroke[],
  width: number,
  height: number,
  sky: SmearOfSky,
): TrailField | null {
  const half = Math.hypot(width, height) / 2;
  const unit = (x: number, y: number): [number, number] => [
    (x - (width - 1) / 2) / half,
    (y - (height - 1) / 2) / half,
  ];
  const lensAt = (x: number, y: number) => radial(...unit(x, y));
  const skyAt: Design = (x, y) => {
    const [p, q] = sky(x, y);
    // Times a size, and turned: both linear for a small turn.
    return { a: [p, -q], b: [q, p] };
  };
  const withLens = strokes.length >= 12;
  const design: Design = (x, y) => {
    const own = skyAt(x, y);
    if (!withLens) return own;
    const faults = lensAt(x, y);
    return { a: [...own.a, ...faults.a], b: [...own.b, ...faults.b] };
  };
  const rows = strokes.map((stroke) => ({
    ...design(stroke.x, stroke.y),
    smear: smearOf(stroke.vx, stroke.vy),
    weight: weightOf(stroke),
  }));
  const skyCount = skyAt(0, 0).a.length;
  const count = design(0, 0).a.length;
  if (rows.length < Math.max(3, count / 2)) return null;
  const fit = solved(rows, count);
  if (!fit) return null;
  const part =
    (from: number, to: number) =>
    (x: number, y: number): Smear => {
      const { a, b } = design(x, y);
      let [p, q] = [0, 0];
      for (let i = from; i < to; i++) {
        p += a[i]! * fit.terms[i]!;
        q += b[i]! * fit.terms[i]!;
      }
      return [p, q];
    };
  const error = (x: number, y: number): number => {
    const { a, b } = design(x, y);
    const variance = (row: number[]) =>
      row.reduce(
        (sum, each, i) => sum + row.reduce((inner, other, j) => inner + each * other * fit.inverse[i]![j]!, 0),
        0,
      );
    return Math.sqrt(Math.max(0, variance(a) + variance(b)) / 2);
  };
  const size = Math.sqrt(Math.hypot(fit.terms[0]!, fit.terms[1]!));
  return {
    sky: part(0, skyCount),
    lens: part(skyCount, count),
    error,
    factor: { value: size, error: Math.sqrt(fit.inverse[0]![0]!) / (2 * Math.max(0.05, size)) },
    used: fit.used,
  };
}
