import { inverseNormal, solveNormal } from '../leastSquares';
import type { SkyLight } from './skyLight';
import type { StarPlace } from './starPlaces';

/** A star's stroke: a straight line of even light, blurred by a Gaussian. */
export interface Stroke {
  x: number;
  y: number;
  /** The stroke as a vector, px; its two directions are the same stroke. */
  vx: number;
  vy: number;
  /** Variance of each part of the vector, px². */
  vxVariance: number;
  vyVariance: number;
  covariance: number;
  /** Blur, standard deviation, px. */
  sigma: number;
  sigmaError: number;
  /** All of its light, and the noise of it. */
  flux: number;
  snr: number;
  /** How the remains compare with the noise: 1 when the model is right. */
  misfit: number;
  /** Part of it was as bright as the file goes. */
  saturated: boolean;
}

/** What is fitted of a picture. */
export interface StarField {
  light: Float32Array;
  labels: Int32Array;
  width: number;
  height: number;
  sky: SkyLight;
  /** Light that the file holds at most, without the sky. */
  full: number;
}

interface Stamp {
  dx: Float64Array;
  dy: Float64Array;
  light: Float64Array;
  /** Pixels of the star itself: there its own noise counts. */
  count: number;
  saturated: boolean;
}

const STAMP_MARGIN = 5;
const LARGEST_STAMP = 60;

/** The pixels about a star, without those of its neighbours and those that are full. */
function stampOf({ light, labels, width, height, full }: StarField, place: StarPlace): Stamp {
  const [cx, cy] = [Math.round(place.x), Math.round(place.y)];
  const rx = Math.min(LARGEST_STAMP, Math.ceil(place.reachX) + STAMP_MARGIN);
  const ry = Math.min(LARGEST_STAMP, Math.ceil(place.reachY) + STAMP_MARGIN);
  const room = (2 * rx + 1) * (2 * ry + 1);
  const [dx, dy, own] = [new Float64Array(room), new Float64Array(room), new Float64Array(room)];
  let count = 0;
  let saturated = false;
  for (let y = Math.max(0, cy - ry); y <= Math.min(height - 1, cy + ry); y++)
    for (let x = Math.max(0, cx - rx); x <= Math.min(width - 1, cx + rx); x++) {
      const at = y * width + x;
      if (labels[at] && labels[at] !== place.label) continue;
      if (light[at]! >= full) {
        saturated = true;
        continue;
      }
      dx[count] = x - place.x;
      dy[count] = y - place.y;
      own[count] = light[at]!;
      count++;
    }
  return { dx, dy, light: own, count, saturated };
}

/**
 * The error integral of z/√2. Source: Abramowitz and Stegun 7.1.26, to 1.5e-7.
 *
 * @param bell exp(−z²/2), which the caller has
 */
function erfOf(z: number, bell: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(z) * Math.SQRT1_2);
  const poly = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t;
  const value = 1 - poly * bell;
  return z < 0 ? -value : value;
}

const ROOT2PI = Math.sqrt(2 * Math.PI);

/** Light, place, vector, ground, blur: in this order. */
const [FLUX, X, Y, VX, VY, GROUND, SIGMA] = [0, 1, 2, 3, 4, 5, 6];

/**
 * The light of a stroke at a pixel, and its slopes by each of its numbers.
 *
 * With u along and w across it: F/(2L)·[erf((u + L/2)/√2σ) − erf((u − L/2)/√2σ)]·g(w), where g is a Gaussian.
 */
