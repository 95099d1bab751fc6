import type { Grey } from '../../picture/grey';
import { solveNormal } from '../leastSquares';
import { median } from '../smooth';
import { banded, logLight, smaller } from './pairLight';
import { onCopies, onWholes } from './copies';
import { inverse, mapped, scaleOf, type Similarity } from './similarity';

/** A match with its errors, about 95 %, and how well both agree. */
export interface FineMatch {
  match: Similarity;
  scaleError: number;
  turnErrorDeg: number;
  shiftError: number;
  /** Correlation of what both show, of middle size, where they lie on each other: 1 for the same. */
  correlation: number;
}

/** Parts of the field that are left out one by one: 4 by 4. */
const TILES = 16;
/** Places of the coarser picture that are looked at, at most; on the way fewer do, and less is asked of them, px. */
const PLACES = 40_000;
const SETTLED = 1e-3;
const ON_THE_WAY = { places: 12_000, settled: 0.01 };

/** Value and slopes of a picture between its pixels, by Catmull's and Rom's cubic; false outside. */
function cubicAt({ width, height, data }: Grey, x: number, y: number, out: Float64Array): boolean {
  const [i, j] = [Math.floor(x), Math.floor(y)];
  if (i < 1 || j < 1 || i > width - 3 || j > height - 3) return false;
  const [u, v] = [x - i, y - j];
  const u2 = u * u;
  const v2 = v * v;
  const wx0 = -0.5 * u + u2 - 0.5 * u2 * u;
  const wx1 = 1 - 2.5 * u2 + 1.5 * u2 * u;
  const wx2 = 0.5 * u + 2 * u2 - 1.5 * u2 * u;
  const wx3 = -0.5 * u2 + 0.5 * u2 * u;
  const sx0 = -0.5 + 2 * u - 1.5 * u2;
  const sx1 = -5 * u + 4.5 * u2;
  const sx2 = 0.5 + 4 * u - 4.5 * u2;
  const sx3 = -u + 1.5 * u2;
  const wy = [
    -0.5 * v + v2 - 0.5 * v2 * v,
    1 - 2.5 * v2 + 1.5 * v2 * v,
    0.5 * v + 2 * v2 - 1.5 * v2 * v,
    -0.5 * v2 + 0.5 * v2 * v,
  ];
  const sy = [-0.5 + 2 * v - 1.5 * v2, -5 * v + 4.5 * v2, 0.5 + 4 * v - 4.5 * v2, -v + 1.5 * v2];
  let [value, byX, byY] = [0, 0, 0];
  for (let k = 0; k < 4; k++) {
    const at = (j + k - 1) * width + i - 1;
    const [d0, d1, d2, d3] = [data[at]!, data[at + 1]!, data[at + 2]!, data[at + 3]!];
    const row = wx0 * d0 + wx1 * d1 + wx2 * d2 + wx3 * d3;
    value += wy[k]! * row;
    byX += wy[k]! * (sx0 * d0 + sx1 * d1 + sx2 * d2 + sx3 * d3);
    byY += sy[k]! * row;
  }
  out[0] = value;
  out[1] = byX;
  out[2] = byY;
  return true;
}

interface Sums {
  normal: Float64Array[];
  right: Float64Array;
}

/** Unknowns: p, q, tx, ty, gain, offset. */
const UNKNOWNS = 6;

