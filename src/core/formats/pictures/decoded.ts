import type { Grey } from '../../picture/grey';
import { codeStep, lightTable, type Tone } from '../../picture/tone';

/** The numbers of a picture file, before they are made into light. */
export interface Decoded {
  width: number;
  height: number;
  /** Samples a pixel: 1 grey, 2 with transparency, 3 colours, 4 with transparency. A mosaic has 1. */
  channels: 1 | 2 | 3 | 4;
  /** Row by row from the top left. */
  codes: Uint8Array | Uint8ClampedArray | Uint16Array | Float32Array;
  /** The code that stands for no light, and the largest. */
  black: number;
  white: number;
  /** How codes stand for light, where the person says nothing. */
  tone: Tone;
  /** Colour of each pixel of a two by two mosaic, row by row: 0 red, 1 green, 2 blue; nothing for full colour. */
  mosaic?: [number, number, number, number] | undefined;
  /** EXIF orientation, 1 to 8. */
  orientation?: number | undefined;
  /** Bits a sample. */
  bits: number;
}

/** Light of every code, looked up; of numbers with a point, in proportion. */
function lightOf({ codes, black, white }: Decoded, tone: Tone): (code: number) => number {
  if (codes instanceof Float32Array) return (code) => (code - black) / (white - black);
  if (black === 0 && (white === 255 || white === 65_535)) {
    const own = lightTable(white + 1, tone);
    return (code) => own[code]!;
  }
  if (tone === 'linear') return (code) => (code - black) / (white - black);
  const curve = lightTable(65_536, tone);
  return (code) => curve[Math.max(0, Math.min(65_535, Math.round(((code - black) / (white - black)) * 65_535)))]!;
}

/** Colours of a mosaic brought to one level by their means: the squares of one colour must not show as a pattern. */
function levelled({ width, height, data }: Grey, mosaic: [number, number, number, number]): void {
  const sums = [0, 0, 0];
  const counts = [0, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const colour = mosaic[(y % 2) * 2 + (x % 2)]!;
      sums[colour] = sums[colour]! + data[y * width + x]!;
      counts[colour] = counts[colour]! + 1;
    }
  const means = sums.map((sum, i) => sum / Math.max(1, counts[i]!));
  const gains = means.map((mean) => (mean > 0 ? means[1]! / mean : 1));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      data[i] = data[i]! * gains[mosaic[(y % 2) * 2 + (x % 2)]!]!;
    }
}

/** 1 2 1 along a row of a picture, mirrored at its ends, into a row of its own. */
function blendedRow(data: Float32Array, from: number, width: number, into: Float32Array): void {
  for (let x = 0, i = from; x < width; x++, i++)
    into[x] = (data[x > 0 ? i - 1 : i + 1]! + 2 * data[i]! + data[x < width - 1 ? i + 1 : i - 1]!) / 4;
}

/**
 * A quarter red, half green, a quarter blue at every pixel of a mosaic, without moving anything: 1 2 1 over 1 2 1. In place, with
 * three rows beside it: a second picture would not fit on a phone.
 */
function blended(grey: Grey): Grey {
  const { width, height, data } = grey;
  let [above, here, below] = [new Float32Array(width), new Float32Array(width), new Float32Array(width)];
  // A picture of one row has itself above and below.
  for (const row of [above, here, below]) blendedRow(data, 0, width, row);
  for (let y = 0; y < height; y++) {
    if (y < height - 1) blendedRow(data, (y + 1) * width, width, below);
    const [up, down] = [y > 0 ? above : below, y < height - 1 ? below : above];
    for (let x = 0, i = y * width; x < width; x++, i++) data[i] = (up[x]! + 2 * here[x]! + down[x]!) / 4;
    [above, here, below] = [here, below, above];
  }
  return grey;
}

/** Where a pixel of a file comes to stand upright: at `start + x·byX + y·byY` of a picture this wide and high. */
interface Turn {
  width: number;
  height: number;
  start: number;
  byX: number;
  byY: number;
}

/** How EXIF's orientation turns and mirrors a picture so that up is up. Source: EXIF 2.3, tag 274. */
function turnOf({ width, height }: { width: number; height: number }, orientation: number): Turn {
  const turned = orientation >= 5 && orientation <= 8;
  const mirrored = [2, 3, 7, 8].includes(orientation);
  const upsideDown = [3, 4, 6, 7].includes(orientation);
  const wide = turned ? height : width;
  // Standing up, a step along the file's row is one down the picture's column.
  const [alongX, alongY] = turned ? [wide, 1] : [1, wide];
  return {
    width: wide,
    height: turned ? width : height,
    start: (mirrored ? (width - 1) * alongX : 0) + (upsideDown ? (height - 1) * alongY : 0),
    byX: mirrored ? -alongX : alongX,
    byY: upsideDown ? -alongY : alongY,
  };
}

/**
 * Room for the light of every pixel: where colours of 16 bits take six bytes or more and nothing is turned, that of the codes, for
 * what is written never comes past what is still to be read.
 */
function roomFor({ width, height, channels, codes, orientation = 1 }: Decoded, usedUp: boolean): Float32Array {
  if (!usedUp || !(codes instanceof Uint16Array) || channels < 3 || orientation > 1)
    return new Float32Array(width * height);
  return new Float32Array(codes.buffer, 4 * Math.ceil(codes.byteOffset / 4), width * height);
}

/**
 * Light of each pixel, upright: a quarter red, half green, a quarter blue of colours, each made into light first.
 *
 * @param tone how codes stand for light; the format's own where nothing is said
 * @param usedUp whether nobody needs the codes afterwards: their memory may become the light's
 */
export function greyOf(decoded: Decoded, tone: Tone = decoded.tone, usedUp = false): Grey {
  const { width, height, channels, codes, bits, mosaic, orientation = 1 } = decoded;
  const light = lightOf(decoded, tone);
  const data = roomFor(decoded, usedUp);
  // A mosaic is turned at last: its colours are told by where they stand in the file. All else in one go, without a second copy.
  const turn = turnOf(decoded, mosaic ? 1 : orientation);
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0, to = turn.start + y * turn.byY; x < width; x++, to += turn.byX, at += channels)
      data[to] =
        channels >= 3
          ? 0.25 * light(codes[at]!) + 0.5 * light(codes[at + 1]!) + 0.25 * light(codes[at + 2]!)
          : light(codes[at]!);
  const step = codes instanceof Float32Array ? 1e-6 : codeStep(2 ** Math.min(16, bits), tone);
  const grey = { width: turn.width, height: turn.height, data, step };
  if (!mosaic) return grey;
  levelled(grey, mosaic);
  return upright(blended(grey), orientation);
}

/** A picture turned and mirrored as its EXIF orientation says, so that up is up. */
export function upright(grey: Grey, orientation: number): Grey {
  if (orientation <= 1 || orientation > 8) return grey;
  const { width, height, start, byX, byY } = turnOf(grey, orientation);
  const data = new Float32Array(grey.data.length);
  for (let y = 0, at = 0; y < grey.height; y++)
    for (let x = 0, to = start + y * byY; x < grey.width; x++, to += byX) data[to] = grey.data[at++]!;
  return { width, height, data, step: grey.step };
}
