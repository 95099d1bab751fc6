import type { Grey } from '../picture/grey';
import { solveNormal } from './leastSquares';
import { robustDeviation } from './smooth';

/** Slow light behind a subject: c₀ + c₁x + c₂y + c₃x² + c₄xy + c₅y² with x and y from −1 to 1 over the picture. */
export interface Background {
  terms: Float64Array;
  /** Robust deviation of the border from it: noise and texture. */
  noise: number;
  at: (x: number, y: number) => number;
}

const ROUNDS = 5;
const OUTLIER = 2.5;

const rowOf = (x: number, y: number, count: number): number[] => [1, x, y, x * x, x * y, y * y].slice(0, count);

/**
 * A plane or a bent surface fitted to a frame along the border, without what stands out of it.
 *
 * @param share width of the frame, of the picture's shorter side
 * @param count 3 for a plane, 6 for a quadratic surface
 */
export function backgroundOf(grey: Grey, share: number, count: 3 | 6): Background {
  const { width, height, data } = grey;
  const frame = Math.max(1, Math.round(share * Math.min(width, height)));
  const every = Math.max(1, Math.round(Math.sqrt((width * height) / 40_000)));
  const points: { x: number; y: number; value: number }[] = [];
  for (let y = 0; y < height; y += every)
    for (let x = 0; x < width; x += every)
      if (x < frame || y < frame || x >= width - frame || y >= height - frame)
        points.push({ x: (2 * x) / (width - 1) - 1, y: (2 * y) / (height - 1) - 1, value: data[y * width + x]! });
  let terms = new Float64Array(count);
  let noise = Infinity;
  let kept = points;
  for (let round = 0; round < ROUNDS && kept.length > 2 * count; round++) {
    const normal = Array.from({ length: count }, () => new Float64Array(count));
    const right = new Float64Array(count);
    for (const { x, y, value } of kept) {
      const row = rowOf(x, y, count);
      for (let i = 0; i < count; i++) {
        right[i] = right[i]! + row[i]! * value;
        for (let j = 0; j < count; j++) normal[i]![j] = normal[i]![j]! + row[i]! * row[j]!;
      }
    }
    const solved = solveNormal(normal, right);
    if (!solved) break;
    terms = Float64Array.from(solved);
    const off = points.map(({ x, y, value }) => value - valueAt(terms, x, y));
    noise = Math.max(robustDeviation(off), grey.step);
    kept = points.filter((_, i) => Math.abs(off[i]!) < OUTLIER * noise);
  }
  return {
    terms,
    noise: Number.isFinite(noise) ? noise : grey.step,
    at: (x, y) => valueAt(terms, (2 * x) / Math.max(1, width - 1) - 1, (2 * y) / Math.max(1, height - 1) - 1),
  };
}

function valueAt(terms: Float64Array, x: number, y: number): number {
  const plane = terms[0]! + terms[1]! * x + terms[2]! * y;
  return terms.length === 3 ? plane : plane + terms[3]! * x * x + terms[4]! * x * y + terms[5]! * y * y;
}
