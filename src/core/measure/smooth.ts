/**
 * Running mean of a row of numbers over an odd width; near the ends over what is there. An even width would shift the row
 * by half a sample.
 *
 * @param width samples, odd
 */
export function runningMean(row: ArrayLike<number>, width: number): Float64Array {
  const n = row.length;
  const half = (width - 1) >> 1;
  const out = new Float64Array(n);
  let sum = 0;
  for (let i = 0; i < Math.min(half, n); i++) sum += row[i]!;
  for (let i = 0; i < n; i++) {
    if (i + half < n) sum += row[i + half]!;
    if (i - half - 1 >= 0) sum -= row[i - half - 1]!;
    out[i] = sum / (Math.min(n - 1, i + half) - Math.max(0, i - half) + 1);
  }
  return out;
}

/** The next odd whole number, at least 1. */
export const odd = (value: number): number => 2 * Math.max(0, Math.round((value - 1) / 2)) + 1;

/** One half of a Gaussian's weights, from the middle outwards, cut at four deviations; all of them sum to one. */
function halfWeights(sigma: number): Float64Array {
  const reach = Math.ceil(4 * sigma);
  const weights = Float64Array.from({ length: reach + 1 }, (_, i) => Math.exp((-i * i) / (2 * sigma * sigma)));
  const sum = weights.reduce((all, weight) => all + 2 * weight, -1);
  return weights.map((weight) => weight / sum);
}

/**
 * A row smoothed with a Gaussian of a deviation in samples, by its own weights. Near the ends the weights that fall outside
 * are left out.
 */
export function gaussian(row: ArrayLike<number>, sigma: number): Float64Array {
  const from = Float64Array.from(row);
  if (sigma < 0.2) return from;
  const weights = halfWeights(sigma);
  const reach = weights.length - 1;
  const { length } = from;
  const out = new Float64Array(length);
  for (let i = 0; i < length; i++) {
    let sum = weights[0]! * from[i]!;
    if (i >= reach && i + reach < length) {
      for (let k = 1; k <= reach; k++) sum += weights[k]! * (from[i - k]! + from[i + k]!);
      out[i] = sum;
      continue;
    }
    let all = weights[0]!;
    for (let k = 1; k <= reach; k++) {
      if (i - k >= 0) {
        sum += weights[k]! * from[i - k]!;
        all += weights[k]!;
      }
      if (i + k < length) {
        sum += weights[k]! * from[i + k]!;
        all += weights[k]!;
      }
    }
    out[i] = sum / all;
  }
  return out;
}

/** The middle of some numbers; of an even count the mean of the two middle ones. Not a number for none. */
export function median(values: ArrayLike<number>): number {
  const sorted = Float64Array.from(values).sort();
  const middle = sorted.length >> 1;
  if (sorted.length === 0) return Number.NaN;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** The value below which a share of the numbers lies. */
export function quantile(values: ArrayLike<number>, share: number): number {
  const sorted = Float64Array.from(values).sort();
  const at = share * (sorted.length - 1);
  const low = Math.floor(at);
  const high = Math.min(sorted.length - 1, low + 1);
  return sorted[low]! + (sorted[high]! - sorted[low]!) * (at - low);
}

/** Deviation by the median of absolute deviations: outliers do not move it. */
export function robustDeviation(values: ArrayLike<number>, about = median(values)): number {
  return 1.4826 * median(Float64Array.from(values, (value) => Math.abs(value - about)));
}
