/** What limits detail, as the parts of a system response on the sensor. */
export interface DetailParts {
  pitchUm: number;
  /** N·(1 + m/P): what the aperture acts as at the focus in use. */
  workingFNumber: number;
  /** 50 % frequency of the optics in front of the sensor, lp/mm. */
  lens50LpPerMm: number;
  /** Filter displacement in pixels: 0 none, 0.4 weak, 0.65 standard. */
  antiAliasPx: number;
  /** Diameter of a central obstruction ÷ diameter of the opening: mirror lenses and reflectors; 0 without. */
  obstruction?: number;
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

/**
 * Diffraction of a round aperture with a round obstruction in its middle: the autocorrelation of a ring.
 *
 * @param frequency cycles per mm on the sensor
 * @param obstruction ε, diameter of the obstruction ÷ diameter of the opening, 0 ≤ ε < 1
 * @source published in 1956 in the Journal of the Optical Society of America 46: (A + B + C)/(1 − ε²)
 * @example annularResponse(0.3 * 1000 / (0.55 * 8), 8, 0.55, 0.45) // 0.4386
 */
export function annularResponse(
  frequency: number,
  workingFNumber: number,
  wavelengthUm: number,
  obstruction: number,
): number {
  const s = (frequency * wavelengthUm * workingFNumber) / 1000;
  if (s >= 1) return 0;
  const e = obstruction;
  const disc = (x: number): number => (x >= 1 ? 0 : (2 / Math.PI) * (Math.acos(x) - x * Math.sqrt(1 - x * x)));
  return (disc(s) + e * e * disc(s / e) + overlapOfRing(s, e)) / (1 - e * e);
}

/** What the opening and its obstruction share, with its sign: the third term of the annular response. */
function overlapOfRing(s: number, e: number): number {
  if (s <= (1 - e) / 2) return -2 * e * e;
  if (s >= (1 + e) / 2) return 0;
  const phi = Math.acos(Math.max(-1, Math.min(1, (1 + e * e - 4 * s * s) / (2 * e))));
  const half = Math.atan(((1 + e) / (1 - e)) * Math.tan(phi / 2));
  return (
    ((2 * e) / Math.PI) * Math.sin(phi) +
    ((1 + e * e) / Math.PI) * phi -
    ((2 * (1 - e * e)) / Math.PI) * half -
    2 * e * e
  );
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
    (parts.obstruction
      ? annularResponse(frequency, parts.workingFNumber, wavelengthUm, parts.obstruction)
      : diffractionResponse(frequency, parts.workingFNumber, wavelengthUm)) *
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
