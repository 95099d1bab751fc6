import { reduced, type Grey } from '../../picture/grey';
import { quantile } from '../smooth';

/** A straight run of steep places, on the picture as it is, px. */
export interface StraightRun {
  x: number;
  y: number;
  along: [number, number];
  /** Towards the light. */
  normal: [number, number];
  half: number;
  /** Mean steepness, light a px of the smaller copy. */
  strength: number;
}

/** The copy the search goes through has about so many px along its longer side. */
const SEARCH_PX = 640;
/** Steep places belong to one run as long as their direction agrees, as a cosine. */
const SAME_DIRECTION = Math.cos((14 * Math.PI) / 180);
/** Shorter runs on the copy tell nothing, and wider ones are no edges. */
const LEAST_PX = 18;
const WIDEST = 0.09;

/** Means of three by three pixels, twice: noise makes directions. */
function calmed({ width, height, data, step }: Grey): Grey {
  let from = data;
  for (let round = 0; round < 2; round++) {
    const to = new Float32Array(from.length);
    for (let y = 1; y < height - 1; y++)
      for (let x = 1; x < width - 1; x++) {
        const at = y * width + x;
        let sum = 0;
        for (let dy = -width; dy <= width; dy += width) sum += from[at + dy - 1]! + from[at + dy]! + from[at + dy + 1]!;
        to[at] = sum / 9;
      }
    from = to;
  }
  return { width, height, data: from, step };
}

interface Slopes {
  gx: Float32Array;
  gy: Float32Array;
  size: Float32Array;
}

function slopesOf({ width, height, data }: Grey): Slopes {
  const gx = new Float32Array(data.length);
  const gy = new Float32Array(data.length);
  const size = new Float32Array(data.length);
  // Three at the border are not believed: calming left nothing there.
  for (let y = 3; y < height - 3; y++)
    for (let x = 3; x < width - 3; x++) {
      const at = y * width + x;
      gx[at] = (data[at + 1]! - data[at - 1]!) / 2;
      gy[at] = (data[at + width]! - data[at - width]!) / 2;
      size[at] = Math.hypot(gx[at]!, gy[at]!);
    }
  return { gx, gy, size };
}

/** Steep places that hang together and point the same way, from one of them on. */
function grown({ gx, gy, size }: Slopes, width: number, from: number, least: number, taken: Uint8Array): number[] {
  const found = [from];
  taken[from] = 1;
  let [sx, sy] = [gx[from]!, gy[from]!];
  for (let k = 0; k < found.length; k++) {
    const at = found[k]!;
    for (const next of [
      at - 1,
      at + 1,
      at - width,
      at + width,
      at - width - 1,
      at - width + 1,
      at + width - 1,
      at + width + 1,
    ]) {
      if (taken[next] || size[next]! < least) continue;
      const cosine = (gx[next]! * sx + gy[next]! * sy) / (size[next]! * Math.hypot(sx, sy));
      if (cosine < SAME_DIRECTION) continue;
      taken[next] = 1;
      found.push(next);
      sx += gx[next]!;
      sy += gy[next]!;
    }
  }
  return found;
}

/** The line through places, weighted by their steepness; nothing where they are a blob or too few. */
function runOf({ gx, gy, size }: Slopes, width: number, places: number[], by: number): StraightRun | null {
  let [all, mx, my, sx, sy] = [0, 0, 0, 0, 0];
  for (const at of places) {
    const weight = size[at]!;
    all += weight;
    mx += weight * (at % width);
    my += weight * Math.floor(at / width);
    sx += gx[at]!;
    sy += gy[at]!;
  }
  [mx, my] = [mx / all, my / all];
  let [xx, xy, yy] = [0, 0, 0];
  for (const at of places) {
    const [dx, dy, weight] = [(at % width) - mx, Math.floor(at / width) - my, size[at]! / all];
    xx += weight * dx * dx;
    xy += weight * dx * dy;
    yy += weight * dy * dy;
  }
  const turn = 0.5 * Math.atan2(2 * xy, xx - yy);
  const along: [number, number] = [Math.cos(turn), Math.sin(turn)];
  const across = Math.sqrt(Math.max(0, xx * along[1] ** 2 - 2 * xy * along[0] * along[1] + yy * along[0] ** 2));
  const offsets = places.map((at) => ((at % width) - mx) * along[0] + (Math.floor(at / width) - my) * along[1]);
  const [low, high] = [quantile(offsets, 0.01), quantile(offsets, 0.99)];
  const half = (high - low) / 2;
  if (2 * half < LEAST_PX || across > Math.max(2.2, WIDEST * 2 * half)) return null;
  const middle = (high + low) / 2;
  const towards = Math.sign(-along[1] * sx + along[0] * sy) || 1;
  return {
    x: (mx + middle * along[0] + 0.5) * by - 0.5,
    y: (my + middle * along[1] + 0.5) * by - 0.5,
    along,
    normal: [-towards * along[1], towards * along[0]],
    half: half * by,
    strength: all / places.length,
  };
}

/** All straight runs of steep places of a picture, the longest and steepest first. */
export function straightRuns(grey: Grey): StraightRun[] {
  const by = Math.max(1, Math.round(Math.max(grey.width, grey.height) / SEARCH_PX));
  const small = calmed(reduced(grey, by));
  const slopes = slopesOf(small);
  const { size } = slopes;
  const usual = quantile(size, 0.5);
  const least = Math.max(4 * usual, 0.12 * quantile(size, 0.998), small.step / 4);
  const seeds: number[] = [];
  for (let at = 0; at < size.length; at++) if (size[at]! >= 1.5 * least) seeds.push(at);
  seeds.sort((a, b) => size[b]! - size[a]!);
  const taken = new Uint8Array(size.length);
  const runs: StraightRun[] = [];
  for (const seed of seeds) {
    if (taken[seed]) continue;
    const places = grown(slopes, small.width, seed, least, taken);
    if (places.length < LEAST_PX) continue;
    const run = runOf(slopes, small.width, places, by);
    if (run) runs.push(run);
  }
  return runs.sort((a, b) => b.half * Math.sqrt(b.strength) - a.half * Math.sqrt(a.strength));
}
