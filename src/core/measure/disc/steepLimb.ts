import type { Grey } from '../../picture/grey';
import { quantile } from '../smooth';
import { fitAround, likeliestCircle, radiusAt, type Ellipse } from './ellipse';
import { limbRays, rayCount, type LimbPoint } from './limbRays';
import type { RoughDisc } from './roughDisc';

const DEGREES = 180 / Math.PI;

/** An ellipse through the steepest places of a limb, with what of the limb is believed. */
export interface SteepLimb {
  grey: Grey;
  rough: RoughDisc;
  ellipse: Ellipse;
  /** Directions, radians, whose limb is believed. */
  believed: (phi: number) => boolean;
  phase: boolean;
  clippedAt: number | null;
  points: LimbPoint[];
}

/** How lopsided the steepness is around the limb: twice its first harmonic over its mean, and where it is largest. */
function litFrom(points: LimbPoint[]): { share: number; phi: number } {
  let [c, s, sum] = [0, 0, 0];
  for (const { phi, steepness } of points) {
    c += steepness * Math.cos(phi);
    s += steepness * Math.sin(phi);
    sum += steepness;
  }
  return { share: (2 * Math.hypot(c, s)) / Math.max(sum, 1e-12), phi: Math.atan2(s, c) };
}

/** Half the arc of a limb in phase that is believed: towards the horns it fades and its steepest place moves inwards. */
const believedArc = (diameter: number): number => (diameter > 130 ? 62 : diameter >= 75 ? 75 : 90) / DEGREES;

const turnBetween = (a: number, b: number): number => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));

/** Light at which the file is full inside the disc, when much of the disc is. */
function clippedAt({ grey, rough }: { grey: Grey; rough: RoughDisc }, ellipse: Ellipse): number | null {
  const inside: number[] = [];
  const reach = Math.ceil(ellipse.radius);
  const every = Math.max(1, Math.round(reach / 100));
  for (let dy = -reach; dy <= reach; dy += every)
    for (let dx = -reach; dx <= reach; dx += every)
      if (Math.hypot(dx, dy) < 0.97 * ellipse.radius) {
        const [x, y] = [Math.round(ellipse.x + dx), Math.round(ellipse.y + dy)];
        if (x >= 0 && y >= 0 && x < grey.width && y < grey.height) inside.push(grey.data[y * grey.width + x]!);
      }
  if (inside.length === 0 || rough.sign < 0) return null;
  const top = inside.reduce((a, b) => Math.max(a, b), -Infinity);
  // Two codes at the bright end of the tone curve.
  const near = top - Math.max(2 * grey.step, 0.012 * top);
  return inside.filter((value) => value >= near).length > 0.25 * inside.length && top > 0.6 ? near : null;
}

/** The ellipse through the steepest places of a disc's limb; nothing when they lie on none. */
export function firstEllipse(grey: Grey, rough: RoughDisc): SteepLimb | null {
  const smooth = Math.max(1, 0.02 * rough.radius);
  const points = limbRays(grey, rough, 0.15 * rough.radius, 2.2 * rough.radius, smooth, 6 * rough.noise);
  const strong = quantile(
    points.map(({ steepness }) => steepness),
    0.9,
  );
  const places = points
    .filter(({ steepness }) => steepness > 0.12 * strong)
    .map(({ phi, r, steepness }) => ({ x: rough.x + r * Math.cos(phi), y: rough.y + r * Math.sin(phi), steepness }));
  if (places.length < 12) return null;
  const circle = likeliestCircle(places, Math.max(1, 0.025 * rough.radius), [0.7 * rough.radius, 4 * rough.radius]);
  if (!circle) return null;
  return around(grey, rough, { ...circle, e1: 0, e2: 0 });
}

/**
 * Rays from the middle of an ellipse across a band around it.
 *
 * @param coarse smoothed as wide as the band allows: to find where the limb is, before it is measured
 */