/** The equations of one step, tile by tile, and how much of the coarse picture's structure is met. */
function stepSums(coarse: Grey, fine: Grey, match: Similarity, gain: number, noise: number, places: number) {
  const tiles = Array.from({ length: TILES }, (): Sums => ({
    normal: Array.from({ length: UNKNOWNS }, () => new Float64Array(UNKNOWNS)),
    right: new Float64Array(UNKNOWNS),
  }));
  const to = mapped(match, coarse, fine);
  const every = Math.max(1, Math.round(Math.sqrt((coarse.width * coarse.height) / places)));
  const [cx, cy] = [(coarse.width - 1) / 2, (coarse.height - 1) / 2];
  const out = new Float64Array(3);
  const row = new Float64Array(UNKNOWNS);
  const offs: number[] = [];
  let count = 0;
  let [ab, aa, bb] = [0, 0, 0];
  for (let y = 4 + (every >> 1); y < coarse.height - 4; y += every)
    for (let x = 4 + (every >> 1); x < coarse.width - 4; x += every) {
      const [fx, fy] = to(x, y);
      if (!cubicAt(fine, fx, fy, out)) continue;
      const own = coarse.data[y * coarse.width + x]!;
      const off = gain * own - out[0]!;
      if (count++ % 3 === 0) offs.push(Math.abs(off));
      // Far-off places weigh less: what moved, or stands at another depth.
      const weight = noise > 0 ? 1 / (1 + (off / (2.5 * noise)) ** 2) ** 2 : 1;
      const [dx, dy] = [x - cx, y - cy];
      row[0] = out[1]! * dx + out[2]! * dy;
      row[1] = -out[1]! * dy + out[2]! * dx;
      row[2] = out[1]!;
      row[3] = out[2]!;
      row[4] = -own;
      row[5] = -1;
      const tile =
        tiles[Math.min(3, Math.floor((4 * y) / coarse.height)) * 4 + Math.min(3, Math.floor((4 * x) / coarse.width))]!;
      for (let i = 0; i < UNKNOWNS; i++) {
        const weighted = weight * row[i]!;
        tile.right[i] = tile.right[i]! + weighted * off;
        const line = tile.normal[i]!;
        for (let j = 0; j <= i; j++) line[j] = line[j]! + weighted * row[j]!;
      }
      ab += weight * own * out[0]!;
      aa += weight * own * own;
      bb += weight * out[0]! ** 2;
    }
  return {
    tiles,
    noise: 1.4826 * median(offs),
    correlation: ab / Math.sqrt(Math.max(1e-30, aa * bb)),
    count,
  };
}

function solvedWithout(tiles: Sums[], left: number): Float64Array | null {
  const normal = Array.from({ length: UNKNOWNS }, () => new Float64Array(UNKNOWNS));
  const right = new Float64Array(UNKNOWNS);
  for (const [k, tile] of tiles.entries()) {
    if (k === left) continue;
    for (let i = 0; i < UNKNOWNS; i++) {
      right[i] = right[i]! + tile.right[i]!;
      for (let j = 0; j <= i; j++) normal[i]![j] = normal[i]![j]! + tile.normal[i]![j]!;
    }
  }
  for (let i = 0; i < UNKNOWNS; i++) for (let j = 0; j < i; j++) normal[j]![i] = normal[i]![j]!;
  return solveNormal(normal, right);
}

interface Level {
  longest: number;
  /** Blur of the band, px of the coarser picture at this level. */
  sigma: number;
  rounds: number;
  places: number;
  /** A step of less than this ends it, px. */
  settled: number;
}

/** Scatter of a match by leaving out one part of the field after the other. */
function scatterOf(tiles: Sums[], match: Similarity): Pick<FineMatch, 'scaleError' | 'turnErrorDeg' | 'shiftError'> {
  const filled = tiles.map((tile, k) => ({ tile, k })).filter(({ tile }) => tile.normal[2]![2]! > 0);
  const steps = filled.map(({ k }) => solvedWithout(tiles, k)).filter((each): each is Float64Array => each !== null);
  const spread = (of: (step: Float64Array) => number): number => {
    const values = steps.map(of);
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    return Math.sqrt(((values.length - 1) / values.length) * values.reduce((a, b) => a + (b - mean) ** 2, 0));
  };
  const scale = scaleOf(match);
  const along = spread(([p, q]) => (match.p * p! + match.q * q!) / scale);
  const turn = spread(([p, q]) => (match.p * q! - match.q * p!) / (scale * scale));
  return {
    scaleError: 2.2 * along + 2e-5 * scale,
    turnErrorDeg: (2.2 * turn * 180) / Math.PI + 5e-4,
    shiftError:
      2.2 *
        Math.max(
          spread((step) => step[2]!),
          spread((step) => step[3]!),
        ) +
      0.004,
  };
}

