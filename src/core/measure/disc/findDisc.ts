import { lightAt, type Grey } from '../../picture/grey';
import { fail, ok, type Result } from '../../quantity/result';
import { median, quantile } from '../smooth';
import { axesOf, fitAround, likeliestCircle, radiusAt, type Ellipse } from './ellipse';
import { fitLimb, type LimbFit, type Stack } from './limbProfile';
import { limbRays, rayCount, type LimbPoint } from './limbRays';
import { roughDisc, type RoughDisc } from './roughDisc';

/** A measured disc. Errors are half-widths that hold the truth in about 95 of 100 cases. */
export interface DiscFound {
  /** Longer and shorter diameter, px; the same where no flattening is to be seen. */
  equatorialDiameterPx: number;
  polarDiameterPx: number;
  diameterError: number;
  polarError: number;
  /** Where the longer axis points, degrees from +x towards +y, −90 to 90; nothing for a round disc or one in phase. */
  equatorDeg: number | null;
  equatorError: number;
  centre: [number, number];
  centreError: number;
  /** Not fully lit: a circle was fitted to the bright part of the limb. */
  phase: boolean;
  /** Part of the disc is as bright as the file goes. */
  clipped: boolean;
  /** Blur of the limb, standard deviation, px. */
  blurPx: number;
}

const DEGREES = 180 / Math.PI;
const SECTORS = 8;

const noDisc = fail(
  'disc.none',
  'No disc was found: something round must stand out of an even ground and lie inside the picture as a whole.',
  'picture',
);
const cutOff = fail(
  'disc.cut',
  'The disc reaches beyond the picture: take one in which all of it, and some ground around it, is to be seen.',
  'picture',
);
const tooSmall = fail(
  'disc.small',
  'The disc is less than 8 px wide: nothing can be measured on it. Use more focal length.',
  'picture',
);

