import { inverseNormal, solveNormal } from '../leastSquares';
import { median } from '../smooth';
import type { Stroke } from './strokeFit';
import {
  OUTLIER,
  SOFT_ROUNDS,
  deviationOf,
  smearOf,
  softer,
  weightOf,
  type Smear,
  type TrailField,
} from './trailField';

/** A stroke's smear at its place, from −1 to 1 over half of the diagonal. */
interface Seen {
  u: number;
  v: number;
  smear: Smear;
  weight: number;
}

/**
 * What a camera that stands still sees of a sky that turns, to the second order of any lens that is alike all round:
 * [run in the middle along x and y, turn about the middle, how that run grows outwards, how much more so along the radius], and
 * faults of the lens along the radius growing with r² and r⁴. A lens that keeps straight lines straight has none of the fourth,
 * and of the fifth the square of half the diagonal over the focal length.
 */
type Turn = Float64Array;

/** What is believed of each before anything was seen, as deviations from nothing; of the last no lens has more than that. */
const BELIEVED = [Infinity, Infinity, Infinity, 0.2, 1.5, Infinity, Infinity];

/** So many strokes carry a level, a turn of the sky, and all of it. */
const FOR_TURN = 8;
const FOR_ALL = 14;

/** The vector a star draws at a place, and what each of the first five numbers does to it. */
function runAt([ax, ay, c, alpha, beta]: readonly number[], u: number, v: number) {
  const r2 = u * u + v * v;
  const along = ax! * u + ay! * v;
  return {
    vx: ax! * (1 + alpha! * r2) + beta! * u * along + c! * v,
    vy: ay! * (1 + alpha! * r2) + beta! * v * along - c! * u,
    dx: [1 + alpha! * r2 + beta! * u * u, beta! * u * v, v, ax! * r2, u * along],
    dy: [beta! * u * v, 1 + alpha! * r2 + beta! * v * v, -u, ay! * r2, v * along],
  };
}

/** What a lens's faults along the radius add to the smear. */
function faultAt([, , , , , k2, k4]: readonly number[], u: number, v: number): Smear {
  const fault = k2! + k4! * (u * u + v * v);
  return [fault * (u * u - v * v), fault * 2 * u * v];
}

function shown(turn: Turn, { u, v }: Pick<Seen, 'u' | 'v'>): { smear: Smear; slopes: [Float64Array, Float64Array] } {
  const numbers = Array.from(turn);
  const { vx, vy, dx, dy } = runAt(numbers, u, v);
  const [p, q] = smearOf(vx, vy);
  const [faultP, faultQ] = faultAt(numbers, u, v);
  const r2 = u * u + v * v;
  const [zz, zw] = [u * u - v * v, 2 * u * v];
  return {
    smear: [p + faultP, q + faultQ],
    slopes: [
      Float64Array.from([...dx.map((_, i) => 2 * (vx * dx[i]! - vy * dy[i]!)), zz, r2 * zz]),
      Float64Array.from([...dx.map((_, i) => 2 * (vy * dx[i]! + vx * dy[i]!)), zw, r2 * zw]),
    ],
  };
}

const costOf = (turn: Turn, seen: readonly Seen[], free: readonly number[]): number =>
  seen.reduce((sum, each) => {
    const { smear } = shown(turn, each);
    return sum + each.weight * ((each.smear[0] - smear[0]) ** 2 + (each.smear[1] - smear[1]) ** 2);
  }, 0) + free.reduce((sum, i) => sum + (turn[i]! / BELIEVED[i]!) ** 2, 0);

/** The equations of one step: what is free, towards what was seen. */
function equations(turn: Turn, seen: readonly Seen[], free: readonly number[]) {
  const normal = free
    .map((i) => free.map((j) => (i === j ? 1 / BELIEVED[i]! ** 2 + 1e-12 : 0)))
    .map((row) => Float64Array.from(row));
  const right = Float64Array.from(free, (i) => -turn[i]! / BELIEVED[i]! ** 2);
  for (const each of seen) {
    const { smear, slopes } = shown(turn, each);
    for (const part of [0, 1] as const) {
      const off = each.smear[part] - smear[part];
      free.forEach((i, at) => {
        const slope = each.weight * slopes[part][i]!;
        right[at] = right[at]! + slope * off;
        free.forEach((j, to) => (normal[at]![to] = normal[at]![to]! + slope * slopes[part][j]!));
      });
    }
  }
  return { normal, right };
}

const STEPS = 40;

/** Steps towards least squares, shorter ones where the whole step makes it worse. */
function settled(start: Turn, seen: readonly Seen[], free: readonly number[]): { turn: Turn; cost: number } | null {
  let [turn, cost, damping] = [start, costOf(start, seen, free), 1e-3];
  for (let i = 0; i < STEPS && damping < 1e8; i++) {
    const { normal, right } = equations(turn, seen, free);
    normal.forEach((row, at) => (row[at] = row[at]! * (1 + damping)));
    const step = solveNormal(normal, right);
    if (!step) return null;
    const next = Float64Array.from(turn);
    free.forEach((k, at) => (next[k] = next[k]! + step[at]!));
    const nextCost = costOf(next, seen, free);
    if (!(nextCost < cost)) {
      damping *= 10;
      continue;
    }
    const done = cost - nextCost < 1e-9 * cost;
    [turn, cost, damping] = [next, nextCost, damping / 10];
    if (done) break;
  }
  return { turn, cost };
}

