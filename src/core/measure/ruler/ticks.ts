import { gaussian, odd, quantile, runningMean } from '../smooth';
import type { Strip } from './strips';

/** Whether ticks are darker or lighter than what they stand on. */
export type Tone = 1 | -1;

/** A strip prepared for finding ticks: slow light removed, smoothed as wide as a tick is. */
export function flattened({ values }: Strip, periodPx: number): Float64Array {
  const width = odd(1.5 * periodPx);
  const once = runningMean(values, width);
  const flat = values.map((value, i) => value - once[i]!);
  const again = runningMean(flat, width);
  return gaussian(
    flat.map((value, i) => value - again[i]!),
    Math.max(0.6, 0.07 * periodPx),
  );
}

/** The sum of third powers tells which side the ticks stick out to: they are narrower than the gaps between them. */
export function lopsidedness(row: Float64Array): number {
  let cubes = 0;
  let squares = 0;
  for (const value of row) {
    cubes += value * value * value;
    squares += value * value;
  }
  return squares > 0 ? cubes / row.length / (squares / row.length) ** 1.5 : 0;
}

/** Places of ticks in a flattened row, px from its first value, with how far each stands out. */
export function ticksIn(row: Float64Array, tone: Tone): { at: number; height: number }[] {
  const tops: { at: number; height: number }[] = [];
  for (let i = 1; i < row.length - 1; i++) {
    const middle = tone * row[i]!;
    const before = tone * row[i - 1]!;
    const after = tone * row[i + 1]!;
    if (middle <= 0 || middle < before || middle <= after) continue;
    const bend = before - 2 * middle + after;
    const shift = bend < 0 ? (0.5 * (before - after)) / bend : 0;
    tops.push({ at: i + shift, height: middle - 0.25 * (before - after) * shift });
  }
  if (tops.length === 0) return [];
  const usual = quantile(
    tops.map(({ height }) => height),
    0.85,
  );
  return tops.filter(({ height }) => height > 0.3 * usual);
}
