/** Colours of one look. Names say what a colour is for; no colour literal stands anywhere else. */
export interface Palette {
  /** The drawing table. */
  paper: string;
  /** What lies on it: sheets, pressed keys. */
  raised: string;
  ink: string;
  inkSoft: string;
  hairline: string;
  /** What can be pressed. */
  press: string;
  /** Text on a filled press colour. */
  onPress: string;
  /** The needle: the current reading. */
  needle: string;
  caution: string;
  /** Behind an open sheet. */
  veil: string;
  /** The picture inside the viewfinder: its ground, and what a crop mode hides. */
  finderGround: string;
  finderHidden: string;
  /** Darkest and lightest tone of a rendered picture. */
  patchDark: string;
  patchLight: string;
  /** The night sky in a drawing, and what shines in it. */
  skyGround: string;
  star: string;
}

/** Red, green and blue of a colour written #RRGGBB, 0 to 255. */
export const channelsOf = (colour: string): [number, number, number] =>
  [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16)) as [number, number, number];

export const DAY: Palette = {
  paper: '#F6F3EC',
  raised: '#FFFDF8',
  ink: '#17262B',
  inkSoft: '#55646A',
  hairline: '#CFC8BA',
  press: '#0E5A64',
  onPress: '#FFFDF8',
  needle: '#C23B22',
  caution: '#8A5A00',
  veil: 'rgba(23, 38, 43, 0.45)',
  finderGround: '#FFFDF8',
  finderHidden: 'rgba(207, 200, 186, 0.55)',
  patchDark: '#17262B',
  patchLight: '#FFFDF8',
  skyGround: '#17262B',
  star: '#FFFDF8',
};

/** Black on white, for a screen in full sun: all that is read has 7 : 1 on both grounds. */
export const SUN: Palette = {
  paper: '#FFFFFF',
  raised: '#FFFFFF',
  ink: '#000000',
  inkSoft: '#333333',
  hairline: '#767676',
  press: '#003B44',
  onPress: '#FFFFFF',
  needle: '#9A1400',
  caution: '#5E3C00',
  veil: 'rgba(0, 0, 0, 0.6)',
  finderGround: '#FFFFFF',
  finderHidden: 'rgba(118, 118, 118, 0.55)',
  patchDark: '#000000',
  patchLight: '#FFFFFF',
  skyGround: '#000000',
  star: '#FFFFFF',
};

/** One red on black, so that eyes used to the dark stay so: nothing white, nothing blue. */
export const NIGHT: Palette = {
  paper: '#000000',
  raised: '#140503',
  ink: '#FF6A4D',
  inkSoft: '#D95A41',
  hairline: '#5E2418',
  press: '#FF6A4D',
  onPress: '#000000',
  needle: '#FF6A4D',
  caution: '#FF6A4D',
  veil: 'rgba(0, 0, 0, 0.7)',
  finderGround: '#0A0201',
  finderHidden: 'rgba(94, 36, 24, 0.45)',
  patchDark: '#000000',
  patchLight: '#FF6A4D',
  skyGround: '#0A0201',
  star: '#FF6A4D',
};

/** The night look one step darker, as dark as letters stay readable (4.5 : 1 on black). */
export const NIGHT_DIM: Palette = {
  ...NIGHT,
  raised: '#080201',
  ink: '#D04D36',
  inkSoft: '#D04D36',
  hairline: '#47190F',
  press: '#D04D36',
  needle: '#D04D36',
  caution: '#D04D36',
  finderHidden: 'rgba(71, 25, 15, 0.45)',
  patchLight: '#D04D36',
  star: '#D04D36',
};
