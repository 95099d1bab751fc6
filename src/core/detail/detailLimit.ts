import { root } from '../quantity/root';
import { DEFAULT_WAVELENGTH_UM, systemResponse, type DetailParts } from './response';

/** Contrast below which detail counts as lost; 0.10 to 0.20 may be chosen. */
export const DEFAULT_THRESHOLD = 0.15;

export interface DetailLimit {
  /** Finest detail kept, cycles (line pairs) per mm on the sensor. */
  limitLpPerMm: number;
  /** Resolved pixels ÷ pixels along a length, 0 to 1. */
  resolvedShare: number;
}

/**
 * The first frequency at which the system's contrast falls to the threshold, at most Nyquist, and the share of the
 * pixels that is resolved.
 *
 * Below every part's first zero the product falls steadily, so there is one crossing up to the lowest of these
 * zeros and Nyquist.
 *
 * @param threshold contrast, 0 < T < 1
 * @source ν_T with response(ν_T) = T; r = min(1, 2·p·ν_T)
 * @example detailLimit({ pitchUm: 3.75, workingFNumber: 8, lens50LpPerMm: 70, antiAliasPx: 0 }).resolvedShare // 0.6525
 */
export function detailLimit(parts: DetailParts, threshold: number = DEFAULT_THRESHOLD): DetailLimit {
  const nyquist = 500 / parts.pitchUm;
  const cutoff = 1000 / ((parts.wavelengthUm ?? DEFAULT_WAVELENGTH_UM) * parts.workingFNumber);
  const motionZero = parts.motionUm ? 1000 / parts.motionUm : Infinity;
  const filterZero = parts.antiAliasPx > 0 ? 500 / (parts.antiAliasPx * parts.pitchUm) : Infinity;
  const top = Math.min(nyquist, cutoff, motionZero, filterZero);
  let limit = top;
  if (systemResponse(top, parts) < threshold) {
    limit = root((frequency) => systemResponse(frequency, parts) - threshold, 0, top);
  }
  return { limitLpPerMm: limit, resolvedShare: Math.min(1, limit / nyquist) };
}