/** Brings one level of the pictures onto each other; the match is in px of the whole pictures. */
function settledAt(coarse: Grey, fine: Grey, from: Similarity, { longest, sigma, rounds, places, settled }: Level) {
  const first = smaller(coarse, longest);
  const scale = scaleOf(from);
  // The finer picture is reduced no more than leaves it finer still.
  const by = Math.max(1, Math.floor(first.by * scale));
  const second = smaller(fine, Math.max(fine.width, fine.height) / by);
  const share = first.by / second.by;
  const [a, b] = [banded(logLight(first.grey), sigma), banded(logLight(second.grey), sigma * scale * share)];
  let match = onCopies(from, first, second);
  let [gain, noise] = [1, 0];
  let last = stepSums(a, b, match, gain, noise, places);
  for (let round = 0; round < rounds; round++) {
    if (last.count < 200) return null;
    const step = solvedWithout(last.tiles, -1);
    if (!step) return null;
    // Far from the truth the linear step overshoots.
    const most = Math.max(Math.abs(step[2]!), Math.abs(step[3]!), Math.hypot(step[0]!, step[1]!) * 0.4 * a.width);
    const calm = Math.min(1, (3 * sigma * scale * share) / Math.max(1e-9, most));
    match = {
      p: match.p + calm * step[0]!,
      q: match.q + calm * step[1]!,
      tx: match.tx + calm * step[2]!,
      ty: match.ty + calm * step[3]!,
    };
    gain = Math.max(0.05, gain + step[4]!);
    noise = last.noise;
    last = stepSums(a, b, match, gain, noise, places);
    if (most < settled) break;
  }
  const { shiftError, turnErrorDeg, scaleError } = scatterOf(last.tiles, match);
  return {
    match: onWholes(match, first, second),
    scaleError: scaleError / share,
    turnErrorDeg,
    shiftError: shiftError * second.by,
    correlation: last.correlation,
  };
}

/**
 * Brings two pictures onto each other to hundredths of a pixel, from coarse structure to fine, by Gauss's and Newton's method.
 *
 * @param a as large as is to be looked at: all of it is
 * @param from roughly, in px of both
 */
export function fineMatch(a: Grey, b: Grey, from: Similarity, onProgress?: (share: number) => void): FineMatch | null {
  const swapped = scaleOf(from) < 1;
  const [coarse, fine] = swapped ? [b, a] : [a, b];
  let match = swapped ? inverse(from) : from;
  const longest = Math.max(coarse.width, coarse.height);
  const levels: Level[] = [
    { longest: 512, sigma: 6, rounds: 12, ...ON_THE_WAY },
    { longest: 512, sigma: 3, rounds: 10, ...ON_THE_WAY },
    { longest: 512, sigma: 1.5, rounds: 8, ...ON_THE_WAY },
    {
      longest,
      sigma: longest > 900 ? 1.5 : 0.8,
      rounds: 10,
      places: PLACES,
      settled: SETTLED,
    },
  ];
  let found: FineMatch | null = null;
  for (const [k, level] of levels.entries()) {
    found = settledAt(coarse, fine, match, level);
    if (!found) return null;
    match = found.match;
    onProgress?.((k + 1) / levels.length);
  }
  if (!found) return null;
  if (!swapped) return found;
  const back = inverse(match);
  const scale = scaleOf(back);
  return {
    ...found,
    match: back,
    scaleError: found.scaleError * scale * scale,
    shiftError: found.shiftError * scale,
  };
}
