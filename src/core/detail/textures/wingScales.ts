import { hash, noiseOf } from './noise';

/** A scale of the wing of a butterfly 60 mm across, mm, and the ridges that run along it. */
const SCALE_MM = 0.16;
const RIDGE_MM = 0.02;

const blotchOf = noiseOf(61);
const wander = noiseOf(67);

/**
 * Brightness of a wing of our own making, 0 to 1: rows of overlapping scales with fine ridges, in blotches of dark and
 * light scales, crossed by veins.
 *
 * @param xMm across, in mm of a wing span of 60 mm
 * @param yMm down
 */
export function wingScales(xMm: number, yMm: number): number {
  const row = Math.floor(yMm / SCALE_MM);
  const shift = (row % 2) * SCALE_MM * 0.35;
  const width = SCALE_MM * 0.7;
  const column = Math.floor((xMm + shift) / width);
  const across = ((xMm + shift) / width - column) * 2 - 1;
  const along = yMm / SCALE_MM - row;
  const tip = Math.max(0, 1 - Math.abs(along + 0.35 * across * across - 0.9) / 0.14);
  const side = Math.max(0, (Math.abs(across) - 0.8) / 0.2);
  const ridge = 0.5 + 0.5 * Math.sin((2 * Math.PI * xMm) / RIDGE_MM);
  const blotch = blotchOf(xMm / 2.2, yMm / 2.6) > 0.52 ? 0.3 : 0;
  const vein = Math.max(0, 1 - Math.abs(((xMm + 0.4 * wander(0, yMm / 3)) % 6.5) - 3) / 0.12);
  return Math.min(
    1,
    Math.max(
      0,
      0.3 + blotch + 0.16 * hash(column, row, 71) + 0.06 * (ridge - 0.5) - 0.24 * tip - 0.12 * side - 0.3 * vein,
    ),
  );
}
