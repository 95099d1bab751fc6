import { lightAt } from '../../picture/grey';
import { median } from '../smooth';
import { radiusAt, type Ellipse } from './ellipse';
import type { Stack } from './limbProfile';
import { rayCount } from './limbRays';
import type { SteepLimb } from './steepLimb';

/** Into so many parts the limb is divided: what each tells without the others shows how far they agree. */
export const SECTORS = 8;

/** Light along the normals of an ellipse, each divided by its own inner level, summed up in eighths of the limb. */
export interface Eighths {
  /** px outside the ellipse. */
  d: number[];
  sums: Float64Array[];
  /** Rays of each eighth, and the sum of their inner levels. */
  rays: number[];
  levels: number[];
}

/** The profiles of a limb, out to so many px on its inner side. */
export function eighthsOf({ grey, rough, ellipse, believed, phase }: SteepLimb, reach: number): Eighths {
  const count = Math.min(1440, 2 * rayCount(ellipse.radius));
  const step = Math.max(0.25, reach / 36);
  const d: number[] = [];
  for (let at = -reach; at <= 0.8 * reach + 1e-9; at += step) d.push(at);
  const sums = Array.from({ length: SECTORS }, () => new Float64Array(d.length));
  const rays = new Array<number>(SECTORS).fill(0);
  const levels = new Array<number>(SECTORS).fill(0);
  const innermost = Math.max(3, Math.round(d.length * 0.12));
  const sectorAt = sectorsOf(phase, believed);
  const light = new Float64Array(d.length);
  for (let k = 0; k < count; k++) {
    const phi = (2 * Math.PI * (k + 0.5)) / count;
    if (!believed(phi)) continue;
    const sector = sectorAt(phi);
    const r = radiusAt(ellipse, phi);
    const normal = normalAt(ellipse, phi);
    const [x, y] = [ellipse.x + r * Math.cos(phi), ellipse.y + r * Math.sin(phi)];
    const [c, s] = [Math.cos(normal), Math.sin(normal)];
    for (let i = 0; i < d.length; i++) {
      const [px, py] = [x + d[i]! * c, y + d[i]! * s];
      light[i] = rough.sign * (lightAt(grey, px, py) - rough.background.at(px, py));
    }
    const inner = median(light.subarray(0, innermost));
    if (!(inner > 0)) continue;
    const sum = sums[sector]!;
    for (let i = 0; i < d.length; i++) sum[i] = sum[i]! + light[i]! / inner;
    levels[sector] = levels[sector]! + inner;
    rays[sector] = rays[sector]! + 1;
  }
  return { d, sums, rays, levels };
}

/**
 * The mean profile of some eighths of the limb, and the light at which the file is full, in its units.
 *
 * @param taken which of eight parts of the limb are taken
 */
export function stacked(
  { rough, ellipse, clippedAt: full }: SteepLimb,
  { d, sums, rays, levels }: Eighths,
  taken: (sector: number) => boolean,
): { stack: Stack; top: number | null } {
  const some = sums.map((_, sector) => sector).filter(taken);
  const count = Math.max(
    1,
    some.reduce((sum, sector) => sum + rays[sector]!, 0),
  );
  const level = some.reduce((sum, sector) => sum + levels[sector]!, 0) / count;
  return {
    stack: { d, light: d.map((_, i) => some.reduce((sum, sector) => sum + sums[sector]![i]!, 0) / count) },
    top: full === null ? null : (full - rough.background.at(ellipse.x, ellipse.y)) / level,
  };
}

/** Direction square to an ellipse at a ray's direction. */
function normalAt(ellipse: Ellipse, phi: number): number {
  const h = 1e-3;
  const [a, b] = [radiusAt(ellipse, phi - h), radiusAt(ellipse, phi + h)];
  const [tx, ty] = [b * Math.cos(phi + h) - a * Math.cos(phi - h), b * Math.sin(phi + h) - a * Math.sin(phi - h)];
  return Math.atan2(-tx, ty);
}

/** Tells which of eight parts of the believed limb a direction lies in. In phase that limb is one piece: its own eighths. */
export function sectorsOf(phase: boolean, believed: (phi: number) => boolean): (phi: number) => number {
  if (!phase) return (phi) => Math.floor((((phi / (2 * Math.PI)) % 1) + 1) * SECTORS) % SECTORS;
  const steps = 360;
  const at = (i: number) => believed((2 * Math.PI * i) / steps);
  let start = 0;
  for (let i = 0; i < steps; i++) if (at(i) && !at(i - 1)) start = i;
  let count = 0;
  for (let i = start; i < start + steps && at(i); i++) count++;
  return (phi) => {
    const before = ((phi / (2 * Math.PI)) * steps - start + 2 * steps) % steps;
    return Math.min(SECTORS - 1, Math.floor((before / Math.max(1, count)) * SECTORS));
  };
}
