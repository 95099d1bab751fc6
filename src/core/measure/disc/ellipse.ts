import { chance } from '../../simulate/chance';
import { solveNormal } from '../leastSquares';
import { robustDeviation } from '../smooth';
import type { LimbPoint } from './limbRays';

/** A nearly round ellipse: r = R + (R/2)(e₁cos2φ + e₂sin2φ) about its middle. */
export interface Ellipse {
  x: number;
  y: number;
  radius: number;
  e1: number;
  e2: number;
}

/** px from the middle of an ellipse to its line, in a direction. */
export const radiusAt = ({ radius, e1, e2 }: Ellipse, phi: number): number =>
  radius / Math.sqrt(Math.max(1e-6, 1 - e1 * Math.cos(2 * phi) - e2 * Math.sin(2 * phi)));

/** Half the longer and the shorter axis, px, and where the longer points, radians. */
export function axesOf({ radius, e1, e2 }: Ellipse): { longer: number; shorter: number; phi: number } {
  const e = Math.hypot(e1, e2);
  return { longer: radius / Math.sqrt(1 - e), shorter: radius / Math.sqrt(1 + e), phi: Math.atan2(e2, e1) / 2 };
}

const TRIPLES = 400;

function circleThrough(points: [number, number][]): { x: number; y: number; radius: number } | null {
  const [[ax, ay], [bx, by], [cx, cy]] = points as [[number, number], [number, number], [number, number]];
  const d = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by));
  if (Math.abs(d) < 1e-6) return null;
  const [a, b, c] = [ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy];
  const x = (a * (by - cy) + b * (cy - ay) + c * (ay - by)) / d;
  const y = (a * (cx - bx) + b * (ax - cx) + c * (bx - ax)) / d;
  return { x, y, radius: Math.hypot(ax - x, ay - y) };
}

/**
 * The circle on which most of the steep points lie, by trying three at a time; steep ones count more, as the square.
 * Points of a terminator or of belts on the disc do not move it.
 */
export function likeliestCircle(
  places: { x: number; y: number; steepness: number }[],
  tolerance: number,
  limits: [number, number],
): { x: number; y: number; radius: number } | null {
  const { even } = chance(71);
  let best: { x: number; y: number; radius: number } | null = null;
  let most = 0;
  for (let i = 0; i < TRIPLES; i++) {
    const three = Array.from({ length: 3 }, () => places[Math.floor(even() * places.length)]!);
    const circle = circleThrough(three.map(({ x, y }): [number, number] => [x, y]));
    if (!circle || circle.radius < limits[0] || circle.radius > limits[1]) continue;
    let score = 0;
    for (const { x, y, steepness } of places)
      if (Math.abs(Math.hypot(x - circle.x, y - circle.y) - circle.radius) < tolerance) score += steepness ** 2;
    if (score > most) {
      most = score;
      best = circle;
    }
  }
  return best;
}

/**
 * Least squares through points around a middle, repeated without outliers: of a circle, or of an ellipse.
 *
 * @param about the middle the points' directions and distances are counted from
 */
export function fitAround(
  points: LimbPoint[],
  about: { x: number; y: number },
  round: boolean,
  weights?: number[],
): Ellipse | null {
  const count = round ? 3 : 5;
  let kept = points.map((point, i) => ({ point, weight: weights?.[i] ?? 1 }));
  let terms: Float64Array | null = null;
  for (let i = 0; i < 6; i++) {
    if (kept.length < 2 * count) return null;
    const normal = Array.from({ length: count }, () => new Float64Array(count));
    const right = new Float64Array(count);
    for (const { point, weight } of kept) {
      const row = rowOf(point.phi, count);
      for (let a = 0; a < count; a++) {
        right[a] = right[a]! + weight * row[a]! * point.r;
        for (let b = 0; b < count; b++) normal[a]![b] = normal[a]![b]! + weight * row[a]! * row[b]!;
      }
    }
    terms = solveNormal(normal, right);
    if (!terms) return null;
    const solved = terms;
    const off = (point: LimbPoint) =>
      point.r - rowOf(point.phi, count).reduce((sum, value, a) => sum + value * solved[a]!, 0);
    const scatter = Math.max(
      0.05,
      robustDeviation(
        kept.map(({ point }) => off(point)),
        0,
      ),
    );
    const next = points
      .map((point, a) => ({ point, weight: weights?.[a] ?? 1 }))
      .filter(({ point }) => Math.abs(off(point)) < 3 * scatter);
    if (next.length === kept.length && i > 1) break;
    kept = next;
  }
  if (!terms) return null;
  const [radius, dx, dy, c = 0, s = 0] = Array.from(terms);
  return { x: about.x + dx!, y: about.y + dy!, radius: radius!, e1: (2 * c) / radius!, e2: (2 * s) / radius! };
}

const rowOf = (phi: number, count: number): number[] =>
  [1, Math.cos(phi), Math.sin(phi), Math.cos(2 * phi), Math.sin(2 * phi)].slice(0, count);