/** Everything the steps hand on. */
interface Work {
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

function firstEllipse(grey: Grey, rough: RoughDisc): Work | null {
  const smooth = Math.max(1, 0.02 * rough.radius);
  const points = limbRays(grey, rough, 0.15 * rough.radius, 2.2 * rough.radius, smooth);
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

/** Rays from the middle of an ellipse across a band around it. */
function raysAround(grey: Grey, rough: RoughDisc, ellipse: Ellipse, band: number): LimbPoint[] {
  const smooth = Math.max(0.8, Math.min(2.5, 0.02 * ellipse.radius));
  return limbRays(
    grey,
    { ...ellipse, sign: rough.sign },
    Math.max(1, ellipse.radius - band),
    ellipse.radius + band,
    smooth,
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

/** Rays from a better middle, and whether all of the limb is lit; with the ellipse through what is believed. */
function around(grey: Grey, rough: RoughDisc, circle: Ellipse): Work | null {
  const band = 0.22 * circle.radius + 3;
  const first = raysAround(grey, rough, circle, band);
  if (first.length < 12) return null;
  const lit = litFrom(first);
  let whole: Ellipse | null = circle;
  for (let i = 0; i < 2 && whole; i++)
    whole = again(onLimb(raysAround(grey, rough, whole, band), whole, i ? 0.06 : 0.14), whole, false);
  const seen = whole ? onLimb(raysAround(grey, rough, whole, band), whole, 0.04).length : 0;
  const phase = lit.share > 0.35 || seen < 0.78 * rayCount(circle.radius);
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

/**
 * Light along the normals of an ellipse, each divided by its own inner level, stacked.
 *
 * @param taken which of eight parts of the limb are taken
 */
function stacked(
  { grey, rough, ellipse, believed, phase, clippedAt: full }: Work,
  reach: number,
  taken: (sector: number) => boolean,
): { stack: Stack; top: number | null } {
  const count = Math.min(1440, 2 * rayCount(ellipse.radius));
  const step = Math.max(0.25, reach / 36);
  const d: number[] = [];
  for (let at = -reach; at <= 0.8 * reach + 1e-9; at += step) d.push(at);
  const sum = new Float64Array(d.length);
  let rays = 0;
  let level = 0;
  for (let k = 0; k < count; k++) {
    const phi = (2 * Math.PI * (k + 0.5)) / count;
    if (!believed(phi) || !taken(sectorOf(phi, phase, believed))) continue;
    const r = radiusAt(ellipse, phi);
    const normal = normalAt(ellipse, phi);
    const [x, y] = [ellipse.x + r * Math.cos(phi), ellipse.y + r * Math.sin(phi)];
    const light = d.map((at) => {
      const [px, py] = [x + at * Math.cos(normal), y + at * Math.sin(normal)];
      return rough.sign * (lightAt(grey, px, py) - rough.background.at(px, py));
    });
    const inner = median(light.slice(0, Math.max(3, Math.round(light.length * 0.12))));
    if (!(inner > 0)) continue;
    light.forEach((value, i) => (sum[i] = sum[i]! + value / inner));
    level += inner;
    rays++;
  }
  const ground = level / Math.max(1, rays);
  return {
    stack: { d, light: Array.from(sum, (value) => value / Math.max(1, rays)) },
    top: full === null ? null : (full - rough.background.at(ellipse.x, ellipse.y)) / ground,
  };
}

/** Direction square to an ellipse at a ray's direction. */
function normalAt(ellipse: Ellipse, phi: number): number {
  const h = 1e-3;
  const [a, b] = [radiusAt(ellipse, phi - h), radiusAt(ellipse, phi + h)];
  const [tx, ty] = [b * Math.cos(phi + h) - a * Math.cos(phi - h), b * Math.sin(phi + h) - a * Math.sin(phi - h)];
  return Math.atan2(-tx, ty);
}

/** Which of eight parts of the believed limb a direction lies in. */
function sectorOf(phi: number, phase: boolean, believed: (phi: number) => boolean): number {
  if (!phase) return Math.floor((((phi / (2 * Math.PI)) % 1) + 1) * SECTORS) % SECTORS;
  // In phase the believed arc is one piece: its own eighths.
  const steps = 360;
  let count = 0;
  let before = 0;
  let start = 0;
  for (let i = 0; i < steps; i++)
    if (believed((2 * Math.PI * i) / steps) && !believed((2 * Math.PI * (i - 1)) / steps)) start = i;
  for (let i = start; i < start + steps && believed((2 * Math.PI * i) / steps); i++) count++;
  before = ((phi / (2 * Math.PI)) * steps - start + 2 * steps) % steps;
  return Math.min(SECTORS - 1, Math.floor((before / Math.max(1, count)) * SECTORS));
}

interface Limb extends LimbFit {
  /** Standard error of the offset by leaving out sectors. */
  error: number;
  /** Offset of each eighth by itself, px; only in phase. */
  own: number[];
}

function limbOf(work: Work): Limb | null {
  const steepest = median(work.points.filter(({ phi }) => work.believed(phi)).map(({ steepness }) => steepness));
  const inner = Math.max(1e-9, stackedLevel(work));
  // A Gaussian edge of deviation σ falls by height/(σ√2π) at its steepest.
  const guess = Math.max(0.6, Math.min(0.3 * work.ellipse.radius, inner / (steepest * Math.sqrt(2 * Math.PI))));
  const reach = Math.min(0.6 * work.ellipse.radius, Math.max(6 * guess, 8, 0.12 * work.ellipse.radius));
  const fit = (taken: (sector: number) => boolean, begun?: number[]): LimbFit => {
    const { stack, top } = stacked(work, reach, taken);
    return fitLimb(stack, work.ellipse.radius, top, guess, begun);
  };
  const whole = fit(() => true);
  if (!Number.isFinite(whole.offsetPx)) return null;
  const parts = Array.from({ length: SECTORS }, (_, i) => fit((sector) => sector !== i, whole.parameters).offsetPx);
  const mean = parts.reduce((sum, value) => sum + value, 0) / SECTORS;
  const spread = parts.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  const own = work.phase
    ? Array.from({ length: SECTORS }, (_, i) => fit((sector) => sector === i, whole.parameters).offsetPx)
    : [];
  return { ...whole, own, error: Math.sqrt(((SECTORS - 1) / SECTORS) * spread) };
}

/**
 * In phase the limb moves inwards more and more towards the horns, which makes the circle smaller: each eighth of the
 * believed limb is moved by its own offset, and the circle drawn anew.
 */
function withOwnLimbs(work: Work, limb: Limb): Work {
  const middles = middlesOf(work);
  const points = middles.flatMap(({ phi, sector }): LimbPoint[] => {
    const offset = limb.own[sector]!;
    return Math.abs(offset - limb.offsetPx) > 0.1 * work.ellipse.radius
      ? []
      : [{ phi, r: work.ellipse.radius + offset, steepness: 1 }];
  });
  const next = fitAround(points, work.ellipse, true);
  return next ? { ...work, ellipse: { ...next, radius: next.radius - limb.offsetPx } } : work;
}

/** Directions over the believed limb, with the part each lies in. */
const middlesOf = ({ believed, phase }: Work): { phi: number; sector: number }[] =>
  Array.from({ length: 360 }, (_, i) => (2 * Math.PI * i) / 360)
    .filter(believed)
    .map((phi) => ({ phi, sector: sectorOf(phi, phase, believed) }));

function stackedLevel({ grey, rough, ellipse, believed }: Work): number {
  const levels: number[] = [];
  for (let k = 0; k < 72; k++) {
    const phi = (2 * Math.PI * k) / 72;
    if (!believed(phi)) continue;
    const r = 0.85 * radiusAt(ellipse, phi);
    const [x, y] = [ellipse.x + r * Math.cos(phi), ellipse.y + r * Math.sin(phi)];
    levels.push(rough.sign * (lightAt(grey, x, y) - rough.background.at(x, y)));
  }
  return median(levels);
}

/** Standard error of radius, flattening and middle by leaving out sectors of the rays. */
function scatterOf({ ellipse, points, believed, phase }: Work): { radius: number; e: number; middle: number } {
  const near = points.filter(
    ({ phi, r }) => believed(phi) && Math.abs(r - radiusAt(ellipse, phi)) < Math.max(1.5, 0.06 * ellipse.radius),
  );
  const fits = Array.from({ length: SECTORS }, (_, i) =>
    fitAround(
      near.filter(({ phi }) => sectorOf(phi, phase, believed) !== i),
      ellipse,
      phase,
    ),
  ).filter((each): each is Ellipse => each !== null);
  const spread = (of: (each: Ellipse) => number): number => {
    const values = fits.map(of);
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    return Math.sqrt(((values.length - 1) / values.length) * values.reduce((a, b) => a + (b - mean) ** 2, 0));
  };
  return {
    radius: spread(({ radius }) => radius),
    e: Math.hypot(
      spread(({ e1 }) => e1),
      spread(({ e2 }) => e2),
    ),
    middle: Math.hypot(
      spread(({ x }) => x),
      spread(({ y }) => y),
    ),
  };
}

function foundOf(work: Work, limb: Limb): DiscFound {
  const { ellipse, phase, clippedAt: full } = work;
  const scatter = scatterOf(work);
  const axes = axesOf(ellipse);
  const flattened = !phase && Math.hypot(ellipse.e1, ellipse.e2) > Math.max(2.5 * scatter.e, 0.004);
  const [longer, shorter] = flattened ? [axes.longer, axes.shorter] : [ellipse.radius, ellipse.radius];
  const bracket =
    Math.hypot(limb.error, phase ? scatter.radius : 0) ** 2 +
    (0.04 +
      0.2 * Math.abs(limb.offsetPx) * 0.5 +
      (0.45 * limb.sigmaPx ** 2) / ellipse.radius +
      (phase ? 0.1 + 0.2 * limb.sigmaPx + 0.002 * ellipse.radius : 0) +
      (full === null ? 0 : 0.15)) **
      2;
  // In phase the parts of the bracket do not all fall together: three quarters of it held the truth as often in 50
  // simulated discs. Not derived.
  const diameterError = (phase ? 1.5 : 2) * Math.sqrt(bracket);
  const flattening = flattened ? 2 * scatter.e * ellipse.radius : 0;
  return {
    equatorialDiameterPx: 2 * (longer + limb.offsetPx),
    polarDiameterPx: 2 * (shorter + limb.offsetPx),
    diameterError: Math.hypot(diameterError, flattening),
    polarError: Math.hypot(diameterError, flattening),
    equatorDeg: flattened ? axes.phi * DEGREES : null,
    equatorError: flattened ? Math.max(0.2, (scatter.e / Math.hypot(ellipse.e1, ellipse.e2)) * DEGREES) : 0,
    centre: [ellipse.x, ellipse.y],
    centreError: 2 * Math.hypot(scatter.middle, 0.02) + (phase ? diameterError / 2 : 0),
    phase,
    clipped: full !== null,
    blurPx: limb.sigmaPx,
  };
}

/**
 * Measures the disc of a planet, the Moon, or something round: an ellipse through the steepest places, moved out to the true
 * limb by the shape of the light across it. The half level is not the limb: limb darkening and blur pull it inwards, too much
 * light pushes it outwards.
 *
 * @returns a problem with what to do when there is no disc, or not all of it
 */
export function findDisc(grey: Grey): Result<DiscFound> {
  const rough = roughDisc(grey);
  if (!rough) return noDisc;
  if (rough.cut) return cutOff;
  if (rough.radius < 3) return tooSmall;
  const work = firstEllipse(grey, rough);
  if (!work) return noDisc;
  const { x, y, radius } = work.ellipse;
  const outside = [x - radius, y - radius, grey.width - 1 - x - radius, grey.height - 1 - y - radius].some(
    (room) => room < -0.02 * radius,
  );
  if (outside && !work.phase) return cutOff;
  if (radius < 4) return tooSmall;
  const limb = limbOf(work);
  if (!limb || Math.abs(limb.offsetPx) > 0.3 * radius) return noDisc;
  return ok(foundOf(work.phase ? withOwnLimbs(work, limb) : work, limb));
}
