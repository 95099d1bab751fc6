/** What limits detail, as the parts of a system response on the sensor. */
export interface DetailParts {
  pitchUm: number;
  /** N·(1 + m/P): what the aperture acts as at the focus in use. */
  workingFNumber: number;
  /** 50 % frequency of the optics in front of the sensor, lp/mm. */
  lens50LpPerMm: number;
  /** Filter displacement in pixels: 0 none, 0.4 weak, 0.65 standard. */
  antiAliasPx: number;
  wavelengthUm?: number;
  /** Length of linear motion on the sensor, µm. */
  motionUm?: number;
  /** Full width at half maximum of the seeing on the sensor, µm. */
  seeingUm?: number;
}

export const DEFAULT_WAVELENGTH_UM = 0.55;

const sinc = (x: number): number => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));

/**
 * Diffraction of a round aperture.
 *
 * @param frequency cycles per mm on the sensor
 * @source (2/π)(acos s − s√(1 − s²)), s = ν·λ·N
 */
export function diffractionResponse(frequency: number, workingFNumber: number, wavelengthUm: number): number {
  const s = (frequency * wavelengthUm * workingFNumber) / 1000;
  return s >= 1 ? 0 : (2 / Math.PI) * (Math.acos(s) - s * Math.sqrt(1 - s * s));
}

/** Square pixel of full fill: |sinc(ν·p)|. */
export function pixelResponse(frequency: number, pitchUm: number): number {
  return Math.abs(sinc((frequency * pitchUm) / 1000));
}

/** Four-spot anti-aliasing filter of displacement a·p: |cos(π·ν·a·p)|. */
export function antiAliasResponse(frequency: number, pitchUm: number, antiAliasPx: number): number {
  return Math.abs(Math.cos((Math.PI * frequency * antiAliasPx * pitchUm) / 1000));
}

/** Lens with a Gaussian fall-off through 50 % at its own frequency: exp(−ln2·(ν/ν_L)²). */
export function lensResponse(frequency: number, lens50LpPerMm: number): number {
  return Math.exp(-Math.LN2 * (frequency / lens50LpPerMm) ** 2);
}

/**
 * Contrast the whole system keeps at a spatial frequency, 0 to 1: the product of its parts.
 *
 * @param frequency cycles per mm on the sensor
 */
export function systemResponse(frequency: number, parts: DetailParts): number {
  const wavelengthUm = parts.wavelengthUm ?? DEFAULT_WAVELENGTH_UM;
  let response =
    diffractionResponse(frequency, parts.workingFNumber, wavelengthUm) *
    pixelResponse(frequency, parts.pitchUm) *
    antiAliasResponse(frequency, parts.pitchUm, parts.antiAliasPx) *
    lensResponse(frequency, parts.lens50LpPerMm);
  if (parts.motionUm) response *= Math.abs(sinc((frequency * parts.motionUm) / 1000));
  if (parts.seeingUm) {
    const sigmaMm = parts.seeingUm / 1000 / 2.355;
    response *= Math.exp(-2 * (Math.PI * sigmaMm * frequency) ** 2);
  }
  return response;
}
