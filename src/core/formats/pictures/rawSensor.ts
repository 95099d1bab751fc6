import type { Decoded } from './decoded';

/** What a raw decoder gives back: the sensor's own numbers, borders and all. */
export interface RawSensor {
  rawColumns: number;
  rawRows: number;
  /** Where the visible picture begins, and how large it is. */
  left: number;
  top: number;
  width: number;
  height: number;
  data: Uint16Array;
  /** Number for no light, and for a full pixel. */
  black: number;
  white: number;
  /** Colours of the mosaic as the decoder codes them, two bits a square; 0 for none. */
  filters: number;
  /** Turn of the camera: 0 none, 3 upside down, 5 to the left, 6 to the right. */
  flip: number;
}

/** Colour of a square of the visible picture. Source: the code of sixteen squares of two bits, two columns by eight rows. */
const colourAt = (filters: number, row: number, column: number): number => {
  const colour = (filters >>> ((((row << 1) & 14) + (column & 1)) << 1)) & 3;
  // The second green of a square is green.
  return colour === 3 ? 1 : colour;
};

const ORIENTATION: Record<number, number> = { 3: 3, 5: 8, 6: 6 };

/** The visible part of a sensor's numbers, moved to the front of the same memory. */
function visible({ rawColumns, left, top, width, height, data }: RawSensor): Uint16Array {
  if (left === 0 && top === 0 && rawColumns === width) return data.subarray(0, width * height);
  for (let y = 0; y < height; y++) {
    const from = (top + y) * rawColumns + left;
    data.copyWithin(y * width, from, from + width);
  }
  return data.subarray(0, width * height);
}

/**
 * A sensor's numbers as a picture: a mosaic, neither developed nor smoothed.
 *
 * @returns nothing for mosaics other than of two by two squares
 */
export function decodedOfSensor(sensor: RawSensor): Decoded | null {
  const { width, height, black, white, filters, flip, rawColumns, rawRows, left, top, data } = sensor;
  const whole = left + width <= rawColumns && top + height <= rawRows && data.length >= rawColumns * rawRows;
  if (!whole || !(white > black)) return null;
  const colours = [0, 1, 2, 3].map((i) => colourAt(filters, i >> 1, i & 1)) as [number, number, number, number];
  // Codes below this stand for patterns larger than two by two.
  if (filters !== 0 && (filters < 1000 || !repeats(filters, colours))) return null;
  return {
    width,
    height,
    channels: 1,
    codes: visible(sensor),
    black,
    white,
    tone: 'linear',
    ...(filters === 0 ? {} : { mosaic: colours }),
    orientation: ORIENTATION[flip] ?? 1,
    bits: Math.min(16, Math.ceil(Math.log2(white + 1))),
  };
}

/** Whether all rows of the code are those of the first two. */
function repeats(filters: number, colours: readonly number[]): boolean {
  for (let row = 0; row < 8; row++)
    for (let column = 0; column < 2; column++)
      if (colourAt(filters, row, column) !== colours[(row % 2) * 2 + column]) return false;
  return true;
}
