import { reduced, type Grey } from '../../picture/grey';
import { quantile } from '../smooth';
import { rimOf, type Copy } from './copies';

/** The logarithm of a picture's light: another exposure then only adds. */
export function logLight(grey: Grey): Grey {
  const every = Math.max(1, Math.floor(grey.data.length / 20_000));
  const sample: number[] = [];
  for (let i = 0; i < grey.data.length; i += every) sample.push(grey.data[i]!);
  // Below a hundredth of the bright parts there is only noise, which a logarithm would blow up.
  const floor = Math.max(1e-6, 0.01 * quantile(sample, 0.95));
  const data = new Float32Array(grey.data.length);
  for (let i = 0; i < data.length; i++) data[i] = Math.log(Math.max(0, grey.data[i]!) + floor);
  return { ...grey, data };
}

/** A running mean over 2·half + 1 px, and a share of one more on either side: of any width. */
interface Mean {
  half: number;
  edge: number;
}

/** The mean that, taken three times, is about a Gaussian of a deviation and has exactly its variance. */
function meanOf(sigma: number): Mean {
  const variance = (sigma * sigma) / 3;
  const half = Math.floor((Math.sqrt(12 * variance + 1) - 1) / 2);
  const [within, squares] = [2 * half + 1, (half * (half + 1) * (2 * half + 1)) / 3];
  return { half, edge: (variance * within - squares) / (2 * ((half + 1) ** 2 - variance)) };
}

/** A running mean along rows of a picture, its border carried on. */
function meanAcross(from: Float32Array, width: number, height: number, { half, edge }: Mean, to: Float32Array): void {
  const share = 1 / (2 * half + 1 + 2 * edge);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let sum = 0;
    for (let k = -half; k <= half; k++) sum += from[row + Math.max(0, Math.min(width - 1, k))]!;
    for (let x = 0; x < width; x++) {
      const next = from[row + Math.min(width - 1, x + half + 1)]!;
      to[row + x] = share * (sum + edge * (next + from[row + Math.max(0, x - half - 1)]!));
      sum += next - from[row + Math.max(0, x - half)]!;
    }
  }
}

function meanDown(from: Float32Array, width: number, height: number, { half, edge }: Mean, to: Float32Array): void {
  const share = 1 / (2 * half + 1 + 2 * edge);
  const sums = new Float64Array(width);
  for (let k = -half; k <= half; k++) {
    const row = Math.max(0, Math.min(height - 1, k)) * width;
    for (let x = 0; x < width; x++) sums[x] = sums[x]! + from[row + x]!;
  }
  for (let y = 0; y < height; y++) {
    const next = Math.min(height - 1, y + half + 1) * width;
    const before = Math.max(0, y - half - 1) * width;
    const last = Math.max(0, y - half) * width;
    for (let x = 0; x < width; x++) {
      to[y * width + x] = share * (sums[x]! + edge * (from[next + x]! + from[before + x]!));
      sums[x] = sums[x]! + from[next + x]! - from[last + x]!;
    }
  }
}

/** A Gaussian by its own weights: of any width, but best a narrow one. Its border is carried on. */
function narrow(from: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const reach = Math.ceil(3.5 * sigma);
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)),
  );
  const all = weights.reduce((a, b) => a + b, 0);
  const across = new Float32Array(from.length);
  const line = new Float64Array(width + 2 * reach);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let x = 0; x < line.length; x++) line[x] = from[row + Math.max(0, Math.min(width - 1, x - reach))]!;
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let k = 0; k <= 2 * reach; k++) sum += weights[k]! * line[x + k]!;
      across[row + x] = sum / all;
    }
  }
  const out = new Float32Array(from.length);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let k = -reach; k <= reach; k++) {
      const source = Math.max(0, Math.min(height - 1, y + k)) * width;
      const weight = weights[k + reach]! / all;
      for (let x = 0; x < width; x++) out[row + x] = out[row + x]! + weight * across[source + x]!;
    }
  }
  return out;
}

/**
 * A picture blurred by about a Gaussian, standard deviation in px. Wide ones are three running means, whose widths need not be
 * whole: pictures of two scales must be blurred alike.
 */
export function softened({ width, height, data }: Grey, sigma: number): Float32Array {
  if (sigma < 0.3) return data;
  if (sigma < 1.3) return narrow(data, width, height, sigma);
  const mean = meanOf(sigma);
  const across = new Float32Array(data.length);
  const down = new Float32Array(data.length);
  for (let round = 0; round < 3; round++) {
    meanAcross(round === 0 ? data : down, width, height, mean, across);
    meanDown(across, width, height, mean, down);
  }
  return down;
}

/**
 * What lies between two blurs of a picture: structure of about one size, without slow light and without noise.
 *
 * @param more squared deviation by which it is to be blurred besides, px²
 */
export function banded(grey: Grey, sigma: number, more = 0): Grey {
  const from = more > 0 ? { ...grey, data: narrow(grey.data, grey.width, grey.height, Math.sqrt(more)) } : grey;
  const [fine, coarse] = [softened(from, sigma), softened(from, 3 * sigma)];
  const data = new Float32Array(fine.length);
  for (let i = 0; i < data.length; i++) data[i] = fine[i]! - coarse[i]!;
  return { ...grey, data };
}

/** A smaller copy of about so many px along its longer side. */
export function smaller(grey: Grey, longest: number): Copy {
  const by = Math.max(1, Math.round(Math.max(grey.width, grey.height) / longest));
  const copy = reduced(grey, by);
  return { grey: copy, by, rim: rimOf(grey, copy, by) };
}
