import { directionAt, type FramePoint, type SkyCamera } from './camera';
import { SIDEREAL_RAD_PER_S, driftMm } from './drift';
import { radiusMm } from './projection';

/** Points that are looked at first, across and down. They only say where to seek: the worst point lies wherever it lies. */
const COLUMNS = 17;
const ROWS = 13;
/** Points of the round edge of a picture that ends inside the frame. */
const AROUND = 48;

/** The part of a frame that has a picture: a rectangle, cut by the lens's image circle where that is smaller. */
export interface PicturePart {
  widthMm: number;
  heightMm: number;
  radiusMm: number;
}

/** Points of a frame with the directions they look at, laid out in plain arrays: sixty exposures are a drag's work. */
export interface StarGrid {
  camera: SkyCamera;
  part: PicturePart;
  points: FramePoint[];
  /** x, y, z of each point's direction. */
  directions: Float64Array;
}

/** A fisheye of unknown circle is taken to draw half the sky, no more. */
const HALF_SKY_RAD = Math.PI / 2;

/**
 * The part of the frame in which there are stars.
 *
 * @param circleMm diameter of the lens's image circle; left out where it is not known
 */
export function picturePart(
  { projection, focalMm }: SkyCamera,
  widthMm: number,
  heightMm: number,
  circleMm?: number,
): PicturePart {
  const drawn =
    projection === 'rectilinear'
      ? Infinity
      : radiusMm(projection, focalMm, circleMm === undefined ? HALF_SKY_RAD : Math.PI * (1 - 1e-9));
  return {
    widthMm,
    heightMm,
    radiusMm: Math.min(drawn, circleMm === undefined ? Infinity : circleMm / 2, Math.hypot(widthMm, heightMm) / 2),
  };
}

/** The nearest point that has a picture. */
function held({ widthMm, heightMm, radiusMm: radius }: PicturePart, xMm: number, yMm: number): FramePoint {
  let x = Math.max(-widthMm / 2, Math.min(widthMm / 2, xMm));
  let y = Math.max(-heightMm / 2, Math.min(heightMm / 2, yMm));
  const out = Math.hypot(x, y) / radius;
  if (out > 1) [x, y] = [x / out, y / out];
  return { xMm: x, yMm: y };
}

/** Lays the points over the part of a frame that has a picture, its edges and corners among them. */
export function starGrid(camera: SkyCamera, widthMm: number, heightMm: number, circleMm?: number): StarGrid {
  const part = picturePart(camera, widthMm, heightMm, circleMm);
  const inside = (point: FramePoint) => Math.hypot(point.xMm, point.yMm) <= part.radiusMm * (1 + 1e-9);
  const lattice = Array.from({ length: COLUMNS * ROWS }, (_, i) => ({
    xMm: ((i % COLUMNS) / (COLUMNS - 1) - 0.5) * widthMm,
    yMm: (0.5 - Math.floor(i / COLUMNS) / (ROWS - 1)) * heightMm,
  }));
  const round = part.radiusMm < Math.hypot(widthMm, heightMm) / 2 - 1e-9;
  const edge = round
    ? Array.from({ length: AROUND }, (_, i) =>
        held(
          part,
          2 * part.radiusMm * Math.cos((2 * Math.PI * i) / AROUND),
          2 * part.radiusMm * Math.sin((2 * Math.PI * i) / AROUND),
        ),
      )
    : [];
  const points: FramePoint[] = [];
  const found: number[] = [];
  for (const point of [...lattice.filter(inside), ...edge]) {
    const direction = directionAt(camera, point);
    if (!direction) continue;
    points.push(point);
    found.push(...direction);
  }
  return { camera, part, points, directions: Float64Array.from(found) };
}

/** The point of a frame where a star runs farthest, and how far, mm. */
export interface WorstPoint {
  point: FramePoint;
  mm: number;
}

/**
 * Seeks the point of the picture where a star runs farthest in a time: from the worst of the points laid out, ever smaller
 * steps uphill, along the edge where it lies there.
 */
export function worstPoint(grid: StarGrid, seconds: number): WorstPoint {
  const start =
    grid.camera.projection === 'rectilinear'
      ? worstRectilinear(grid, seconds)
      : worstOf(grid.points, (point) => driftMm(grid.camera, point, seconds));
  return Number.isFinite(start.mm) ? climbed(grid, start, seconds) : start;
}

/** Steps end at this share of the frame's width: a thousandth of a pixel. */
const FINEST = 2e-7;

function climbed({ camera, part }: StarGrid, start: WorstPoint, seconds: number): WorstPoint {
  let best = start;
  const step = { x: part.widthMm / (COLUMNS - 1), y: part.heightMm / (ROWS - 1) };
  for (let size = 1; size * step.x > FINEST * part.widthMm;) {
    let better = false;
    for (const [dx, dy] of COMPASS) {
      const point = held(part, best.point.xMm + dx * size * step.x, best.point.yMm + dy * size * step.y);
      const mm = driftMm(camera, point, seconds);
      if (mm > best.mm * (1 + 1e-12)) {
        best = { point, mm };
        better = true;
      }
    }
    if (!better) size /= 3;
  }
  return best;
}

const COMPASS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const;

function worstRectilinear({ camera, points, directions }: StarGrid, seconds: number): WorstPoint {
  const turn = SIDEREAL_RAD_PER_S * seconds;
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)];
  const { forward, right, up, focalMm } = camera;
  let worst = 0;
  let longest = -1;
  for (let i = 0; i < points.length; i += 1) {
    const [x, y, z] = [directions[3 * i]!, directions[3 * i + 1]!, directions[3 * i + 2]!];
    const [tx, ty] = [x * cos + y * sin, y * cos - x * sin];
    const along = forward[0] * tx + forward[1] * ty + forward[2] * z;
    if (along <= 1e-9) return { point: points[i]!, mm: Infinity };
    const scale = focalMm / along;
    const dx = scale * (right[0] * tx + right[1] * ty + right[2] * z) - points[i]!.xMm;
    const dy = scale * (up[0] * tx + up[1] * ty + up[2] * z) - points[i]!.yMm;
    const length = dx * dx + dy * dy;
    if (length > longest) [longest, worst] = [length, i];
  }
  return { point: points[worst]!, mm: Math.sqrt(longest) };
}

function worstOf(points: FramePoint[], lengthOf: (point: FramePoint) => number): WorstPoint {
  let worst: WorstPoint = { point: points[0]!, mm: -1 };
  for (const point of points) {
    const mm = lengthOf(point);
    if (mm > worst.mm) worst = { point, mm };
  }
  return worst;
}
