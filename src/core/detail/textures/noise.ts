const OF_X = 0x27d4eb2d;
const OF_Y = 0x165667b1;
const OF_SEED = 0x9e3779b1;

/** Bits stirred until each of them depends on all, as a number from 0 to 1. */
function stirred(bits: number): number {
  let h = Math.imul(bits ^ (bits >>> 15), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

/** A number from 0 to 1 that belongs to a place: the same everywhere and always. */
export const hash = (x: number, y: number, seed: number): number =>
  stirred(Math.imul(x, OF_X) ^ Math.imul(y, OF_Y) ^ Math.imul(seed, OF_SEED));

const smooth = (t: number): number => t * t * (3 - 2 * t);

/**
 * Value noise: random at the points of a lattice, smooth between. A picture is drawn place after place, and most of them lie
 * in the lattice's cell of the one before: its four corners are remembered.
 */
export function noiseOf(seed: number): (x: number, y: number) => number {
  let [cellX, cellY] = [NaN, NaN];
  let [leftTop, rightTop, leftBottom, rightBottom] = [0, 0, 0, 0];
  return (x, y) => {
    const x0 = Math.floor(x);
    const y0 = Math.floor(y);
    if (x0 !== cellX || y0 !== cellY) {
      cellX = x0;
      cellY = y0;
      leftTop = hash(x0, y0, seed);
      rightTop = hash(x0 + 1, y0, seed);
      leftBottom = hash(x0, y0 + 1, seed);
      rightBottom = hash(x0 + 1, y0 + 1, seed);
    }
    const u = smooth(x - x0);
    const v = smooth(y - y0);
    const top = leftTop * (1 - u) + rightTop * u;
    const bottom = leftBottom * (1 - u) + rightBottom * u;
    return top * (1 - v) + bottom * v;
  };
}