function strokeAt(p: Float64Array, dx: number, dy: number, slopes: Float64Array): number {
  const length = Math.max(1e-3, Math.hypot(p[VX]!, p[VY]!));
  const [c, s] = [p[VX]! / length, p[VY]! / length];
  const sigma = p[SIGMA]!;
  const [ax, ay] = [dx - p[X]!, dy - p[Y]!];
  const u = ax * c + ay * s;
  const w = -ax * s + ay * c;
  const [plus, minus] = [(u + length / 2) / sigma, (u - length / 2) / sigma];
  const across = Math.exp((-w * w) / (2 * sigma * sigma)) / (ROOT2PI * sigma);
  const bellPlus = Math.exp((-plus * plus) / 2);
  const bellMinus = Math.exp((-minus * minus) / 2);
  const [gPlus, gMinus] = [bellPlus / ROOT2PI, bellMinus / ROOT2PI];
  const along =
    length < 0.05 * sigma
      ? Math.exp((-u * u) / (2 * sigma * sigma)) / (ROOT2PI * sigma)
      : (erfOf(plus, bellPlus) - erfOf(minus, bellMinus)) / (2 * length);
  const flux = p[FLUX]!;
  // Slopes of the part along it by u, by L, by σ; short strokes by the series, where differences would vanish.
  const short = length < 0.05 * sigma;
  const alongU = short ? (-u / sigma ** 2) * along : (gPlus - gMinus) / (length * sigma);
  const alongL = short
    ? (length / 12) * ((u * u) / sigma ** 4 - 1 / sigma ** 2) * along
    : -along / length + (gPlus + gMinus) / (2 * sigma * length);
  const alongSigma = short
    ? along * ((u * u) / sigma ** 3 - 1 / sigma)
    : -(gPlus * plus - gMinus * minus) / (length * sigma);
  const acrossW = (-w / sigma ** 2) * across;
  const acrossSigma = across * ((w * w) / sigma ** 3 - 1 / sigma);
  const shape = along * across;
  const byU = flux * alongU * across;
  const byW = flux * along * acrossW;
  slopes[FLUX] = shape;
  slopes[X] = -byU * c + byW * s;
  slopes[Y] = -byU * s - byW * c;
  // Turning the vector by its own unit moves u by w/L and w by −u/L.
  const byTurn = (byU * w - byW * u) / length;
  const byL = flux * alongL * across;
  slopes[VX] = byL * c - byTurn * s;
  slopes[VY] = byL * s + byTurn * c;
  slopes[GROUND] = 1;
  slopes[SIGMA] = flux * (alongSigma * across + along * acrossSigma);
  return flux * shape + p[GROUND]!;
}

/** Moments of a stamp: a first guess of place and stroke. */
function guessOf(stamp: Stamp, sigma: number, noise: number): Float64Array {
  let [all, mx, my] = [0, 0, 0];
  for (let i = 0; i < stamp.count; i++) {
    const value = Math.max(0, stamp.light[i]! - 2 * noise);
    all += value;
    mx += value * stamp.dx[i]!;
    my += value * stamp.dy[i]!;
  }
  all = Math.max(all, noise);
  [mx, my] = [mx / all, my / all];
  let [xx, xy, yy] = [0, 0, 0];
  for (let i = 0; i < stamp.count; i++) {
    const value = Math.max(0, stamp.light[i]! - 2 * noise) / all;
    xx += value * (stamp.dx[i]! - mx) ** 2;
    xy += value * (stamp.dx[i]! - mx) * (stamp.dy[i]! - my);
    yy += value * (stamp.dy[i]! - my) ** 2;
  }
  const turn = 0.5 * Math.atan2(2 * xy, xx - yy);
  const length = Math.sqrt(12 * Math.max(0.05, Math.hypot(xx - yy, 2 * xy)));
  return Float64Array.of(all, mx, my, length * Math.cos(turn), length * Math.sin(turn), 0, sigma);
}

const ROUNDS = 25;

