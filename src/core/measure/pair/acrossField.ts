import { median } from '../smooth';
import { inverseNormal, solveNormal } from '../leastSquares';

/** How the two pictures compare in one square of the common field. */
export interface SquareShare {
  /** Where it lies in the first picture, from its middle, in shares of half its longer side. */
  x: number;
  y: number;
  /** Logarithm of the second's power over the first's in the middle bands, each freed of its noise. */
  logRatio: number;
}

/** Whether one picture is sharper on one side and the other on the other: the sharpest plane lies elsewhere. */
export interface FocusShift {
  /** Towards where the second gains, degrees from +x towards +y in the first picture. */
  directionDeg: number;
  /** By how much the contrast of fine detail changes against the first from one end of the field to the other, as a factor. */
  acrossField: number;
}

/** Fewer squares tell nothing of a slope. */
const LEAST_SQUARES = 6;
/** A slope counts beyond so many times its error, and where contrast changes by more than this factor across the field. */
const SURE = 4.5;
const LEAST_FACTOR = 1.25;

/**
 * The slope of how the pictures compare, over the field.
 *
 * @returns nothing where it is the same all over, or cannot be told
 * @source a plane by least squares through the logarithms, its error by what it leaves
 */
export function focusShift(squares: readonly SquareShare[]): FocusShift | null {
  const level = median(Float64Array.from(squares, ({ logRatio }) => logRatio));
  // A square of another thing, or of nothing, tells nothing of focus.
  const used = squares.filter(({ logRatio }) => Math.abs(logRatio - level) < 4);
  if (used.length < LEAST_SQUARES) return null;
  const normal = Array.from({ length: 3 }, () => new Float64Array(3));
  const right = new Float64Array(3);
  for (const { x, y, logRatio } of used) {
    const row = [1, x, y];
    for (let i = 0; i < 3; i++) {
      right[i] = right[i]! + row[i]! * logRatio;
      for (let j = 0; j < 3; j++) normal[i]![j] = normal[i]![j]! + row[i]! * row[j]!;
    }
  }
  const plane = solveNormal(normal, right);
  const inverse = plane && inverseNormal(normal);
  if (!plane || !inverse) return null;
  const [c, sx, sy] = [plane[0]!, plane[1]!, plane[2]!];
  const left = used.reduce((sum, { x, y, logRatio }) => sum + (logRatio - c - sx * x - sy * y) ** 2, 0);
  const variance = left / (used.length - 3) + 0.02 ** 2;
  const slope = Math.hypot(sx, sy);
  if (slope === 0) return null;
  const [ux, uy] = [sx / slope, sy / slope];
  const error = Math.sqrt(
    variance * (ux * ux * inverse[1]![1]! + 2 * ux * uy * inverse[1]![2]! + uy * uy * inverse[2]![2]!),
  );
  const along = used.map(({ x, y }) => ux * x + uy * y);
  // Power is the square of contrast.
  const acrossField = Math.exp((slope * (Math.max(...along) - Math.min(...along))) / 2);
  if (slope < SURE * error || acrossField < LEAST_FACTOR) return null;
  return { directionDeg: (Math.atan2(uy, ux) * 180) / Math.PI, acrossField };
}
