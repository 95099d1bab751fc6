import { diagonal } from '../sensor/diagonal';

/** How much of a rectangle an image circle covers. */
export interface Coverage {
  covered: boolean;
  /** Share of the frame's area inside the circle, 0 to 1. */
  areaShare: number;
  /** Circle diameter ÷ frame diagonal, at most 1. */
  diagonalShare: number;
  /** The largest crop of the same aspect that is clean: its factor (1 when all is covered). */
  cleanCropFactor: number;
}

/** Area of the part of a circle of radius r (centred) that lies in the rectangle a × b (half sides), in the first quadrant. */
function quadrantArea(r: number, a: number, b: number): number {
  if (r >= Math.hypot(a, b)) return a * b;
  // Integral of min(b, √(r² − x²)) over x from 0 to min(a, r), in closed form.
  const primitive = (x: number) =>
    (x * Math.sqrt(Math.max(0, r * r - x * x)) + r * r * Math.asin(Math.min(1, x / r))) / 2;
  const end = Math.min(a, r);
  const flat = r > b ? Math.min(end, Math.sqrt(r * r - b * b)) : 0;
  return flat * b + primitive(end) - primitive(flat);
}

/**
 * Coverage of a frame by a centred image circle.
 *
 * @param imageCircleMm diameter, mm, > 0
 * @param widthMm frame width, mm
 * @param heightMm frame height, mm
 * @example coverage(28.2, 36, 24).cleanCropFactor // 1.534
 */
export function coverage(imageCircleMm: number, widthMm: number, heightMm: number): Coverage {
  const frameDiagonal = diagonal(widthMm, heightMm);
  const covered = imageCircleMm >= frameDiagonal;
  return {
    covered,
    areaShare: covered ? 1 : quadrantArea(imageCircleMm / 2, widthMm / 2, heightMm / 2) / ((widthMm * heightMm) / 4),
    diagonalShare: Math.min(1, imageCircleMm / frameDiagonal),
    cleanCropFactor: covered ? 1 : frameDiagonal / imageCircleMm,
  };
}
