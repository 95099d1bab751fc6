import { lightAt, type Grey } from '../../picture/grey';
import { gaussian } from '../smooth';

/** The steepest fall of light along one ray from a middle outwards. */
export interface LimbPoint {
  /** Direction of the ray, radians from +x towards +y. */
  phi: number;
  /** px from the middle. */
  r: number;
  /** Light a px, positive. */
  steepness: number;
}

/** Samples are half a px apart, on broad falls as far as the smoothing allows. */
const STEP_PX = 0.5;
const stepFor = (smoothPx: number): number => Math.max(STEP_PX, smoothPx / 3);

/** One ray a px of circumference, at least 72, at most 480: more tell nothing new of two axes and a middle. */
export const rayCount = (radius: number): number => Math.max(72, Math.min(480, Math.round(2 * Math.PI * radius)));

/** A limb's own fall is no less than this share of the steepest along its ray: darkening at the limb takes most of it. */
const OUTER_SHARE = 0.3;

/** The outermost peak of the fall along a ray that is high enough; the steepest where there is none farther out. */
function outermost(fall: (i: number) => number, steepest: number, samples: number, least: number): number {
  for (let i = samples - 1; i > steepest; i--)
    if (fall(i) >= least && fall(i) >= fall(i - 1) && fall(i) >= fall(i + 1)) return i;
  return steepest;
}

/**
 * Where the light falls most steeply along rays from a middle.
 *
 * @param sign 1 for a disc lighter than the ground, −1 for a darker one
 * @param noise deviation of the ground: then the outermost fall that stands out of it is taken, for bands and maria fall too
 * @param from,to the stretch of each ray that is looked at, px
 */
export function limbRays(
  grey: Grey,
  { x, y, sign }: { x: number; y: number; sign: 1 | -1 },
  from: number,
  to: number,
  smoothPx: number,
  noise?: number,
): LimbPoint[] {
  const count = rayCount((from + to) / 2);
  const step = stepFor(smoothPx);
  const samples = Math.max(8, Math.ceil((to - from) / step));
  // Bound here: the loop asks for it millions of times.
  const light = lightAt;
  const points: LimbPoint[] = [];
  for (let k = 0; k < count; k++) {
    const phi = (2 * Math.PI * k) / count;
    const [c, s] = [Math.cos(phi), Math.sin(phi)];
    const inside = (r: number) =>
      x + r * c >= 1 && y + r * s >= 1 && x + r * c <= grey.width - 2 && y + r * s <= grey.height - 2;
    const profile = new Float64Array(samples + 1);
    for (let i = 0; i <= samples; i++)
      profile[i] = sign * light(grey, x + (from + i * step) * c, y + (from + i * step) * s);
    const soft = gaussian(profile, smoothPx / step);
    let best = 0;
    let at = -1;
    for (let i = 1; i < samples; i++) {
      const fall = soft[i - 1]! - soft[i + 1]!;
      if (fall > best) {
        best = fall;
        at = i;
      }
    }
    const fall = (i: number) => (i < 1 || i >= samples ? 0 : soft[i - 1]! - soft[i + 1]!);
    if (noise !== undefined && at >= 1) {
      at = outermost(fall, at, samples, Math.max(OUTER_SHARE * best, noise));
      best = fall(at);
    }
    if (at < 1 || !inside(from + at * step)) continue;
    const bend = fall(at - 1) - 2 * best + fall(at + 1);
    const shift = bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (fall(at - 1) - fall(at + 1))) / bend)) : 0;
    points.push({ phi, r: from + (at + shift) * step, steepness: best / (2 * step) });
  }
  return points;
}
