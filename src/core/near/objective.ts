/** How an objective's detail and the pixels go together. */
export interface ObjectiveSampling {
  /** Finest detail the objective tells apart, µm. */
  smallestDetailUm: number;
  /** Pixel on the subject, µm, and the largest that loses nothing. */
  pixelUm: number;
  enoughUm: number;
  /** Ratio from which on more only spreads what is there. */
  usefulRatio: number;
  verdict: 'tooCoarse' | 'enough' | 'empty';
}

/** Beyond this multiple of what is useful, more ratio is plainly empty. */
const EMPTY_FROM = 1.25;

/**
 * Whether the pixels take in all that an objective resolves.
 *
 * @param ratio m, on the sensor
 * @source detail 0.61·λ/NA; enough when p/m ≤ λ/(4·NA)
 */
export function objectiveSampling(
  numericalAperture: number,
  ratio: number,
  pitchUm: number,
  wavelengthUm = 0.55,
): ObjectiveSampling {
  const enoughUm = wavelengthUm / (4 * numericalAperture);
  const pixelUm = pitchUm / ratio;
  const usefulRatio = pitchUm / enoughUm;
  return {
    smallestDetailUm: (0.61 * wavelengthUm) / numericalAperture,
    pixelUm,
    enoughUm,
    usefulRatio,
    verdict: pixelUm > enoughUm * (1 + 1e-9) ? 'tooCoarse' : ratio > EMPTY_FROM * usefulRatio ? 'empty' : 'enough',
  };
}

/**
 * Diameter of the picture an objective draws on the sensor, mm.
 *
 * @param fieldNumberMm the field it is corrected for at its own magnification
 * @source field number · m/M
 */
export const objectiveCircleMm = (fieldNumberMm: number, magnification: number, ratio: number): number =>
  (fieldNumberMm * ratio) / magnification;
