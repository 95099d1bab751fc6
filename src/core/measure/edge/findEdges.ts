import { lightAt, type Grey } from '../../picture/grey';
import { fail, ok, type Result } from '../../quantity/result';
import { median } from '../smooth';
import { settledLine } from './edgeLine';
import type { Uses } from './edgeSpread';
import { measureEdge, type EdgeFound, type PlacedEdge } from './measureEdge';
import { straightRuns, type StraightRun } from './straightRuns';

/** A part of a picture that was framed, px: left, top, right, bottom. */
export type Frame = [number, number, number, number];

/** px on each side of an edge that are looked at, at most, and at least. */
const MOST_REACH = 90;
const LEAST_REACH = 6;
/** Longer pieces of an edge tell no more, and a long one is not straight. */
const MOST_HALF = 600;
/** So many fields of a chart are measured. */
const MOST_EDGES = 40;

const SAMPLES = 61;

/** Light along the normal through a place of a run; nothing where it leaves the picture. */
function profileAt(grey: Grey, run: StraightRun, u: number, reach: number): Float64Array {
  const [x, y] = [run.x + u * run.along[0], run.y + u * run.along[1]];
  const row = new Float64Array(2 * reach + 1);
  for (let v = -reach; v <= reach; v++) {
    const [px, py] = [x + v * run.normal[0], y + v * run.normal[1]];
    const inside = px >= 0 && py >= 0 && px <= grey.width - 1 && py <= grey.height - 1;
    row[v + reach] = inside ? lightAt(grey, px, py) : Number.NaN;
  }
  return row;
}

const middleOf = (values: number[]): number => {
  const known = values.filter((value) => !Number.isNaN(value));
  return known.length > 4 ? median(known) : Number.NaN;
};

/** How far both sides stay as they are beside the edge, px, and how wide its blur is. */
function roomOf(grey: Grey, run: StraightRun): { reach: number; width: number; step: number } | null {
  const profiles = Array.from({ length: SAMPLES }, (_, k) =>
    profileAt(grey, run, ((2 * k) / (SAMPLES - 1) - 1) * 0.85 * run.half, MOST_REACH),
  );
  const mean = Array.from({ length: 2 * MOST_REACH + 1 }, (_, i) => middleOf(profiles.map((row) => row[i]!)));
  const at = (v: number) => mean[v + MOST_REACH]!;
  // The blur: where the slope has fallen to a tenth of its steepest.
  const slope = (v: number) => (at(v + 1) - at(v - 1)) / 2;
  let peak = 0;
  for (let v = -8; v <= 8; v++) if (slope(v) > slope(peak) || Number.isNaN(slope(peak))) peak = v;
  const end = (side: 1 | -1): number => {
    let v = peak;
    while (Math.abs(v - peak) < MOST_REACH - 12 && slope(v) > 0.1 * slope(peak)) v += side;
    return v;
  };
  const [left, right] = [end(-1), end(1)];
  const width = Math.max(1, (right - left) / 2);
  const step = at(right + 2) - at(left - 2);
  if (!(step > 0)) return null;
  const free = (side: 1 | -1, from: number): number => {
    let v = from;
    // The first stretch is the plateau; where the light leaves it something else begins.
    const plateau = middleOf([0, 1, 2, 3, 4, 5].map((k) => at(from + side * (2 + k))));
    while (Math.abs(v) < MOST_REACH && Math.abs(at(v) - plateau) < 0.14 * step) v += side;
    return Math.abs(v) - 2;
  };
  const reach = Math.min(free(-1, left - 1), free(1, right + 1));
  return reach >= Math.max(LEAST_REACH, 1.5 * width) ? { reach, width, step } : null;
}

/** The longest stretch of a run over which its step is there: corners and crossings are cut off. */
function trimmed(grey: Grey, run: StraightRun, reach: number, width: number, step: number): StraightRun | null {
  const count = Math.max(20, Math.min(160, Math.round(2 * run.half)));
  const [near, far] = [Math.min(reach - 1, Math.ceil(width) + 2), Math.min(reach, Math.ceil(width) + 8)];
  const good = Array.from({ length: count }, (_, k) => {
    const u = (((k + 0.5) * 2) / count - 1) * run.half;
    const row = profileAt(grey, run, u, reach);
    const side = (sign: 1 | -1) =>
      middleOf(
        Array.from({ length: far - near + 1 }, (_unused, i) => row[sign * (near + i) + reach]!).concat(
          Array.from({ length: 5 }, () => Number.NaN),
        ),
      );
    const own = side(1) - side(-1);
    return Math.abs(own / step - 1) < 0.3;
  });
  let best: [number, number] = [0, 0];
  let start = 0;
  for (let k = 0; k <= count; k++) {
    // One bad place is noise; two in a row are an end.
    if (k < count && (good[k] || (good[k - 1] && good[k + 1]))) continue;
    if (k - start > best[1] - best[0]) best = [start, k];
    start = k + 1;
  }
  const place = (k: number) => ((2 * k) / count - 1) * run.half;
  const half = Math.min(MOST_HALF, (place(best[1]) - place(best[0])) / 2 - 1.5);
  const middle = (place(best[1]) + place(best[0])) / 2;
  return half < 8 ? null : { ...run, half, x: run.x + middle * run.along[0], y: run.y + middle * run.along[1] };
}

