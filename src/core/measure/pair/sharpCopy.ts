import type { Grey } from '../../picture/grey';

/** Half of the kernel's width, px, and steps a px of its table. */
const HALF = 6;
const STEPS = 64;

/** A sine over its argument, faded out by a wider one: passes all but the last tenth below what pixels carry. */
const KERNEL = Float64Array.from({ length: HALF * STEPS + 2 }, (_, k) => {
  const x = k / STEPS;
  if (x === 0) return 1;
  if (x >= HALF) return 0;
  const [a, b] = [Math.PI * x, (Math.PI * x) / HALF];
  return (Math.sin(a) / a) * (Math.sin(b) / b);
});

const weightAt = (x: number): number => {
  const at = Math.abs(x) * STEPS;
  const k = Math.floor(at);
  return k >= HALF * STEPS ? 0 : KERNEL[k]! + (KERNEL[k + 1]! - KERNEL[k]!) * (at - k);
};

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
  const [wx, wy] = [new Float64Array(2 * HALF), new Float64Array(2 * HALF)];
  for (let j = 0; j < size; j++)
    for (let i = 0; i < size; i++) {
      const x = left + i * across[0] + j * down[0];
      const y = top + i * across[1] + j * down[1];
      const x0 = Math.floor(x) - HALF + 1;
      const y0 = Math.floor(y) - HALF + 1;
      if (x0 < 0 || y0 < 0 || x0 + 2 * HALF > width || y0 + 2 * HALF > height) return null;
      let sx = 0;
      let sy = 0;
      for (let k = 0; k < 2 * HALF; k++) {
        wx[k] = weightAt(x - x0 - k);
        wy[k] = weightAt(y - y0 - k);
        sx += wx[k]!;
        sy += wy[k]!;
      }
      let sum = 0;
      for (let b = 0; b < 2 * HALF; b++) {
        let row = 0;
        const at = (y0 + b) * width + x0;
        for (let a = 0; a < 2 * HALF; a++) row += wx[a]! * data[at + a]!;
        sum += wy[b]! * row;
      }
      out[j * size + i] = sum / (sx * sy);
    }
  return out;
}
