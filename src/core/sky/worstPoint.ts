import { directionAt, type FramePoint, type SkyCamera } from './camera';
import { SIDEREAL_RAD_PER_S, driftMm } from './drift';

/** Points of the frame that are looked at, across and down: enough that the worst of them is the worst of the frame. */
const COLUMNS = 41;
const ROWS = 27;

/** Points of a frame with the directions they look at, laid out in plain arrays: sixty exposures are a drag's work. */
export interface StarGrid {
  camera: SkyCamera;
  points: FramePoint[];
  /** x, y, z of each point's direction. */
  directions: Float64Array;
}

/** Lays the grid over a frame. Points beyond the edge of a fisheye's picture are left out. */
export function starGrid(camera: SkyCamera, widthMm: number, heightMm: number): StarGrid {
  const points: FramePoint[] = [];
  const found: number[] = [];
  for (let row = 0; row < ROWS; row += 1) {
    for (let column = 0; column < COLUMNS; column += 1) {
      const point = { xMm: (column / (COLUMNS - 1) - 0.5) * widthMm, yMm: (0.5 - row / (ROWS - 1)) * heightMm };
      const direction = directionAt(camera, point);
      if (!direction) continue;
      points.push(point);
      found.push(...direction);
    }
  }
  return { camera, points, directions: Float64Array.from(found) };
}

/** The point of a frame where a star runs farthest, and how far, mm. */
export interface WorstPoint {
  point: FramePoint;
  mm: number;
}

/** Seeks the point of the grid where a star runs farthest in a time. */
export function worstPoint({ camera, points, directions }: StarGrid, seconds: number): WorstPoint {
  const turn = SIDEREAL_RAD_PER_S * seconds;
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)];
  const { forward, right, up, focalMm, projection } = camera;
  if (projection !== 'rectilinear') return worstOf(points, (point) => driftMm(camera, point, seconds));
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
