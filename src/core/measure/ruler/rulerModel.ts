import { inverseNormal, solveNormal } from '../leastSquares';
import { robustDeviation } from '../smooth';

/** A tick seen at a place: px along and across from the picture's middle, with its number. */
export interface TickPoint {
  n: number;
  s: number;
  t: number;
}

/**
 * How the numbers of the ticks lie over the picture: N = (aS + bT + c + k(N − c)r²) / (1 + gS + hT), with S and T in half
 * widths of the picture, g and h for perspective, k for the lens's distortion.
 */
export interface RulerModel {
  /** [a, b, c, g, h, k] */
  terms: Float64Array;
  /** Half the picture's longer side, px: what S, T and r are counted in. */
  unitPx: number;
  /** Robust deviation of the ticks from the model, ticks. */
  scatter: number;
  points: TickPoint[];
  /** Covariance of the terms, by how the ticks scatter and what the priors leave open: tells the size. */
  covariance: Float64Array[];
  /** The same from the scores of each tick: a tick off its place does not turn the others, so this tells the direction. */
  covarianceByTick: Float64Array[];
}

const TERMS = 6;
/** How large perspective (a few per cent) and distortion (0.4 %) are expected to be, over half the picture. */
const PERSPECTIVE = 0.05;
const DISTORTION = 0.004;
/** Farther off than this many deviations a tick is something else. */
const OUTLIER = 3.5;
const ROUNDS = 6;

function rowOf({ n, s, t }: TickPoint, unitPx: number, c: number, row: Float64Array): void {
  const S = s / unitPx;
  const T = t / unitPx;
  row[0] = S;
  row[1] = T;
  row[2] = 1;
  row[3] = -n * S;
  row[4] = -n * T;
  row[5] = (n - c) * (S * S + T * T);
}

/** What the priors add to the normal equations: g, h and k are near nothing, by so much. Points are known by a variance. */
const priorOf = (variance: number): Float64Array =>
  Float64Array.from([0, 0, 0, variance / PERSPECTIVE ** 2, variance / PERSPECTIVE ** 2, variance / DISTORTION ** 2]);

/** Terms that bend a row of numbers: what they have taken up does not show in the residuals any more. */
const BENDING = 4;

/**
 * How badly a point is known where it counts as one of many that are independent: a tick that stands off its place does so in
 * all strips, so its points together tell no more than one.
 */
function varianceOf(points: TickPoint[], model: Pick<RulerModel, 'terms' | 'unitPx'>): number {
  const byTick = new Map<number, { sum: number; squares: number; count: number }>();
  for (const point of points) {
    const off = residual(model, point);
    const tick = byTick.get(point.n) ?? { sum: 0, squares: 0, count: 0 };
    byTick.set(point.n, { sum: tick.sum + off, squares: tick.squares + off * off, count: tick.count + 1 });
  }
  let apart = 0;
  let within = 0;
  for (const { sum, squares, count } of byTick.values()) {
    apart += (sum / count) ** 2;
    within += squares - (sum * sum) / count;
  }
  const ticks = byTick.size;
  const perTick = points.length / ticks;
  return Math.max(within / points.length, (perTick * apart) / Math.max(1, ticks - BENDING));
}

function normalOf(points: TickPoint[], unitPx: number, c: number, prior: Float64Array) {
  const normal = Array.from({ length: TERMS }, () => new Float64Array(TERMS));
  const right = new Float64Array(TERMS);
  const row = new Float64Array(TERMS);
  for (const point of points) {
    rowOf(point, unitPx, c, row);
    for (let i = 0; i < TERMS; i++) {
      right[i] = right[i]! + row[i]! * point.n;
      for (let j = 0; j < TERMS; j++) normal[i]![j] = normal[i]![j]! + row[i]! * row[j]!;
    }
  }
  for (let i = 0; i < TERMS; i++) normal[i]![i] = normal[i]![i]! + prior[i]! + 1e-12;
  return { normal, right };
}

/** The terms by their letters. */
const named = (terms: Float64Array) => ({
  a: terms[0]!,
  b: terms[1]!,
  c: terms[2]!,
  g: terms[3]!,
  h: terms[4]!,
  k: terms[5]!,
});

/** The number a model gives to a place, px from the picture's middle. */
export function numberAt({ terms, unitPx }: Pick<RulerModel, 'terms' | 'unitPx'>, s: number, t: number): number {
  const S = s / unitPx;
  const T = t / unitPx;
  const { a, b, c, g, h, k } = named(terms);
  const bend = k * (S * S + T * T);
  return (a * S + b * T + c - c * bend) / (1 + g * S + h * T - bend);
}

/** Where along the direction a number lies, px from the picture's middle, at a height across it. */
export function placeOfNumber({ terms, unitPx }: Pick<RulerModel, 'terms' | 'unitPx'>, n: number, t: number): number {
  const T = t / unitPx;
  const { a, b, c, g, h, k } = named(terms);
  let S = (n - c - b * T) / a;
  for (let i = 0; i < 4; i++) S = (n * (1 + h * T) - b * T - c - k * (n - c) * (S * S + T * T)) / (a - n * g);
  return S * unitPx;
}

