import { svgPathProperties } from 'svg-path-properties';
import { textureOf } from '../detail/textures/texture';
import { noiseOf } from '../detail/textures/noise';
import { SILHOUETTES } from '../kit/silhouettes';
import { SUBJECT_KINDS, type SubjectKind } from '../kit/subjects';
import type { Scene } from './scene';

/** A subject before a soft background. */
export interface SubjectMade {
  kind: SubjectKind;
  /** Measured as its kind is, mm. */
  sizeMm: number;
  /** Light of the subject and of the background. */
  light: number;
  ground: number;
  /** How far the background changes, light. */
  unevenGround: number;
}

type Point = [number, number];

/** Points of a drawn outline, one to each closed part, a quarter of a unit apart. */
export function outlinesOf(d: string): Point[][] {
  return d
    .split(/(?=M)/)
    .filter((part) => part.trim() !== '')
    .map((part) => {
      const path = new svgPathProperties(part.trim());
      const length = path.getTotalLength();
      const count = Math.max(8, Math.ceil(length * 4));
      return Array.from({ length: count }, (_, i): Point => {
        const { x, y } = path.getPointAtLength((length * i) / (count - 1));
        return [x, y];
      });
    });
}

/** Squares a unit of the drawing's height of 100 is divided into, for looking up what is inside. */
const FINE = 8;

interface Mask {
  on: Uint8Array;
  columns: number;
  rows: number;
}

/** What is worked out once for each kind of subject. */
const once = <T>(of: (kind: SubjectKind) => T): ((kind: SubjectKind) => T) => {
  const known = new Map<SubjectKind, T>();
  return (kind) => {
    let found = known.get(kind);
    if (found === undefined) known.set(kind, (found = of(kind)));
    return found;
  };
};

/** Which squares of a fine grid lie on the silhouette. */
const maskOf = once((kind): Mask => {
  const { width, fills, lines } = SILHOUETTES[kind];
  const columns = Math.ceil(width * FINE);
  const rows = 100 * FINE;
  const on = new Uint8Array(columns * rows);
  for (const d of fills) for (const outline of outlinesOf(d)) fillInside(on, columns, rows, outline);
  for (const { d, width: stroke } of lines)
    for (const outline of outlinesOf(d)) for (const point of outline) fillDot(on, columns, rows, point, stroke / 2);
  return { on, columns, rows };
});

/** Even and odd crossings of each row. */
function fillInside(on: Uint8Array, columns: number, rows: number, outline: Point[]): void {
  for (let row = 0; row < rows; row++) {
    const y = (row + 0.5) / FINE;
    const crossings: number[] = [];
    outline.forEach(([x1, y1], i) => {
      const [x2, y2] = outline[(i + 1) % outline.length]!;
      if (y1 > y !== y2 > y) crossings.push(x1 + ((y - y1) / (y2 - y1)) * (x2 - x1));
    });
    crossings.sort((a, b) => a - b);
    for (let i = 0; i + 1 < crossings.length; i += 2)
      for (
        let x = Math.max(0, Math.ceil(crossings[i]! * FINE - 0.5));
        x < Math.min(columns, crossings[i + 1]! * FINE - 0.5);
        x++
      )
        on[row * columns + x] = 1;
  }
}

function fillDot(on: Uint8Array, columns: number, rows: number, [x, y]: Point, radius: number): void {
  for (let row = Math.floor((y - radius) * FINE); row <= (y + radius) * FINE; row++)
    for (let column = Math.floor((x - radius) * FINE); column <= (x + radius) * FINE; column++)
      if (
        row >= 0 &&
        column >= 0 &&
        row < rows &&
        column < columns &&
        Math.hypot((column + 0.5) / FINE - x, (row + 0.5) / FINE - y) < radius
      )
        on[row * columns + column] = 1;
}

/** Points around the end of a stroke. */
const around = ([x, y]: Point, radius: number): Point[] =>
  radius === 0
    ? [[x, y]]
    : Array.from({ length: 16 }, (_, i): Point => [
        x + radius * Math.cos((i * Math.PI) / 8),
        y + radius * Math.sin((i * Math.PI) / 8),
      ]);

/** The longest way across the silhouette, in units of its measured size: what a perfect measurement would find. */
export const longestOf = once((kind): number => {
  const { width, fills, lines } = SILHOUETTES[kind];
  const strokes = [...fills.map((d) => ({ d, width: 0 })), ...lines];
  const points = strokes.flatMap(({ d, width: stroke }) =>
    outlinesOf(d)
      .flat()
      .flatMap((point) => around(point, stroke / 2)),
  );
  const ends = farthest(points);
  return (
    Math.hypot(ends[0][0] - ends[1][0], ends[0][1] - ends[1][1]) / (SUBJECT_KINDS[kind].axis === 'width' ? width : 100)
  );
});

/** The two points that lie farthest apart: among those that reach furthest in some direction. */
function farthest(points: Point[]): [Point, Point] {
  let best: [Point, Point] = [points[0]!, points[0]!];
  let most = -1;
  for (let i = 0; i < 720; i++) {
    const [c, s] = [Math.cos((i * Math.PI) / 720), Math.sin((i * Math.PI) / 720)];
    let [low, high] = [points[0]!, points[0]!];
    let [least, greatest] = [Infinity, -Infinity];
    for (const point of points) {
      const along = point[0] * c + point[1] * s;
      if (along < least) [least, low] = [along, point];
      if (along > greatest) [greatest, high] = [along, point];
    }
    const length = Math.hypot(high[0] - low[0], high[1] - low[1]);
    if (length > most) {
      most = length;
      best = [low, high];
    }
  }
  return best;
}

/** A subject with its fine texture, its middle at the middle of the scene. */
export function subjectScene(made: SubjectMade, seed: number): Scene {
  const { on, columns, rows } = maskOf(made.kind);
  const info = SUBJECT_KINDS[made.kind];
  const units = info.axis === 'width' ? SILHOUETTES[made.kind].width : 100;
  const mmPerUnit = made.sizeMm / units;
  const texture = textureOf(made.kind);
  const coarser = texture.drawnForMm / made.sizeMm;
  const broad = made.sizeMm * 0.9;
  const uneven = noiseOf(seed);
  return (x, y) => {
    const column = Math.floor((x / mmPerUnit) * FINE + columns / 2);
    const row = Math.floor((y / mmPerUnit) * FINE + rows / 2);
    if (column >= 0 && row >= 0 && column < columns && row < rows && on[row * columns + column])
      return made.light * (0.8 + 0.4 * texture.at(x * coarser, y * coarser));
    return made.ground + made.unevenGround * (uneven(x / broad, y / broad) - 0.5);
  };
}
