import { reduced, type Grey } from '../../picture/grey';
import { findEdges } from '../edge/findEdges';
import { fft2, frequencyAt, realWaves } from '../pair/fft2';
import { quantile } from '../smooth';

/** How much fine structure a frame holds in its worst direction: comparable between frames of one thing, and to nothing else. */
export interface Sharpness {
  value: number;
  by: 'edge' | 'texture';
}

const SIZE = 256;
/** A shake blurs along one direction: each of so many is looked at. */
const DIRECTIONS = 8;
/** Fine structure, against structure ten times as large, cycles/px. */
const FINE: readonly [number, number] = [0.1, 0.25];
const LARGE: readonly [number, number] = [0.015, 0.05];

const hann = (i: number): number => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / SIZE);

/** The squares of a picture with the most in them. */
function richSquares({ width, height, data }: Grey): Float64Array[] {
  const side = Math.min(SIZE, width, height);
  const found: { values: Float64Array; deviation: number }[] = [];
  const stepX = Math.max(1, Math.floor((width - side) / 3));
  const stepY = Math.max(1, Math.floor((height - side) / 3));
  for (let y0 = 0; y0 + side <= height; y0 += stepY)
    for (let x0 = 0; x0 + side <= width; x0 += stepX) {
      const values = new Float64Array(SIZE * SIZE);
      let [sum, squares] = [0, 0];
      for (let y = 0; y < side; y++)
        for (let x = 0; x < side; x++) {
          const value = data[(y0 + y) * width + x0 + x]!;
          values[y * SIZE + x] = value;
          sum += value;
          squares += value * value;
        }
      const mean = sum / (side * side);
      for (let y = 0; y < side; y++)
        for (let x = 0; x < side; x++)
          values[y * SIZE + x] = (values[y * SIZE + x]! / Math.max(1e-9, mean) - 1) * hann(x) * hann(y);
      found.push({ values, deviation: squares / (side * side) - mean * mean });
    }
  return found
    .sort((a, b) => b.deviation - a.deviation)
    .slice(0, 6)
    .map(({ values }) => values);
}

/** Root of the power in a ring, direction by direction, without the noise. */
function powersIn(spectra: Float64Array[], [low, high]: readonly [number, number], noise: number): Float64Array {
  const sums = new Float64Array(DIRECTIONS);
  const counts = new Float64Array(DIRECTIONS);
  for (const waves of spectra)
    for (let y = 0; y < SIZE; y++)
      for (let x = 0; x < SIZE; x++) {
        const [fx, fy] = [frequencyAt(x, SIZE), frequencyAt(y, SIZE)];
        const frequency = Math.hypot(fx, fy);
        if (frequency < low || frequency > high) continue;
        const turn = (Math.atan2(fy, fx) + Math.PI) / Math.PI;
        const k = Math.floor(turn * DIRECTIONS) % DIRECTIONS;
        const at = 2 * (y * SIZE + x);
        sums[k] = sums[k]! + waves[at]! ** 2 + waves[at + 1]! ** 2;
        counts[k] = counts[k]! + 1;
      }
  return sums.map((sum, k) => Math.max(0, sum / Math.max(1, counts[k]!) - noise));
}

function byTexture(grey: Grey): Sharpness {
  // Large pictures are looked at half as large: the shake that matters is wider than a pixel there.
  const small = reduced(grey, Math.max(1, Math.round(Math.max(grey.width, grey.height) / 1600)));
  const spectra = richSquares(small).map((values) => fft2(realWaves(values, SIZE)).data);
  const beyond = powersIn(spectra, [0.6, 0.71], 0);
  const noise = beyond.reduce((a, b) => a + b, 0) / DIRECTIONS;
  const [fine, large] = [powersIn(spectra, FINE, noise), powersIn(spectra, LARGE, noise)];
  const all = large.reduce((a, b) => a + b, 0) / DIRECTIONS;
  return { value: Math.sqrt(quantile(fine, 0.05) / Math.max(1e-30, all)), by: 'texture' };
}

/** How sharp a frame is: by its edges where it has good ones, else by its texture. */
export function sharpnessOf(grey: Grey): Sharpness {
  const edges = findEdges(grey);
  const good = edges.ok
    ? edges.value.edges.filter(({ mtf50, contrast }) => mtf50 && mtf50.plusMinus < 0.15 * mtf50.value && contrast > 0.1)
    : [];
  // A shake along an edge does not blur it: the worst of all counts.
  return good.length > 0 ? { value: Math.min(...good.map(({ mtf50 }) => mtf50!.value)), by: 'edge' } : byTexture(grey);
}
