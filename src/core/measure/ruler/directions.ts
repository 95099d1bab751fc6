import type { Grey } from '../../picture/grey';
import { quantile } from '../smooth';

/** Bins over half a turn: a quarter of a degree each. */
const BINS = 720;
const PER_DEGREE = BINS / 180;
/** Gradients stronger than this share of all count no more than it: a digit's black edge is no better a witness than a tick. */
const CAP = 0.97;

/** A picture smoothed over three by three pixels, twice: codes are coarse in the dark and noise points anywhere. */
function softened({ width, height, data }: Grey): Float32Array {
  let from = data;
  for (let round = 0; round < 2; round++) {
    const rows = new Float32Array(from.length);
    for (let i = 1; i < from.length - 1; i++) rows[i] = from[i - 1]! + from[i]! + from[i + 1]!;
    const both = new Float32Array(from.length);
    for (let i = width; i < width * (height - 1); i++) both[i] = (rows[i - width]! + rows[i]! + rows[i + width]!) / 9;
    from = both;
  }
  return from;
}

/** So many gradients tell the directions of any picture. */
const ENOUGH = 500_000;

/** How much gradient points each way, by direction modulo half a turn. */
function histogram(grey: Grey): Float64Array {
  const { width, height } = grey;
  const data = softened(grey);
  const every = Math.max(1, Math.round((width * height) / ENOUGH));
  const rows = Math.max(0, Math.ceil((height - 8) / every));
  const columns = Math.max(0, width - 8);
  const gx = new Float32Array(rows * columns);
  const gy = new Float32Array(rows * columns);
  const sizes = new Float32Array(rows * columns);
  for (let row = 0, to = 0; row < rows; row++) {
    let i = (4 + row * every) * width + 4;
    for (let x = 0; x < columns; x++, i++, to++) {
      const dx = data[i + 1]! - data[i - 1]!;
      const dy = data[i + width]! - data[i - width]!;
      gx[to] = dx;
      gy[to] = dy;
      sizes[to] = Math.sqrt(dx * dx + dy * dy);
    }
  }
  const [cap, floor] = usualSizes(sizes);
  const bins = new Float64Array(BINS);
  for (let i = 0; i < sizes.length; i++) {
    const size = sizes[i]!;
    if (size <= floor) continue;
    const at = ((Math.atan2(gy[i]!, gx[i]!) / Math.PI) * BINS + BINS) % BINS;
    const low = Math.floor(at) % BINS;
    const weight = Math.min(size, cap);
    bins[low] = bins[low]! + weight * (1 - (at - Math.floor(at)));
    bins[(low + 1) % BINS] = bins[(low + 1) % BINS]! + weight * (at - Math.floor(at));
  }
  return bins;
}

/** What gradients count at most, and below which they do not, by a sample of them. */
function usualSizes(sizes: Float32Array): [number, number] {
  const every = Math.max(1, Math.floor(sizes.length / 20_000));
  const sample = new Float32Array(Math.floor(sizes.length / every));
  for (let i = 0; i < sample.length; i++) sample[i] = sizes[i * every]!;
  return [quantile(sample, CAP), quantile(sample, 0.5)];
}

/** Smoothed around the circle by a running mean of an odd width. */
function smoothed(bins: Float64Array, width: number): Float64Array {
  const half = (width - 1) / 2;
  const out = new Float64Array(BINS);
  let sum = 0;
  for (let j = -half; j <= half; j++) sum += bins[(j + BINS) % BINS]!;
  for (let i = 0; i < BINS; i++) {
    out[i] = sum / width;
    sum += bins[(i + half + 1) % BINS]! - bins[(i - half + BINS) % BINS]!;
  }
  return out;
}

/**
 * Directions in which something repeats or ends, strongest first: of the ticks, of the ruler's own edge, of the desk. Those
 * square to the two strongest come last: faint ticks may not show, the ruler's edge always does.
 *
 * @returns degrees from +x towards +y, −90 to 90
 */
export function directions(grey: Grey, most = 4): number[] {
  const bins = histogram(grey);
  const narrow = smoothed(smoothed(bins, 3), 3);
  const wide = smoothed(smoothed(bins, 61), 61);
  const rise = narrow.map((value, i) => value - wide[i]!);
  const peaks: { at: number; rise: number }[] = [];
  for (let i = 0; i < BINS; i++) {
    const before = rise[(i - 1 + BINS) % BINS]!;
    const after = rise[(i + 1) % BINS]!;
    if (rise[i]! <= 0 || rise[i]! < before || rise[i]! <= after) continue;
    const bend = before - 2 * rise[i]! + after;
    peaks.push({ at: i + (bend < 0 ? (0.5 * (before - after)) / bend : 0), rise: rise[i]! });
  }
  peaks.sort((a, b) => b.rise - a.rise);
  const kept: number[] = [];
  const add = (degrees: number) => {
    const turned = ((((degrees + 90) % 180) + 180) % 180) - 90;
    if (kept.every((each) => Math.abs(((turned - each + 270) % 180) - 90) > 1)) kept.push(turned);
  };
  for (const { at } of peaks) {
    if (kept.length >= most) break;
    add(at / PER_DEGREE);
  }
  for (const degrees of kept.slice(0, 2)) add(degrees + 90);
  return kept;
}
