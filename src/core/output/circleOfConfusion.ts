/** The ways people set the circle of confusion. */
export type CocSchool = 'diagonal' | 'output' | 'pixel';
export const COC_SCHOOLS: readonly CocSchool[] = ['diagonal', 'output', 'pixel'];

export const COC_NAMES: Record<CocSchool, string> = {
  diagonal: '1/1500 of the diagonal used',
  output: 'one arcminute on the output',
  pixel: 'two pixels',
};

/**
 * Circle of confusion, mm on the sensor.
 *
 * @param diagonalMm diagonal of the part used
 * @param longSideMm its long side
 * @param pitchUm pixel pitch
 * @param viewedPx what the eye tells apart along the output's long side at its viewing distance; the pixels it shows, if fewer
 * @source D/1500; long side ÷ what is told apart along it; 2·p
 */
export function circleOfConfusionMm(
  school: CocSchool,
  diagonalMm: number,
  longSideMm: number,
  pitchUm: number,
  viewedPx: number,
): number {
  switch (school) {
    case 'diagonal':
      return diagonalMm / 1500;
    case 'output':
      return longSideMm / viewedPx;
    case 'pixel':
      return (2 * pitchUm) / 1000;
  }
}
