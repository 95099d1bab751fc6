import { reduced, type Grey } from '../../picture/grey';
import { backgroundOf, type Background } from '../border';
import { above, patchesOf } from '../component';
import { median } from '../smooth';

/** A disc roughly: where and how large, and whether it is lighter (1) or darker (−1) than what lies behind. */
export interface RoughDisc {
  x: number;
  y: number;
  radius: number;
  sign: 1 | -1;
  background: Background;
  /** Deviation of the ground, light. */
  noise: number;
  /** It reaches to the picture's border. */
  cut: boolean;
}

/** The picture is searched at about so many px. */
const SEARCH_PX = 700;
const FRAME = 0.06;

/** The level that parts values best in two (Otsu, 1979), by a histogram of 256 steps. */
export function otsu(values: Float32Array): number {
  let low = Infinity;
  let high = -Infinity;
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (!(high > low)) return low;
  const bins = new Float64Array(256);
  for (const value of values) {
    const at = Math.min(255, Math.floor(((value - low) / (high - low)) * 256));
    bins[at] = bins[at]! + 1;
  }
  const total = bins.reduce((sum, count, i) => sum + count * i, 0);
  let below = 0;
  let weighted = 0;
  let best = -1;
  let cut = 0;
  for (let i = 0; i < 255; i++) {
    below += bins[i]!;
    weighted += bins[i]! * i;
    const above = values.length - below;
    if (below === 0 || above === 0) continue;
    const between = below * above * (weighted / below - (total - weighted) / above) ** 2;
    if (between > best) {
      best = between;
      cut = i;
    }
  }
  return low + ((cut + 1) / 256) * (high - low);
}

/** A disc's darkest parts, belts, maria, the limb itself, keep at least this share of the light of its brighter half. */
const DARKEST_SHARE = 0.12;

/**
 * The outline against the ground: by the level that parts light from dark a bright belt would win over the disc, so all that stands
 * out of the ground belongs to it, unless that reaches the border, as glow may.
 */
function silhouette(off: Float32Array, { width, height }: Grey, level: number, noise: number) {
  const patchAbove = (least: number) => patchesOf(above(off, least, 1), width, height, 12)[0];
  const bright = patchAbove(level);
  if (!bright) return undefined;
  const middle = median(bright.pixels.map((at) => off[at]!));
  const low = Math.max(5 * noise, DARKEST_SHARE * middle);
  const whole = low < level ? patchAbove(low) : undefined;
  return whole && !whole.touchesBorder ? whole : bright;
}

/** Finds the largest patch that stands out of the ground; nothing when none does. */
export function roughDisc(grey: Grey): RoughDisc | null {
  const by = Math.max(1, Math.round(Math.max(grey.width, grey.height) / SEARCH_PX));
  const small = reduced(grey, by);
  const ground = backgroundOf(small, FRAME, 3);
  const off = small.data.map((value, i) => value - ground.at(i % small.width, (i / small.width) | 0));
  let up = 0;
  let down = 0;
  for (const value of off) {
    if (value > 5 * ground.noise) up += value;
    if (value < -5 * ground.noise) down -= value;
  }
  if (up === 0 && down === 0) return null;
  const sign = up >= down ? 1 : -1;
  const turned = off.map((value) => sign * value);
  const level = Math.max(otsu(turned), 5 * ground.noise);
  const patch = silhouette(turned, small, level, ground.noise);
  if (!patch) return null;
  let x = 0;
  let y = 0;
  for (const at of patch.pixels) {
    x += at % small.width;
    y += (at / small.width) | 0;
  }
  const count = patch.pixels.length;
  const full = backgroundOf(grey, FRAME, 3);
  return {
    x: (x / count + 0.5) * by - 0.5,
    y: (y / count + 0.5) * by - 0.5,
    radius: Math.sqrt(count / Math.PI) * by,
    sign,
    background: full,
    noise: full.noise,
    cut: patch.touchesBorder,
  };
}
