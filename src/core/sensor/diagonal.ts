/**
 * Diagonal of a rectangle in the unit of its sides.
 *
 * @example diagonal(36, 24) // 43.2666
 */
export function diagonal(width: number, height: number): number {
  return Math.hypot(width, height);
}

/** Megapixels of a grid of columns × rows. */
export function megapixels(columns: number, rows: number): number {
  return (columns * rows) / 1e6;
}
