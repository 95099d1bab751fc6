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

/**
 * A square of a picture read at places that lie between its pixels, without blurring it.
 *
 * @returns nothing where the square reaches beyond the picture
 */
export function sharpCopy(
  { width, height, data }: Grey,
  size: number,
  { x: left, y: top, across, down }: Lattice,
): Float64Array | null {
  const out = new Float64Array(size * size);
  for (let j = 0; j < size; j++)
    for (let i = 0; i < size; i++) {
      const x = left + i * across[0] + j * down[0];
      const y = top + i * across[1] + j * down[1];
      const [ix, iy] = [Math.floor(x), Math.floor(y)];
      const [x0, y0] = [ix - HALF + 1, iy - HALF + 1];
      if (x0 < 0 || y0 < 0 || x0 + TAPS > width || y0 + TAPS > height) return null;
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