/** From turns about the middle of either sense, as strokes do not say which of their ends came first. */
function bestOf(seen: readonly Seen[], free: readonly number[], from: Turn | null) {
  const run = median(seen.map(({ smear }) => Math.sqrt(Math.hypot(...smear))));
  const [p, q] = [0, 1].map((part) => median(seen.map(({ smear }) => smear[part]!))) as Smear;
  const length = Math.sqrt(Math.hypot(p, q));
  const direction = Math.atan2(q, p) / 2;
  const starts = from
    ? [from]
    : [0, run, -run].map((c) =>
        Float64Array.from([
          length * Math.cos(direction),
          length * Math.sin(direction),
          free.includes(2) ? c : 0,
          0,
          0,
          0,
          0,
        ]),
      );
  return starts
    .map((start) => settled(start, seen, free))
    .filter((each) => each !== null)
    .sort((a, b) => a.cost - b.cost)[0];
}

/** How far each stroke is from what a turn says, in its own errors, and the deviation of the middle ones. */
function strayOf(turn: Turn, seen: readonly Seen[]): { offs: number[]; deviation: number } {
  const offs = seen.map((each) => {
    const { smear } = shown(turn, each);
    return Math.hypot(each.smear[0] - smear[0], each.smear[1] - smear[1]) * Math.sqrt(each.weight);
  });
  return { offs, deviation: deviationOf(offs) };
}

/** The turn most strokes share: what strays weighs the less the farther off it is, so that what ran its own way has no say. */
function steadyTurn(all: readonly Seen[], free: readonly number[]): Turn | null {
  let turn: Turn | null = null;
  let weighed: readonly Seen[] = all;
  for (let round = 0; round < SOFT_ROUNDS; round++) {
    const best = bestOf(weighed, free, round < 3 ? null : turn);
    if (!best) return null;
    turn = best.turn;
    const { offs, deviation } = strayOf(turn, all);
    weighed = all.map((each, i) => ({ ...each, weight: softer(each.weight, offs[i]!, deviation) }));
  }
  return turn;
}

/** Sum of squares of a row by the errors of what is free. */
function varianceOf(row: ArrayLike<number>, free: readonly number[], inverse: readonly Float64Array[]): number {
  let sum = 0;
  free.forEach((i, at) => free.forEach((j, to) => (sum += (row[i] ?? 0) * (row[j] ?? 0) * inverse[at]![to]!)));
  return Math.max(0, sum);
}

/**
 * How far stars run over a picture of which nothing is known: by the one turn of the sky that all strokes share. It takes five
 * numbers where a surface takes twelve, and is right to the corners of a wide lens.
 *
 * @returns nothing where there are too few strokes
 */
export function turnOfSky(strokes: readonly Stroke[], width: number, height: number): TrailField | null {
  const half = Math.hypot(width, height) / 2;
  const unit = (x: number, y: number) => ({ u: (x - (width - 1) / 2) / half, v: (y - (height - 1) / 2) / half });
  const all = strokes.map((stroke): Seen => ({
    ...unit(stroke.x, stroke.y),
    smear: smearOf(stroke.vx, stroke.vy),
    weight: weightOf(stroke),
  }));
  if (all.length < 3) return null;
  const free = all.length >= FOR_ALL ? [0, 1, 2, 3, 4, 5, 6] : all.length >= FOR_TURN ? [0, 1, 2] : [0, 1];
  const turn = steadyTurn(all, free);
  if (!turn) return null;
  const { offs, deviation } = strayOf(turn, all);
  const kept = all.filter((_, i) => offs[i]! < OUTLIER * deviation);
  const best = kept.length > free.length / 2 ? settled(turn, kept, free) : null;
  const inverse = best && inverseNormal(equations(best.turn, kept, free).normal);
  if (!inverse) return null;
  const numbers = Array.from(best.turn);
  const spread = strayOf(best.turn, kept).deviation ** 2;
  return {
    sky: (x, y) => {
      const { vx, vy } = runAt(numbers, unit(x, y).u, unit(x, y).v);
      return smearOf(vx, vy);
    },
    lens: (x, y) => faultAt(numbers, unit(x, y).u, unit(x, y).v),
    error: (x, y) => {
      const { u, v } = unit(x, y);
      const { slopes } = shown(best.turn, { u, v });
      const { dx, dy } = runAt(numbers, u, v);
      const half2 = (rows: readonly ArrayLike<number>[]) =>
        (spread * rows.reduce((sum, row) => sum + varianceOf(row, free, inverse), 0)) / 2;
      // Of a square: twice the length times its error, and where it is nothing the square of that error.
      return Math.sqrt(half2(slopes)) + half2([dx, dy]);
    },
    factor: null,
    used: kept.length,
  };
}
