import type { Grey } from '../../picture/grey';

/** Half of the kernel's width, px, and in how many places between two pixels it is reckoned. */
const HALF = 6;
const TAPS = 2 * HALF;
const PHASES = 2048;

/** A sine over its argument, faded out by a wider one: passes all but the last tenth below what pixels carry. */
function kernel(x: number): number {
  if (x === 0) return 1;
  if (Math.abs(x) >= HALF) return 0;
  const [a, b] = [Math.PI * x, (Math.PI * x) / HALF];
  return (Math.sin(a) / a) * (Math.sin(b) / b);
}

/** The weights of the pixels around a place, for each place between two pixels, summing to one. */
const WEIGHTS = new Float64Array((PHASES + 1) * TAPS);
for (let phase = 0; phase <= PHASES; phase++) {
  let sum = 0;
  for (let k = 0; k < TAPS; k++) sum += WEIGHTS[phase * TAPS + k] = kernel(phase / PHASES + HALF - 1 - k);
  for (let k = 0; k < TAPS; k++) WEIGHTS[phase * TAPS + k] = WEIGHTS[phase * TAPS + k]! / sum;
}

/** Where the first pixel of a square lies on a picture, and by how much the next ones along its rows and columns, px. */
export interface Lattice {
  x: number;
  y: number;
  across: readonly [number, number];
  down: readonly [number, number];
}

/** Up to this slope of its rows a lattice is read in two passes: along the rows first, then down what that gives. */
const LEVEL_SLOPE = 0.06;

const inside = ({ width, height }: Grey, x: number, y: number): boolean => {
  const [x0, y0] = [Math.floor(x) - HALF + 1, Math.floor(y) - HALF + 1];
  return x0 >= 0 && y0 >= 0 && x0 + TAPS <= width && y0 + TAPS <= height;
};

/** Every place from all the pixels around it. */
function around({ width, data }: Grey, size: number, { x: left, y: top, across, down }: Lattice): Float64Array {
  const out = new Float64Array(size * size);
  for (let j = 0; j < size; j++)
    for (let i = 0; i < size; i++) {
      const x = left + i * across[0] + j * down[0];
      const y = top + i * across[1] + j * down[1];
      const [ix, iy] = [Math.floor(x), Math.floor(y)];
      const [x0, y0] = [ix - HALF + 1, iy - HALF + 1];
      const wx = Math.round((x - ix) * PHASES) * TAPS;
      const wy = Math.round((y - iy) * PHASES) * TAPS;
      let sum = 0;
      for (let b = 0; b < TAPS; b++) {
        let row = 0;
        const at = (y0 + b) * width + x0;
        for (let a = 0; a < TAPS; a++) row += WEIGHTS[wx + a]! * data[at + a]!;
        sum += WEIGHTS[wy + b]! * row;
      }
      out[j * size + i] = sum;
    }
  return out;
}

/** The pixels of each row between which a lattice's columns run, row after row from `first` to `last`. */
function crossings(
  { width, data }: Grey,
  size: number,
  { x: left, y: top, across, down }: Lattice,
  first: number,
  last: number,
): Float64Array {
  const out = new Float64Array((last - first + 1) * size);
  const slope = down[0] / down[1];
  const perColumn = across[0] - across[1] * slope;
  for (let y = first; y <= last; y++) {
    const start = left + (y - top) * slope;
    for (let i = 0; i < size; i++) {
      const x = start + i * perColumn;
      const ix = Math.floor(x);
      const wx = Math.round((x - ix) * PHASES) * TAPS;
      // A column's rows above and below the square may begin a pixel beyond the picture, where they weigh next to nothing.
      const at = y * width + Math.max(0, Math.min(width - TAPS, ix - HALF + 1));
      let sum = 0;
      for (let a = 0; a < TAPS; a++) sum += WEIGHTS[wx + a]! * data[at + a]!;
      out[(y - first) * size + i] = sum;
    }
  }
  return out;
}

/** Rows first, then columns: a sixth of the work. Shearing moves no wave of a level lattice beyond what pixels carry. */
function inTwoPasses(grey: Grey, size: number, lattice: Lattice): Float64Array {
  const { y: top, across, down } = lattice;
  const ends = [0, (size - 1) * across[1]].map((rise) => top + rise);
  const first = Math.floor(Math.min(...ends)) - HALF + 1;
  const last = Math.floor(Math.max(...ends) + (size - 1) * down[1]) + HALF;
  const rows = crossings(grey, size, lattice, first, last);
  const out = new Float64Array(size * size);
  for (let j = 0; j < size; j++)
    for (let i = 0; i < size; i++) {
      const y = top + i * across[1] + j * down[1];
      const iy = Math.floor(y);
      const wy = Math.round((y - iy) * PHASES) * TAPS;
      let at = (iy - HALF + 1 - first) * size + i;
      let sum = 0;
      for (let b = 0; b < TAPS; b++, at += size) sum += WEIGHTS[wy + b]! * rows[at]!;
      out[j * size + i] = sum;
    }
  return out;
}

/**
 * A square of a picture read at places that lie between its pixels, without blurring it.
 *
 * @returns nothing where the square reaches beyond the picture
 */
export function sharpCopy(grey: Grey, size: number, lattice: Lattice): Float64Array | null {
  const { x, y, across, down } = lattice;
  const end = size - 1;
  const corners = [0, end].flatMap((i) => [0, end].map((j) => [i, j] as const));
  if (!corners.every(([i, j]) => inside(grey, x + i * across[0] + j * down[0], y + i * across[1] + j * down[1])))
    return null;
  const level = down[1] > 0 && Math.abs(across[1]) <= LEVEL_SLOPE * across[0];
  return level ? inTwoPasses(grey, size, lattice) : around(grey, size, lattice);
}