const residual = (model: Pick<RulerModel, 'terms' | 'unitPx'>, { n, s, t }: TickPoint): number =>
  numberAt(model, s, t) - n;

function covarianceByTick(
  points: TickPoint[],
  { terms, unitPx }: Pick<RulerModel, 'terms' | 'unitPx'>,
  prior: Float64Array,
  inverse: Float64Array[],
) {
  // Residuals of one tick are one fault of printing, seen in many strips: their scores are added up before they are squared.
  const scores = new Map<number, Float64Array>();
  const row = new Float64Array(TERMS);
  for (const point of points) {
    rowOf(point, unitPx, terms[2]!, row);
    const off = residual({ terms, unitPx }, point);
    const score = scores.get(point.n) ?? new Float64Array(TERMS);
    for (let i = 0; i < TERMS; i++) score[i] = score[i]! + row[i]! * off;
    scores.set(point.n, score);
  }
  const middle = Array.from({ length: TERMS }, (_, i) => {
    const line = new Float64Array(TERMS);
    line[i] = prior[i]! ** 2 * (i < 3 ? 0 : i < 5 ? PERSPECTIVE ** 2 : DISTORTION ** 2);
    return line;
  });
  for (const score of scores.values())
    for (let i = 0; i < TERMS; i++)
      for (let j = 0; j < TERMS; j++) middle[i]![j] = middle[i]![j]! + score[i]! * score[j]!;
  const ticks = scores.size;
  // Few ticks: their own scatter is known badly, and the terms have used some of it up.
  const few = ticks / Math.max(1, ticks - 3);
  const times = (x: Float64Array[], y: Float64Array[]) =>
    x.map((line) => Float64Array.from(line, (_, j) => line.reduce((sum, value, l) => sum + value * y[l]![j]!, 0)));
  return times(times(inverse, middle), inverse).map((line) => line.map((value) => value * few));
}

/**
 * Fits the numbers of ticks over the picture by least squares, repeated without what lies off by more than 3.5 robust
 * deviations. Numbers have no error of their own, places have: so the numbers are fitted.
 *
 * @param halfPx half the picture's longer side
 * @returns nothing when fewer than four ticks are left
 */
export function fitRuler(all: TickPoint[], halfPx: number): RulerModel | null {
  let points = all;
  let scatter = 0.02;
  let variance = scatter ** 2;
  let terms = new Float64Array(TERMS);
  for (let round = 0; round < ROUNDS; round++) {
    if (new Set(points.map(({ n }) => n)).size < 4) return null;
    const { normal, right } = normalOf(points, halfPx, terms[2]!, priorOf(variance));
    const solved = solveNormal(normal, right);
    if (!solved || !(Math.abs(solved[0]!) > 0)) return null;
    terms = Float64Array.from(solved);
    const model = { terms, unitPx: halfPx };
    const off = all.map((point) => residual(model, point));
    scatter = Math.max(1e-4, robustDeviation(off, 0));
    variance = Math.max(1e-8, varianceOf(points, model));
    const kept = all.filter((_, i) => Math.abs(off[i]!) <= Math.max(0.004, OUTLIER * scatter));
    if (kept.length === points.length && round > 2) break;
    points = kept;
  }
  const model = { terms, unitPx: halfPx };
  const prior = priorOf(variance);
  const inverse = inverseNormal(normalOf(points, halfPx, terms[2]!, prior).normal);
  if (!inverse) return null;
  const covariance = inverse.map((line) => line.map((value) => value * variance));
  return { ...model, scatter, points, covariance, covarianceByTick: covarianceByTick(points, model, prior, inverse) };
}

/** Ticks a px at the picture's middle, [along, across] the direction that S runs in. */
function gradientOf(terms: Float64Array, unitPx: number): [number, number] {
  const { a, b, c, g, h } = named(terms);
  return [(a - c * g) / unitPx, (b - c * h) / unitPx];
}

/** Ticks a px at the picture's middle and how the ticks' normal stands to the direction, each with its standard error. */
export function middleOf({ terms, unitPx, covariance, covarianceByTick: byTick }: RulerModel) {
  const values = (of: Float64Array): [number, number] => {
    const [along, across] = gradientOf(of, unitPx);
    return [Math.hypot(along, across), Math.atan2(across, along)];
  };
  const [ticksPerPx, turnRad] = values(terms);
  const slopes = Array.from(terms, (value, i) => {
    const step = Math.max(1e-6, Math.abs(value) * 1e-5);
    const moved = Float64Array.from(terms);
    moved[i] = value + step;
    const [more, turned] = values(moved);
    return [(more - ticksPerPx) / step, (turned - turnRad) / step] as const;
  });
  const error = (which: 0 | 1, of: Float64Array[]): number => {
    let sum = 0;
    for (let i = 0; i < TERMS; i++)
      for (let j = 0; j < TERMS; j++) sum += slopes[i]![which] * of[i]![j]! * slopes[j]![which];
    return Math.sqrt(Math.max(0, sum));
  };
  return { ticksPerPx, turnRad, ticksPerPxError: error(0, covariance), turnRadError: error(1, byTick) };
}
