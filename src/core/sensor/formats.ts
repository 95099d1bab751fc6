import type { SensorSpec } from './cropMode';

/** A plain format: what is known of a body when only its class and its megapixels are. */
export interface FormatPreset {
  id: string;
  name: string;
  /** The crop factor or size people know the format by. */
  gloss: string;
  widthMm: number;
  heightMm: number;
  usualMegapixels: number[];
  /** Its files are films: no picture of a camera that tells an equivalent focal length comes from it. */
  films?: true;
}

export const FORMATS: readonly FormatPreset[] = [
  {
    id: 'medium-44',
    name: 'Medium format',
    gloss: '44 × 33 mm',
    widthMm: 43.8,
    heightMm: 32.9,
    usualMegapixels: [50, 100],
  },
  {
    id: 'full-frame',
    name: 'Full frame',
    gloss: '36 × 24 mm',
    widthMm: 36,
    heightMm: 24,
    usualMegapixels: [24, 33, 45, 61],
  },
  {
    id: 'aps-c-15',
    name: 'APS-C 1.5',
    gloss: '23.5 × 15.6 mm',
    widthMm: 23.5,
    heightMm: 15.6,
    usualMegapixels: [20, 24, 26, 40],
  },
  {
    id: 'aps-c-16',
    name: 'APS-C 1.6',
    gloss: '22.3 × 14.9 mm',
    widthMm: 22.3,
    heightMm: 14.9,
    usualMegapixels: [20, 24, 32],
  },
  {
    id: 'four-thirds',
    name: 'Four-thirds',
    gloss: '17.3 × 13 mm',
    widthMm: 17.3,
    heightMm: 13,
    usualMegapixels: [16, 20, 25],
  },
  { id: 'one-inch', name: 'One-inch', gloss: '13.2 × 8.8 mm', widthMm: 13.2, heightMm: 8.8, usualMegapixels: [12, 20] },
  {
    id: 'phone-main',
    name: 'Phone, main',
    gloss: '9.8 × 7.3 mm',
    widthMm: 9.8,
    heightMm: 7.3,
    usualMegapixels: [12, 24, 48],
  },
  {
    id: 'phone-tele',
    name: 'Phone, tele',
    gloss: '5.6 × 4.2 mm',
    widthMm: 5.6,
    heightMm: 4.2,
    usualMegapixels: [12, 48],
  },
  {
    id: 'superzoom',
    name: 'Superzoom, bridge',
    gloss: '6.2 × 4.6 mm',
    widthMm: 6.2,
    heightMm: 4.6,
    usualMegapixels: [12, 16, 20],
  },
  {
    id: 'super-16-9',
    name: 'Video, super 16:9',
    gloss: '24.9 × 14 mm',
    widthMm: 24.9,
    heightMm: 14,
    usualMegapixels: [8.8, 9.8, 19],
    films: true,
  },
  {
    id: 'planet-small',
    name: 'Planet camera, small',
    gloss: '5.6 × 3.2 mm',
    widthMm: 5.57,
    heightMm: 3.13,
    usualMegapixels: [2.1, 8.3],
    films: true,
  },
  {
    id: 'planet-square',
    name: 'Planet camera, square',
    gloss: '11.3 × 11.3 mm',
    widthMm: 11.3,
    heightMm: 11.3,
    usualMegapixels: [9],
    films: true,
  },
];

/**
 * Columns and rows that give square pixels on a format for a count of megapixels, both even as read-outs are.
 *
 * @param megapixels millions of pixels, > 0
 * @example sensorOfFormat(FORMATS[0]!, 45) // 36 × 24 mm, 8216 × 5478 px
 */
export function sensorOfFormat(format: FormatPreset, megapixels: number): SensorSpec {
  const columns = 2 * Math.round(Math.sqrt((megapixels * 1e6 * format.widthMm) / format.heightMm) / 2);
  const rows = 2 * Math.round((columns * format.heightMm) / format.widthMm / 2);
  return { widthMm: format.widthMm, heightMm: format.heightMm, columns, rows };
}
