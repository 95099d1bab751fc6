/**
 * How codes stand for light: by the sRGB curve, as pictures for the screen do, or in proportion, as most scientific and raw
 * files do.
 */
export type Tone = 'srgb' | 'linear';

/** Light of an sRGB code, both 0 to 1. Source: IEC 61966-2-1. */
export const lightOfSrgb = (code: number): number =>
  code <= 0.04045 ? code / 12.92 : Math.pow((code + 0.055) / 1.055, 2.4);

/** The sRGB code of light, both 0 to 1. Source: IEC 61966-2-1. */
export const srgbOfLight = (light: number): number =>
  light <= 0.0031308 ? light * 12.92 : 1.055 * Math.pow(light, 1 / 2.4) - 0.055;

/** The light of every code of a file, for looking up. @param codes how many there are: 256 or 65536 */
export function lightTable(codes: number, tone: Tone): Float32Array {
  const table = new Float32Array(codes);
  for (let i = 0; i < codes; i++) table[i] = tone === 'srgb' ? lightOfSrgb(i / (codes - 1)) : i / (codes - 1);
  return table;
}

/** Light between two neighbouring codes at a middle tone (a fifth of the light). */
export const codeStep = (codes: number, tone: Tone): number => {
  const slope = tone === 'srgb' ? (lightOfSrgb(srgbOfLight(0.2) + 1e-6) - 0.2) / 1e-6 : 1;
  return slope / (codes - 1);
};
