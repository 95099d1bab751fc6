import type { Grey } from '../../picture/grey';
import { solveNormal } from '../leastSquares';
import { median } from '../smooth';
import type { Box } from './commonField';
import { mapped, type Similarity } from './similarity';

/** Parts of the field that are left out one by one: 4 by 4. */
const TILES = 16;

/** How a picture bends between its pixels, from what lies around the pixel at `at`: bilinear between four of five points each. */
function bendAt(data: Float32Array, width: number, at: number, u: number, v: number): number {
  const own = (k: number) => data[k - width]! + data[k - 1]! + data[k + 1]! + data[k + width]! - 4 * data[k]!;
  const above = own(at) + u * (own(at + 1) - own(at));
  const below = own(at + width) + u * (own(at + width + 1) - own(at + width));
  return above + v * (below - above);
}

/** Value, slopes and bend of a picture between its pixels, by Catmull's and Rom's cubic; false outside. */
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
  out[3] = bendAt(data, width, j * width + i, u, v);
  return true;
}

/** The equations of the places of one part of the field. */
export interface Sums {
  normal: Float64Array[];
  right: Float64Array;
}

/** Unknowns: p, q, tx, ty, gain, bend, offset. */
export const UNKNOWNS = 7;

/** How the coarser picture shows what the finer does, apart from where: gain times its light, bend times how that bends, and more. */
export interface Shown {
  gain: number;
  /** Blur spreads light by half its squared deviation of how it bends; times the gain, px² of the finer. */
  bend: number;
  /** Light that is added everywhere. */
  offset: number;
}

/** What is looked for: how two pictures lie, and how the coarser shows what the finer does. */
export interface Guess {
  match: Similarity;
  shown: Shown;
}

/** A guess changed by a share of a step. */
export function stepped({ match, shown }: Guess, step: Float64Array, share = 1): Guess {
  const [p, q, tx, ty, gain, bend, offset] = step as unknown as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return {
    match: {
      p: match.p + share * p,
      q: match.q + share * q,
      tx: match.tx + share * tx,
      ty: match.ty + share * ty,
    },
    shown: {
      gain: Math.max(0.05, shown.gain + gain),
      bend: shown.bend + bend,
      offset: shown.offset + offset,
    },
  };
}

/** Both pictures with the part of the coarser one that both show; its tiles lie over that. */
export interface Common {
  coarse: Grey;
  fine: Grey;
  box: Box;
}

/** Which of 4 by 4 tiles a place lies in. */
const tileOf = ({ left, top, right, bottom }: Box, x: number, y: number): number =>
  Math.min(3, Math.floor((4 * (y - top)) / (bottom - top))) * 4 +
  Math.min(3, Math.floor((4 * (x - left)) / (right - left)));

/**
 * Where in its cell a place lies, px: a different one in each. On a lattice fine structure would take part as coarse, and draw
 * a match aside by a hundredth of a px.
 */
const within = (i: number, j: number, every: number): number => {
  const turns = 0.754877666 * i + 0.569840296 * j;
  return Math.floor((turns - Math.floor(turns)) * every);
};

/** The equations of one step, tile by tile, and how much of the coarse picture's structure is met. */
export function stepSums(
  { coarse, fine, box }: Common,
  { match, shown: { gain, bend, offset } }: Guess,
  noise: number,
  places: number,
) {
  const tiles = Array.from({ length: TILES }, (): Sums => ({
    normal: Array.from({ length: UNKNOWNS }, () => new Float64Array(UNKNOWNS)),
    right: new Float64Array(UNKNOWNS),
  }));
  const to = mapped(match, coarse, fine);
  const every = Math.max(1, Math.round(Math.sqrt(((box.right - box.left) * (box.bottom - box.top)) / places)));
  const [x0, y0] = [Math.max(4, Math.ceil(box.left)), Math.max(4, Math.ceil(box.top))];
  const [x1, y1] = [Math.min(coarse.width - 5, box.right), Math.min(coarse.height - 5, box.bottom)];
  const [cx, cy] = [(coarse.width - 1) / 2, (coarse.height - 1) / 2];
  const out = new Float64Array(4);
  const row = new Float64Array(UNKNOWNS);
  const offs: number[] = [];
  let count = 0;
  let [ab, aa, bb] = [0, 0, 0];
  for (let j = 0; y0 + j * every <= y1; j++)
    for (let i = 0; x0 + i * every <= x1; i++) {
      const [x, y] = [x0 + i * every + within(i, j, every), y0 + j * every + within(j, -i, every)];
      if (x > x1 || y > y1) continue;
      const [fx, fy] = to(x, y);
      if (!cubicAt(fine, fx, fy, out)) continue;
      const own = coarse.data[y * coarse.width + x]!;
      const shown = gain * out[0]! + bend * out[3]! + offset;
      const off = own - shown;
      if (count++ % 3 === 0) offs.push(Math.abs(off));
      // Far-off places weigh less: what moved, or stands at another depth.
      const weight = noise > 0 ? 1 / (1 + (off / (2.5 * noise)) ** 2) ** 2 : 1;
      const [dx, dy] = [x - cx, y - cy];
      row[2] = gain * out[1]!;
      row[3] = gain * out[2]!;
      row[0] = row[2] * dx + row[3] * dy;
      row[1] = -row[2] * dy + row[3] * dx;
      row[4] = out[0]!;
      row[5] = out[3]!;
      row[6] = 1;
      const tile = tiles[tileOf(box, x, y)]!;
      for (let k = 0; k < UNKNOWNS; k++) {
        const weighted = weight * row[k]!;
        tile.right[k] = tile.right[k]! + weighted * off;
        const line = tile.normal[k]!;
        for (let l = 0; l <= k; l++) line[l] = line[l]! + weighted * row[l]!;
      }
      ab += weight * own * shown;
      aa += weight * own * own;
      bb += weight * shown ** 2;
    }
  return {
    tiles,
    noise: 1.4826 * median(offs),
    correlation: ab / Math.sqrt(Math.max(1e-30, aa * bb)),
    count,
  };
}

/** The step that all parts ask for together. */
export function solvedStep(tiles: readonly Sums[]): Float64Array | null {
  const normal = Array.from({ length: UNKNOWNS }, () => new Float64Array(UNKNOWNS));
  const right = new Float64Array(UNKNOWNS);
  for (const tile of tiles)
    for (let i = 0; i < UNKNOWNS; i++) {
      right[i] = right[i]! + tile.right[i]!;
      for (let j = 0; j <= i; j++) normal[i]![j] = normal[i]![j]! + tile.normal[i]![j]!;
    }
  for (let i = 0; i < UNKNOWNS; i++) for (let j = 0; j < i; j++) normal[j]![i] = normal[i]![j]!;
  return solveNormal(normal, right);
}
