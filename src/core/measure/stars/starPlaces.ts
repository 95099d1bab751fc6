import { robustDeviation } from '../smooth';
import type { SkyLight } from './skyLight';

/** A bright patch that may be a star, px. */
export interface StarPlace {
  x: number;
  y: number;
  /** Half of its size along x and y, px. */
  reachX: number;
  reachY: number;
  /** Number of the patch, and the light in it. */
  label: number;
  flux: number;
}

export interface StarPlaces {
  places: StarPlace[];
  /** Patch of every pixel, from 1; 0 for the sky. */
  labels: Int32Array;
}

/** So many of the brightest are measured. */
const MOST_STARS = 800;
/** A patch stands so many deviations of the smoothed picture above the sky. */
const ABOVE = 5;
/** A pixel so many times above all its neighbours is no light that came through a lens. */
const HOT = 2.6;

/** Puts the mean of the neighbours in the place of single pixels that stand out alone. */
function withoutHot({ above, noise }: SkyLight, width: number, height: number): Float32Array {
  const out = above.slice();
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const own = above[at]!;
      if (own < 5 * noise) continue;
      let [second, sum] = [0, 0];
      for (let dy = -width; dy <= width; dy += width)
        for (let dx = -1; dx <= 1; dx++) {
          if (dx === 0 && dy === 0) continue;
          const value = above[at + dy + dx]!;
          sum += value;
          if (value > second) second = value;
        }
      if (own > HOT * Math.max(second, noise)) out[at] = sum / 8;
    }
  return out;
}

const WEIGHTS = [0.3086, 0.2297, 0.0945, 0.0215] as const;

/** Smoothed with a Gaussian of 1.3 px, which stars are about as wide as. */
function smoothed(data: Float32Array, width: number, height: number): Float32Array {
  const across = new Float32Array(data.length);
  const reach = WEIGHTS.length - 1;
  const [w0, w1, w2, w3] = WEIGHTS;
  for (let y = 0; y < height; y++) {
    const end = (y + 1) * width - reach;
    for (let at = y * width + reach; at < end; at++)
      across[at] =
        w0 * data[at]! +
        w1 * (data[at - 1]! + data[at + 1]!) +
        w2 * (data[at - 2]! + data[at + 2]!) +
        w3 * (data[at - 3]! + data[at + 3]!);
  }
  const out = new Float32Array(data.length);
  const [a, b, c] = [width, 2 * width, 3 * width];
  const end = (height - reach) * width;
  for (let at = reach * width; at < end; at++)
    out[at] =
      w0 * across[at]! +
      w1 * (across[at - a]! + across[at + a]!) +
      w2 * (across[at - b]! + across[at + b]!) +
      w3 * (across[at - c]! + across[at + c]!);
  return out;
}

/** Bright patches of a picture without its sky, the brightest first. */
export function starPlaces(sky: SkyLight, width: number, height: number): StarPlaces & { light: Float32Array } {
  const light = withoutHot(sky, width, height);
  const smooth = smoothed(light, width, height);
  const every = Math.max(1, Math.floor(smooth.length / 40_000));
  const sample: number[] = [];
  for (let at = 0; at < smooth.length; at += every) if (smooth[at] !== 0) sample.push(smooth[at]!);
  const level = ABOVE * Math.max(robustDeviation(sample, 0), sky.noise * 0.12);
  const labels = new Int32Array(smooth.length);
  const places: StarPlace[] = [];
  const queue: number[] = [];
  let label = 0;
  for (let start = 0; start < smooth.length; start++) {
    if (smooth[start]! < level || labels[start]) continue;
    label++;
    queue.length = 0;
    queue.push(start);
    labels[start] = label;
    let [x0, x1, y0, y1] = [width, 0, height, 0];
    let [sum, sx, sy] = [0, 0, 0];
    for (let k = 0; k < queue.length; k++) {
      const at = queue[k]!;
      const [x, y] = [at % width, Math.floor(at / width)];
      x0 = Math.min(x0, x);
      x1 = Math.max(x1, x);
      y0 = Math.min(y0, y);
      y1 = Math.max(y1, y);
      sum += smooth[at]!;
      sx += smooth[at]! * x;
      sy += smooth[at]! * y;
      for (let dy = -width; dy <= width; dy += width)
        for (let dx = -1; dx <= 1; dx++) {
          const next = at + dy + dx;
          if (next < 0 || next >= smooth.length || labels[next] || smooth[next]! < level) continue;
          labels[next] = label;
          queue.push(next);
        }
    }
    // What the border cuts has lost a part of its stroke; what is huge is the ground, or the Moon.
    const cut = x0 < 6 || y0 < 6 || x1 > width - 7 || y1 > height - 7;
    if (cut || queue.length < 4 || queue.length > 0.02 * smooth.length) continue;
    places.push({ x: sx / sum, y: sy / sum, reachX: (x1 - x0) / 2, reachY: (y1 - y0) / 2, label, flux: sum });
  }
  places.sort((a, b) => b.flux - a.flux);
  return { places: places.slice(0, MOST_STARS), labels, light };
}
