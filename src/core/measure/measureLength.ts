import type { Grey } from '../picture/grey';
import { fail, ok, type Result } from '../quantity/result';
import { snapEnd, type SnappedEnd } from './snapEnd';

/** A length between two handles, px. */
export interface LengthFound {
  lengthPx: number;
  plusMinus: number;
  ends: [[number, number], [number, number]];
  kinds: [SnappedEnd['kind'], SnappedEnd['kind']];
}

const LEAST_PX = 6;
/** Edges that turn from each other by less than this, radians, are two sides of one thing. */
const PARALLEL = 0.06;

const alongOf = (from: { x: number; y: number }, to: { x: number; y: number }) => {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  return { ux: (to.x - from.x) / length, uy: (to.y - from.y) / length, length };
};

/** Angle between two lines, radians, 0 to a quarter turn. */
const between = (a: number, b: number): number => {
  const turn = Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));
  return Math.min(turn, Math.PI - turn);
};

/**
 * The length between two rough ends: each handle snaps to the edge or tip it was meant for, twice, as the line between them
 * turns. Two parallel edges are measured square to themselves, however askew the handles were set.
 *
 * @param ends [[x, y], [x, y]], px
 */
export function measureLength(grey: Grey, ends: [[number, number], [number, number]]): Result<LengthFound> {
  const inside = ([x, y]: [number, number]) =>
    x >= -0.5 && y >= -0.5 && x <= grey.width - 0.5 && y <= grey.height - 0.5;
  if (!ends.every(inside))
    return fail('length.outside', 'An end lies outside the picture: set both handles on the subject.', 'ends');
  let [a, b]: { x: number; y: number }[] = ends.map(([x, y]) => ({ x, y }));
  if (Math.hypot(b!.x - a!.x, b!.y - a!.y) < LEAST_PX)
    return fail('length.short', 'The ends are closer than 6 px: nothing can be measured between them.', 'ends');
  let snapped: [SnappedEnd, SnappedEnd] | null = null;
  for (let round = 0; round < 2; round++) {
    const out = alongOf(a!, b!);
    snapped = [
      snapEnd(grey, [a!.x, a!.y], { ux: -out.ux, uy: -out.uy, length: out.length }),
      snapEnd(grey, [b!.x, b!.y], out),
    ];
    [a, b] = snapped;
    if (Math.hypot(b.x - a.x, b.y - a.y) < LEAST_PX)
      return fail('length.short', 'Both handles snap to the same place: set them farther apart.', 'ends');
  }
  const [first, second] = snapped!;
  const span = Math.hypot(second.x - first.x, second.y - first.y);
  const square = squareLength(first, second);
  return ok({
    lengthPx: square ?? span,
    plusMinus: Math.hypot(first.plusMinus, second.plusMinus),
    ends: [
      [first.x, first.y],
      [second.x, second.y],
    ],
    kinds: [first.kind, second.kind],
  });
}

/** The distance of two parallel edges, square to them; nothing when they are not parallel, or only one is an edge. */
function squareLength(first: SnappedEnd, second: SnappedEnd): number | null {
  if (first.edgeRad === null || second.edgeRad === null || between(first.edgeRad, second.edgeRad) > PARALLEL)
    return null;
  const mean =
    first.edgeRad +
    Math.atan2(Math.sin(2 * (second.edgeRad - first.edgeRad)), Math.cos(2 * (second.edgeRad - first.edgeRad))) / 4;
  const [nx, ny] = [-Math.sin(mean), Math.cos(mean)];
  return Math.abs((second.x - first.x) * nx + (second.y - first.y) * ny);
}
