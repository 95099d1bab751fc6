import { noiseOf } from './noise';

/** A petal of a flower 40 mm across, mm: veins, and the cells of its skin. */
const VEIN_MM = 1.3;
const CELL_MM = 0.045;

const wandering = noiseOf(97);
const cellOf = noiseOf(101);
const shadeOf = noiseOf(103);

/**
 * Brightness of a petal of our own making, 0 to 1: veins that fork and wander, small bright cells, soft shading.
 *
 * @param xMm across, in mm of a flower 40 mm across
 * @param yMm down
 */
export function petal(xMm: number, yMm: number): number {
  const wander = 1.5 * (wandering(xMm / 5, yMm / 7) - 0.5);
  const main = Math.abs((((xMm + wander) / VEIN_MM) % 1) - 0.5) * 2;
  const fine = Math.abs((((xMm * 0.8 + yMm * 0.5 + wander) / (VEIN_MM * 0.43)) % 1) - 0.5) * 2;
  const cell = cellOf(xMm / CELL_MM, yMm / CELL_MM);
  const shade = shadeOf(xMm / 6, yMm / 6);
  return Math.min(
    1,
    Math.max(
      0,
      0.52 +
        0.24 * shade +
        0.2 * (cell - 0.5) -
        0.34 * Math.max(0, 1 - main / 0.12) -
        0.14 * Math.max(0, 1 - fine / 0.16),
    ),
  );
}