function raysAround(grey: Grey, rough: RoughDisc, ellipse: Ellipse, band: number, coarse = false): LimbPoint[] {
  const smooth = Math.max(0.8, Math.min(coarse ? band / 40 : 2.5, 0.02 * ellipse.radius));
  return limbRays(
    grey,
    { ...ellipse, sign: rough.sign },
    Math.max(1, ellipse.radius - band),
    ellipse.radius + band,
    smooth,
    coarse ? 6 * rough.noise : undefined,
  );
}

/** The points that lie on an ellipse and are steep enough to be a limb. */
function onLimb(points: LimbPoint[], ellipse: Ellipse, tolerance: number): LimbPoint[] {
  const strong = quantile(
    points.map(({ steepness }) => steepness),
    0.85,
  );
  return points.filter(
    ({ phi, r, steepness }) =>
      steepness > 0.25 * strong && Math.abs(r - radiusAt(ellipse, phi)) < Math.max(1.5, tolerance * ellipse.radius),
  );
}

/** The same ellipse or circle once more, through the points near it. */
function again(points: LimbPoint[], ellipse: Ellipse, round: boolean): Ellipse | null {
  const most = points.reduce((best, { steepness }) => Math.max(best, steepness), 1e-12);
  const next = fitAround(
    points,
    ellipse,
    round,
    points.map(({ steepness }) => (steepness / most) ** 2),
  );
  return next && next.radius > 2 && Math.hypot(next.e1, next.e2) < 0.8 ? next : null;
}

/** An ellipse through all of a limb, from a first guess of it, and how many of its directions show one. */
function settled(grey: Grey, rough: RoughDisc, start: Ellipse): { ellipse: Ellipse | null; seen: number } {
  const band = 0.22 * start.radius + 3;
  let ellipse: Ellipse | null = start;
  for (let i = 0; i < 2 && ellipse; i++)
    ellipse = again(onLimb(raysAround(grey, rough, ellipse, band, true), ellipse, i ? 0.06 : 0.14), ellipse, false);
  if (!ellipse) return { ellipse, seen: 0 };
  const seen = onLimb(raysAround(grey, rough, ellipse, band, true), ellipse, 0.04).length;
  return { ellipse, seen: seen / rayCount(ellipse.radius) };
}

/** Less of a limb than this is one in phase; more of it than this is a whole one, however uneven its light. */
const [LEAST_WHOLE, SURELY_WHOLE] = [0.78, 0.93];

/** Rays from a better middle, and whether all of the limb is lit; with the ellipse through what is believed. */
function around(grey: Grey, rough: RoughDisc, circle: Ellipse): SteepLimb | null {
  const first = raysAround(grey, rough, circle, 0.22 * circle.radius + 3, true);
  if (first.length < 12) return null;
  const lit = litFrom(first);
  // Belts may be steeper than the limb: the outline against the ground is tried as well.
  const outline: Ellipse = { x: rough.x, y: rough.y, radius: rough.radius, e1: 0, e2: 0 };
  const [byLimb, byOutline] = [circle, outline].map((start) => settled(grey, rough, start));
  const { ellipse: whole, seen } = byOutline!.seen > byLimb!.seen + 0.05 ? byOutline! : byLimb!;
  const phase = seen < LEAST_WHOLE || (lit.share > 0.35 && seen < SURELY_WHOLE);
  const arc = believedArc(2 * circle.radius);
  const believed = phase ? (phi: number) => turnBetween(phi, lit.phi) <= arc : () => true;
  let ellipse = phase || !whole ? circle : whole;
  let points = first;
  for (let round = 0; round < 3; round++) {
    points = raysAround(grey, rough, ellipse, Math.max(4, 0.12 * ellipse.radius));
    const next = again(
      onLimb(points, ellipse, 0.06).filter(({ phi }) => believed(phi)),
      ellipse,
      phase,
    );
    if (!next) return null;
    ellipse = next;
  }
  return { grey, rough, ellipse, believed, phase, clippedAt: clippedAt({ grey, rough }, ellipse), points };
}
