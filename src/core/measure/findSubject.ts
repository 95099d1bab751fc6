import { reduced, type Grey } from '../picture/grey';
import { fail, ok, type Result } from '../quantity/result';
import { backgroundOf } from './border';
import { above, patchesOf, type Patch } from './component';
import { measureLength } from './measureLength';
import { INWARDS } from './snapEnd';

/** The extent of a subject, px. */
export interface SubjectFound {
  longestPx: number;
  plusMinus: number;
  ends: [[number, number], [number, number]];
  /** [left, top, right, bottom] of its outline. */
  box: [number, number, number, number];
  boxError: number;
  /** Its outline, for showing it: corners of its convex hull. */
  hull: [number, number][];
}

/** The picture is searched at about so many px. */
const SEARCH_PX = 700;
const FRAME = 0.08;
/** Levels tried, in deviations of the border. */
const LEVELS = [3, 4, 5, 6.5, 8, 10, 13, 17, 22, 30, 40, 55];
/** A subject fills between these shares of the picture. */
const LEAST = 0.0006;
const MOST = 0.7;

const noSubject = fail(
  'subject.none',
  'No subject stands out of the background. Set the two handles by hand: they need only its ends.',
  'picture',
);

/** A row or column at a time, three px wide: compression and noise fray outlines. */
function softened({ width, data }: Grey): Float32Array {
  const rows = new Float32Array(data.length);
  for (let i = 0; i < data.length; i++) {
    const x = i % width;
    rows[i] = (data[x > 0 ? i - 1 : i]! + data[i]! + data[x < width - 1 ? i + 1 : i]!) / 3;
  }
  const out = new Float32Array(data.length);
  for (let i = 0; i < data.length; i++)
    out[i] = (rows[i >= width ? i - width : i]! + rows[i]! + rows[i + width < data.length ? i + width : i]!) / 3;
  return out;
}

/** Departure from the slow light of the border, in its own deviations; in the logarithm, as tones are told apart. */
function departure(grey: Grey): Float32Array {
  const least = Math.max(grey.step, 1e-4);
  const logs: Grey = { ...grey, data: softened(grey).map((value) => Math.log(Math.max(value, least))), step: 0.004 };
  const ground = backgroundOf(logs, FRAME, 6);
  return logs.data.map((value, i) => (value - ground.at(i % grey.width, (i / grey.width) | 0)) / ground.noise);
}

/** How steep the picture is along the rim of a patch, departures a px. */
function steepnessAlong(off: Float32Array, width: number, height: number, patch: Patch, on: Uint8Array): number {
  let sum = 0;
  let count = 0;
  for (const at of patch.pixels) {
    const x = at % width;
    const y = (at / width) | 0;
    if (x < 2 || y < 2 || x > width - 3 || y > height - 3) continue;
    if (on[at - 1] && on[at + 1] && on[at - width] && on[at + width]) continue;
    sum += Math.hypot(off[at + 2]! - off[at - 2]!, off[at + 2 * width]! - off[at - 2 * width]!);
    count++;
  }
  return count ? sum / count : 0;
}

interface Outline {
  patch: Patch;
  score: number;
}

/** The outline with the steepest picture along it, over levels of either sign. */
function bestOutline(off: Float32Array, width: number, height: number): Outline | null {
  let best: Outline | null = null;
  for (const sign of [1, -1])
    for (const level of LEVELS) {
      const on = above(off, level, sign);
      for (const patch of patchesOf(on, width, height, LEAST * off.length).slice(0, 3)) {
        if (patch.pixels.length > MOST * off.length || patch.touchesBorder) continue;
        // Of two alike the larger: a wing's dark bar has a steep rim too.
        const score = steepnessAlong(off, width, height, patch, on) * Math.sqrt(Math.sqrt(patch.pixels.length));
        if (!best || score > best.score) best = { patch, score };
      }
    }
  return best;
}

type Point = [number, number];

/** The convex hull of points, by Andrew's monotone chain (1979). */
export function hullOf(points: Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const side = (o: Point, a: Point, b: Point) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const half = (ordered: Point[]): Point[] => {
    const chain: Point[] = [];
    for (const point of ordered) {
      while (chain.length > 1 && side(chain.at(-2)!, chain.at(-1)!, point) <= 0) chain.pop();
      chain.push(point);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}

/** The two corners of a hull that lie farthest apart. */
function longestOf(hull: Point[]): [Point, Point] {
  let best: [Point, Point] = [hull[0]!, hull[0]!];
  let most = -1;
  for (const a of hull)
    for (const b of hull) {
      const length = Math.hypot(a[0] - b[0], a[1] - b[1]);
      if (length > most) {
        most = length;
        best = [a, b];
      }
    }
  return best;
}

/** The corners of a patch's hull, px of the whole picture; of each row only its ends can be corners. */
function cornersOf(patch: Patch, width: number, by: number): Point[] {
  const ends = new Map<number, [number, number]>();
  for (const at of patch.pixels) {
    const x = at % width;
    const y = (at / width) | 0;
    const row = ends.get(y);
    if (!row) ends.set(y, [x, x]);
    else {
      row[0] = Math.min(row[0], x);
      row[1] = Math.max(row[1], x);
    }
  }
  const place = (i: number) => (i + 0.5) * by - 0.5;
  return hullOf(
    [...ends].flatMap(([y, [a, b]]): Point[] => [
      [place(a), place(y)],
      [place(b), place(y)],
    ]),
  );
}

/**
 * Where a subject ends: what departs from the slow light of the border, at the level whose outline is steepest; the longest
 * way across its hull, with both ends snapped to the picture. On a subject of the background's tone it fails and says so.
 */
export function findSubject(grey: Grey): Result<SubjectFound> {
  const by = Math.max(1, Math.round(Math.max(grey.width, grey.height) / SEARCH_PX));
  const small = reduced(grey, by);
  const best = bestOutline(departure(small), small.width, small.height);
  if (!best) return noSubject;
  const hull = cornersOf(best.patch, small.width, by);
  if (hull.length < 3) return noSubject;
  const [a, b] = longestOf(hull);
  const rough = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const snapped = measureLength(grey, [a, b]);
  // Handles that went farther than one is sought from its place followed something else.
  const kept = snapped.ok && Math.abs(snapped.value.lengthPx - rough) < INWARDS * rough + 3 * by ? snapped.value : null;
  const ends = kept?.ends ?? [a, b];
  const xs = hull.map(([x]) => x);
  const ys = hull.map(([, y]) => y);
  const edge = 0.5 * by;
  // A thin end that no level held belongs to the subject too.
  xs.push(...ends.map(([x]) => x));
  ys.push(...ends.map(([, y]) => y));
  return ok({
    longestPx: kept?.lengthPx ?? rough,
    plusMinus: kept ? Math.hypot(kept.plusMinus, 0.008 * rough) : Math.max(3, 0.02 * rough),
    ends,
    box: [Math.min(...xs) - edge, Math.min(...ys) - edge, Math.max(...xs) + edge, Math.max(...ys) + edge],
    boxError: Math.max(3, 2 * by),
    hull,
  });
}
