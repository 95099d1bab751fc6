import { reduced, type Grey } from '../../picture/grey';
import { odd, quantile } from '../smooth';

/** The logarithm of a picture's light: another exposure then only adds. */
function logLight(grey: Grey): Grey {
  const every = Math.max(1, Math.floor(grey.data.length / 20_000));
  const sample: number[] = [];
  for (let i = 0; i < grey.data.length; i += every) sample.push(grey.data[i]!);
  // Below a hundredth of the bright parts there is only noise, which a logarithm would blow up.
  const floor = Math.max(1e-6, 0.01 * quantile(sample, 0.95));
  return { ...grey, data: grey.data.map((value) => Math.log(Math.max(0, value) + floor)) };
}

/** A running mean along rows of a picture, its border carried on. */
function meanAcross(from: Float32Array, width: number, height: number, odds: number, to: Float32Array): void {
  const half = (odds - 1) / 2;
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let sum = 0;
    for (let k = -half; k <= half; k++) sum += from[row + Math.max(0, Math.min(width - 1, k))]!;
    for (let x = 0; x < width; x++) {
      to[row + x] = sum / odds;
      sum += from[row + Math.min(width - 1, x + half + 1)]! - from[row + Math.max(0, x - half)]!;
    }
  }
}

function meanDown(from: Float32Array, width: number, height: number, odds: number, to: Float32Array): void {
  const half = (odds - 1) / 2;
  const sums = new Float64Array(width);
  for (let k = -half; k <= half; k++) {
    const row = Math.max(0, Math.min(height - 1, k)) * width;
    for (let x = 0; x < width; x++) sums[x] = sums[x]! + from[row + x]!;
  }
  for (let y = 0; y < height; y++) {
    const next = Math.min(height - 1, y + half + 1) * width;
    const last = Math.max(0, y - half) * width;
    for (let x = 0; x < width; x++) {
      to[y * width + x] = sums[x]! / odds;
      sums[x] = sums[x]! + from[next + x]! - from[last + x]!;
    }
  }
}

/** Weights of a narrow Gaussian; wide ones are three running means. */
function narrow(from: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const reach = Math.ceil(3.5 * sigma);
  const weights = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)));
  const all = weights.reduce((a, b) => a + b, 0);
  const along = (stepX: number, stepY: number, source: Float32Array): Float32Array => {
    const to = new Float32Array(source.length);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        let sum = 0;
        for (let k = -reach; k <= reach; k++) {
          const px = Math.max(0, Math.min(width - 1, x + k * stepX));
          const py = Math.max(0, Math.min(height - 1, y + k * stepY));
          sum += weights[k + reach]! * source[py * width + px]!;
        }
        to[y * width + x] = sum / all;
      }
    return to;
  };
  return along(0, 1, along(1, 0, from));
}

/** A picture blurred by about a Gaussian, standard deviation in px. */
export function softened({ width, height, data }: Grey, sigma: number): Float32Array {
  if (sigma < 0.3) return data;
  if (sigma < 1.3) return narrow(data, width, height, sigma);
  // Three means of width k have a variance of (k² − 1)/4.
  const odds = Math.max(3, odd(Math.sqrt(4 * sigma * sigma + 1)));
  let from = data;
  for (let round = 0; round < 3; round++) {
    const across = new Float32Array(data.length);
    meanAcross(from, width, height, odds, across);
    const down = new Float32Array(data.length);
    meanDown(across, width, height, odds, down);
    from = down;
  }
  return from;
}

/** What lies between two blurs of a picture: structure of about one size, without slow light and without noise. */
export function banded(grey: Grey, sigma: number): Grey {
  const [fine, coarse] = [softened(grey, sigma), softened(grey, 3 * sigma)];
  return { ...grey, data: fine.map((value, i) => value - coarse[i]!) };
}

/** The logarithm of the light of a smaller copy of about so many px along its longer side, and by how much it is smaller. */
export function smaller(grey: Grey, longest: number): { grey: Grey; by: number } {
  const by = Math.max(1, Math.round(Math.max(grey.width, grey.height) / longest));
  return { grey: logLight(reduced(grey, by)), by };
}
