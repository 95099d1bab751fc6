/**
 * Pixel pitch in µm: the distance between the centres of two neighbouring pixels.
 *
 * @param widthMm sensor width in mm
 * @param columns pixels across that width
 * @example pitchUm(36, 8256) // 4.3605
 * @source definition, p = 1000·W/Nx
 */
export function pitchUm(widthMm: number, columns: number): number {
  return (1000 * widthMm) / columns;
}
