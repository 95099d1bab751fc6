import { median } from '../smooth';
import type { Stroke } from './strokeFit';

/** The blur of stars over a picture, standard deviation, px: at the middle, and by how much it grows with r². */
export interface FieldBlur {
  middle: number;
  /** Standard error of the middle. */
  middleError: number;
  /** For r = 1 at half the diagonal. */
  growth: number;
  at: (x: number, y: number) => number;
}

/** Sharper than any lens: what a pixel that shines by itself leaves after compression. */
export const SHARPEST_SIGMA = 0.74;

/**
 * The blur of the field from the brighter stars, with the median of what each says: robust against doubles and crumbs.
 *
 * @param strokes fitted with a blur of their own
 */
export function fieldBlur(strokes: readonly Stroke[], width: number, height: number): FieldBlur | null {
  const half = Math.hypot(width, height) / 2;
  const rOf = ({ x, y }: { x: number; y: number }) => Math.hypot(x - (width - 1) / 2, y - (height - 1) / 2) / half;
  const sharp = strokes.filter(({ sigma, saturated }) => sigma > SHARPEST_SIGMA * 0.9 && !saturated);
  const good = sharp
    .filter(({ sigma, sigmaError, snr }) => snr > 20 && sigmaError < 0.15 * sigma)
    .sort((a, b) => b.snr - a.snr);
  const used = (good.length >= 5 ? good : sharp).slice(0, 200);
  if (used.length === 0) return null;
  // Straight in r²: medians of the slopes between pairs (Theil and Sen), then of what is left.
  const slopes: number[] = [];
  if (used.length >= 12)
    for (let i = 0; i < used.length; i++)
      for (let j = 0; j < i; j++) {
        const [a, b] = [rOf(used[i]!) ** 2, rOf(used[j]!) ** 2];
        if (Math.abs(a - b) > 0.2) slopes.push((used[i]!.sigma - used[j]!.sigma) / (a - b));
      }
  const grows = slopes.length > 20;
  const growth = grows ? median(slopes) : 0;
  const levels = used.map((each) => each.sigma - growth * rOf(each) ** 2);
  const middle = median(levels);
  return {
    middle,
    middleError: medianError(levels, middle) * (grows ? lever(used.map((each) => rOf(each) ** 2)) : 1),
    growth,
    at: (x, y) => Math.max(0.4, middle + growth * rOf({ x, y }) ** 2),
  };
}

/** Normal errors: deviation out of the median of distances, and how much less sure a median is than a mean. */
const [OF_MEDIAN, LESS_SURE] = [1.4826, Math.sqrt(Math.PI / 2)];

/** Standard error of a median, from how the values scatter about it; one value alone may be off by a tenth. */
function medianError(values: readonly number[], middle: number): number {
  const scatter = OF_MEDIAN * median(values.map((value) => Math.abs(value - middle)));
  return (LESS_SURE * (values.length > 1 ? scatter : 0.1 * middle)) / Math.sqrt(values.length);
}

/** By how much a line is less sure at 0 than in the middle of where it was seen. */
function lever(places: readonly number[]): number {
  const mean = places.reduce((sum, each) => sum + each, 0) / places.length;
  const spread = places.reduce((sum, each) => sum + (each - mean) ** 2, 0) / places.length;
  return Math.sqrt(1 + mean ** 2 / spread);
}