/** An edge that can be measured, out of a straight run; nothing where something else lies too near. */
function placedEdge(grey: Grey, run: StraightRun): PlacedEdge | null {
  const room = roomOf(grey, run);
  const rough = room && trimmed(grey, run, room.reach, room.width, room.step);
  const line = rough && settledLine(grey, { ...rough, bend: 0 }, room.width);
  return line && { line, reach: room.reach, width: room.width };
}

const inside = (grey: Grey, [x0, y0, x1, y1]: Frame): Grey => {
  const [left, top] = [Math.max(0, Math.floor(x0)), Math.max(0, Math.floor(y0))];
  const width = Math.max(1, Math.min(grey.width - 1, Math.ceil(x1)) - left + 1);
  const height = Math.max(1, Math.min(grey.height - 1, Math.ceil(y1)) - top + 1);
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    data.set(grey.data.subarray((top + y) * grey.width + left, (top + y) * grey.width + left + width), y * width);
  return { width, height, data, step: grey.step };
};

const moved = (edge: EdgeFound, [x, y]: [number, number]): EdgeFound => ({
  ...edge,
  ends: edge.ends.map((end): [number, number] => [end[0] + x, end[1] + y]) as EdgeFound['ends'],
});

const noEdge = fail(
  'edge.none',
  'No straight edge was found: a slanted edge between two even tones, 5 to 12° off upright or level, at least 60 px long and with 12 px free on each side, can be measured.',
  'picture',
);

/** How much an edge is worth: long, plain, with a small error. */
const worth = (edge: EdgeFound): number =>
  edge.mtf50 ? (edge.mtf50.plusMinus / edge.mtf50.value) * (1 + edge.warnings.length) : 10 + 1 / edge.lengthPx;

/** Measured edges, the most reliable first, and each in the light of other pixels where that was asked. */
export interface EdgesFound {
  edges: EdgeFound[];
  others: (EdgeFound | null)[][];
}

/** Other pixels of the same picture, in which each edge is measured too. */
export interface OtherPixels {
  grey: Grey;
  uses: Uses;
}

export interface EdgesAsked {
  frame?: Frame | undefined;
  onMosaic?: readonly OtherPixels[] | undefined;
  onProgress?: ((share: number) => void) | undefined;
}

/**
 * Finds the slanted edges of a picture, or of a part of it, and measures each.
 *
 * @returns a problem with what to do when there is none
 */
export function findEdges(whole: Grey, { frame, onMosaic = [], onProgress }: EdgesAsked = {}): Result<EdgesFound> {
  const part = (each: Grey) => (frame ? inside(each, frame) : each);
  const grey = part(whole);
  const origin: [number, number] = frame
    ? [Math.max(0, Math.floor(frame[0])), Math.max(0, Math.floor(frame[1]))]
    : [0, 0];
  const others = onMosaic.map(({ grey: own, uses }) => ({
    grey: part(own),
    uses: ((x, y) => uses(x + origin[0], y + origin[1])) satisfies Uses,
  }));
  const runs = straightRuns(grey).slice(0, 2 * MOST_EDGES);
  const found: { edge: EdgeFound; others: (EdgeFound | null)[] }[] = [];
  for (const [k, run] of runs.entries()) {
    if (found.length >= MOST_EDGES) break;
    const placed = placedEdge(grey, run);
    const edge = placed && measureEdge(grey, placed);
    if (placed && edge)
      found.push({
        edge: moved(edge, origin),
        others: others.map((each) => {
          const own = measureEdge(each.grey, placed, each.uses);
          return own && moved(own, origin);
        }),
      });
    onProgress?.((k + 1) / runs.length);
  }
  if (found.length === 0) return noEdge;
  found.sort((a, b) => worth(a.edge) - worth(b.edge));
  return ok({ edges: found.map(({ edge }) => edge), others: found.map((each) => each.others) });
}