/** Weighted squares of what remains, with the normal equations. */
function remains(
  stamp: Stamp,
  p: Float64Array,
  free: number,
  variance: (light: number) => number,
  normal: Float64Array[],
  right: Float64Array,
): number {
  const slopes = new Float64Array(7);
  let squares = 0;
  normal.forEach((row) => row.fill(0));
  right.fill(0);
  for (let i = 0; i < stamp.count; i++) {
    const model = strokeAt(p, stamp.dx[i]!, stamp.dy[i]!, slopes);
    const off = stamp.light[i]! - model;
    const weight = 1 / variance(Math.max(0, model - p[GROUND]!));
    squares += weight * off * off;
    for (let a = 0; a < free; a++) {
      const row = normal[a]!;
      const own = weight * slopes[a]!;
      right[a] = right[a]! + own * off;
      for (let b = 0; b <= a; b++) row[b] = row[b]! + own * slopes[b]!;
    }
  }
  for (let a = 0; a < free; a++) for (let b = 0; b < a; b++) normal[b]![a] = normal[a]![b]!;
  return squares;
}

/**
 * Fits a stroke to a star by Levenberg's and Marquardt's method.
 *
 * @param sigma blur of the field there, px; where it is not yet known it is a guess and is fitted along
 * @param near a stroke fitted before, to begin with
 */
export function fitStroke(
  field: StarField,
  place: StarPlace,
  sigma: number,
  sigmaKnown: boolean,
  near?: Stroke,
): Stroke | null {
  const stamp = stampOf(field, place);
  const free = sigmaKnown ? 6 : 7;
  if (stamp.count < free + 6) return null;
  const { noise, level } = field.sky;
  // The sky's own noise tells how much more of it a brighter place has: photons add as the light does.
  const perLight = (0.8 * noise * noise) / Math.max(level, 3 * noise);
  const variance = (light: number): number => noise * noise + perLight * light;
  let p = near
    ? Float64Array.of(near.flux, near.x - place.x, near.y - place.y, near.vx, near.vy, 0, sigma)
    : guessOf(stamp, sigma, noise);
  const equations = () => Array.from({ length: free }, () => new Float64Array(free));
  let [normal, other] = [equations(), equations()];
  let [right, otherRight] = [new Float64Array(free), new Float64Array(free)];
  let squares = remains(stamp, p, free, variance, normal, right);
  let damping = 1e-2;
  for (let round = 0; round < ROUNDS; round++) {
    const damped = normal.map((row, i) => row.map((value, j) => (i === j ? value * (1 + damping) + 1e-12 : value)));
    const step = solveNormal(damped, right);
    if (!step) return null;
    const next = p.slice();
    for (let i = 0; i < free; i++) next[i] = next[i]! + step[i]!;
    next[SIGMA] = Math.max(0.25, Math.min(12, next[SIGMA]!));
    const away = Math.hypot(next[X]!, next[Y]!) > LARGEST_STAMP || Math.hypot(next[VX]!, next[VY]!) > 3 * LARGEST_STAMP;
    const now = away ? Infinity : remains(stamp, next, free, variance, other, otherRight);
    if (now < squares) {
      const gained = squares - now;
      p = next;
      squares = now;
      [normal, other] = [other, normal];
      [right, otherRight] = [otherRight, right];
      damping = Math.max(1e-7, damping / 6);
      if (gained < 1e-4 * squares) break;
    } else {
      damping *= 6;
      if (damping > 1e7) break;
    }
  }
  const inverse = inverseNormal(normal);
  if (!inverse || !(p[FLUX]! > 0)) return null;
  const misfit = squares / Math.max(1, stamp.count - free);
  const worse = Math.max(1, misfit);
  return {
    x: place.x + p[X]!,
    y: place.y + p[Y]!,
    vx: p[VX]!,
    vy: p[VY]!,
    vxVariance: inverse[VX]![VX]! * worse,
    vyVariance: inverse[VY]![VY]! * worse,
    covariance: inverse[VX]![VY]! * worse,
    sigma: p[SIGMA]!,
    sigmaError: sigmaKnown ? 0 : Math.sqrt(inverse[SIGMA]![SIGMA]! * worse),
    flux: p[FLUX]!,
    snr: p[FLUX]! / Math.sqrt(inverse[FLUX]![FLUX]!),
    misfit,
    saturated: stamp.saturated,
  };
}
