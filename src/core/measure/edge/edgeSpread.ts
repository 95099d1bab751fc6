import type { Grey } from '../../picture/grey';
import { solveNormal } from '../leastSquares';
import { offLine, type EdgeLine } from './edgeLine';

/** Bins a pixel across the edge. */
export const BINS_PER_PX = 4;
/** Into so many parts the edge is divided along: what it tells without each shows how far they agree. */
export const PARTS = 10;

/** Which pixels count; of a mosaic those of one colour. */
export type Uses = (x: number, y: number) => boolean;

/** The light across an edge, in quarters of a pixel, apart for each part of its length. */
export interface EdgeSpread {
  /** Half of the width looked at, px. */
  reach: number;
  /** Sum of the light and number of pixels in each bin, by part. */
  sums: Float64Array[];
  counts: Float64Array[];
  /** Levels of the dark and the light side, and of the approach to them: level ∓ tail ÷ distance. */
  dark: number;
  light: number;
  tail: number;
  /** Standard error of the step between the two levels, as a share of it. */
  stepError: number;
}

/** Calls for every pixel near a line with how far it lies along and off, and its light. */
function eachNear(
  grey: Grey,
  line: EdgeLine,
  reach: number,
  uses: Uses | undefined,
  take: (u: number, v: number, light: number) => void,
): void {
  const { x, y, along, normal, half, bend } = line;
  const spanX = Math.abs(along[0]) * half + Math.abs(normal[0]) * (reach + Math.abs(bend) * half * half);
  const spanY = Math.abs(along[1]) * half + Math.abs(normal[1]) * (reach + Math.abs(bend) * half * half);
  const [x0, x1] = [Math.max(0, Math.ceil(x - spanX)), Math.min(grey.width - 1, Math.floor(x + spanX))];
  const [y0, y1] = [Math.max(0, Math.ceil(y - spanY)), Math.min(grey.height - 1, Math.floor(y + spanY))];
  for (let py = y0; py <= y1; py++)
    for (let px = x0; px <= x1; px++) {
      const [u, v] = offLine(line, px, py);
      if (Math.abs(u) > half || Math.abs(v) >= reach) continue;
      if (uses && !uses(px, py)) continue;
      take(u, v, grey.data[py * grey.width + px]!);
    }
}

interface Plane {
  dark: number;
  light: number;
  a: number;
  b: number;
  tail: number;
  stepError: number;
}

/**
 * Levels of both sides, an unevenness of the light that both share as a share of themselves, and the tail that diffraction
 * leaves on both: dark·(1 + au + bv) − tail/v and light·(1 + au + bv) − tail/v.
 */
function planeOf(grey: Grey, line: EdgeLine, reach: number, apart: number, uses: Uses | undefined): Plane | null {
  let [dark, light, a, b, tail, stepError] = [0, 0, 0, 0, 0, 0];
  for (let round = 0; round < 3; round++) {
    const normal = Array.from({ length: 5 }, () => new Float64Array(5));
    const right = new Float64Array(5);
    let [squares, count] = [0, 0];
    eachNear(grey, line, reach, uses, (u, v, value) => {
      if (Math.abs(v) < apart) return;
      const level = round === 0 ? 0 : v < 0 ? dark : light;
      const row = [v < 0 ? 1 : 0, v < 0 ? 0 : 1, (level * u) / line.half, (level * v) / reach, -apart / v];
      for (let i = 0; i < 5; i++) {
        right[i] = right[i]! + row[i]! * value;
        for (let j = 0; j <= i; j++) normal[i]![j] = normal[i]![j]! + row[i]! * row[j]!;
      }
      squares += value * value;
      count++;
    });
    // The first round knows no levels, and so of no unevenness; what is not asked is held at nothing.
    const held = round === 0 ? [2, 3] : [];
    for (let i = 0; i < 5; i++) {
      normal[i]![i] = normal[i]![i]! * (1 + 1e-9) + (held.includes(i) ? 1 : 1e-12);
      for (let j = 0; j < i; j++) normal[j]![i] = normal[i]![j]!;
    }
    const solved = solveNormal(normal, right);
    if (!solved || count < 40) return null;
    [dark, light, a, b, tail] = [
      solved[0]!,
      solved[1]!,
      solved[2]! / line.half,
      solved[3]! / reach,
      solved[4]! * apart,
    ];
    const explained = right.reduce((sum, each, i) => sum + each * solved[i]!, 0);
    const noise = Math.sqrt(Math.max(0, squares - explained) / count);
    stepError = (noise * 4) / Math.sqrt(count) / Math.max(1e-9, light - dark);
  }
  return { dark, light, a, b, tail, stepError };
}

/**
 * The light across an edge: every pixel by its distance along the normal, after uneven light has been divided out.
 *
 * @param reach px on each side that are free of anything else
 * @param apart px beyond which the plateaus begin
 */
export function edgeSpread(grey: Grey, line: EdgeLine, reach: number, apart: number, uses?: Uses): EdgeSpread | null {
  const plane = planeOf(grey, line, reach, apart, uses);
  if (!plane || plane.light <= plane.dark) return null;
  const { dark, light, a, b } = plane;
  const bins = Math.floor(2 * reach * BINS_PER_PX);
  const sums = Array.from({ length: PARTS }, () => new Float64Array(bins));
  const counts = Array.from({ length: PARTS }, () => new Float64Array(bins));
  eachNear(grey, line, reach, uses, (u, v, value) => {
    const bin = Math.floor((v + reach) * BINS_PER_PX);
    if (bin < 0 || bin >= bins) return;
    const part = Math.min(PARTS - 1, Math.floor(((u + line.half) / (2 * line.half)) * PARTS));
    sums[part]![bin] = sums[part]![bin]! + value / (1 + a * u + b * v);
    counts[part]![bin] = counts[part]![bin]! + 1;
  });
  return { reach, sums, counts, dark, light, tail: plane.tail, stepError: plane.stepError };
}

/** The spread as one row, without one of its parts: means of the bins, the empty ones carried over from beside them. */
export function meanSpread({ sums, counts }: EdgeSpread, without?: number): { row: Float64Array; empty: number } {
  const bins = sums[0]!.length;
  const row = new Float64Array(bins);
  const filled: number[] = [];
  for (let bin = 0; bin < bins; bin++) {
    let [sum, count] = [0, 0];
    for (let part = 0; part < PARTS; part++) {
      if (part === without) continue;
      sum += sums[part]![bin]!;
      count += counts[part]![bin]!;
    }
    if (count > 0) {
      row[bin] = sum / count;
      filled.push(bin);
    }
  }
  for (let k = 0; k + 1 < filled.length; k++) {
    const [left, right] = [filled[k]!, filled[k + 1]!];
    for (let bin = left + 1; bin < right; bin++)
      row[bin] = row[left]! + ((row[right]! - row[left]!) * (bin - left)) / (right - left);
  }
  const [first, last] = [filled[0] ?? 0, filled.at(-1) ?? 0];
  for (let bin = 0; bin < first; bin++) row[bin] = row[first]!;
  for (let bin = last + 1; bin < bins; bin++) row[bin] = row[last]!;
  return { row, empty: 1 - filled.length / bins };
}
