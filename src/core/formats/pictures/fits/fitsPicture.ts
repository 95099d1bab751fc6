import type { ByteSource } from '../byteSource';
import type { Decoded } from '../decoded';
import { eachOfTiles } from './compressedTiles';
import { imageOf, numberReader, type FitsImage } from './fitsImage';
import { fitsUnits } from './fitsUnits';

/** So many bytes of the file are looked at together: the whole beside what is made of it would not fit on a phone. */
const TOGETHER = 1 << 22;

type Take = (x: number, y: number, plane: number, stored: number) => void;

/** Hands every number as it is stored to what is made of it. */
function eachStored(bytes: ByteSource, { unit, width, height, bits, channels }: FitsImage, take: Take): void {
  const rowBytes = (width * Math.abs(bits)) / 8;
  const rows = Math.max(1, Math.floor(TOGETHER / rowBytes));
  for (let plane = 0; plane < channels; plane++)
    for (let top = 0; top < height; top += rows) {
      const until = Math.min(height, top + rows);
      const at = unit.dataAt + plane * height * rowBytes;
      const part = bytes.read(at + top * rowBytes, at + until * rowBytes);
      const read = numberReader(new DataView(part.buffer, part.byteOffset), bits);
      for (let y = top, i = 0; y < until; y++) for (let x = 0; x < width; x++, i++) take(x, y, plane, read(i));
    }
}

/** Hands every number as it is meant, with its place in the upright picture; those that stand for none are no light. */
function eachNumber(
  bytes: ByteSource,
  image: FitsImage,
  take: (place: number, plane: number, value: number) => void,
): void {
  const { width, height, scale, zero, blank, upsideDown, compressed } = image;
  (compressed ? eachOfTiles : eachStored)(bytes, image, (x, y, plane, stored) => {
    const value = stored === blank ? NaN : zero + scale * stored;
    take((upsideDown ? height - 1 - y : y) * width + x, plane, Number.isFinite(value) ? value : 0);
  });
}

/** Whether all numbers are whole ones from nought to 65,535, as those of a camera are. */
const fitsSixteen = ({ bits, scale, zero }: FitsImage): boolean =>
  scale === 1 && ((bits === 16 && zero === 32_768) || (bits === 8 && zero === 0));

/** Codes as a camera counts them, colours side by side. */
function counted(bytes: ByteSource, image: FitsImage): Decoded {
  const { width, height, bits, channels } = image;
  const codes = new (bits === 8 ? Uint8Array : Uint16Array)(width * height * channels);
  eachNumber(bytes, image, (place, plane, value) => {
    codes[place * channels + plane] = value;
  });
  return { width, height, channels, codes, black: 0, white: 2 ** bits - 1, tone: 'linear', bits };
}

/** Of green half, of red and blue a quarter. */
const SHARES = [0.25, 0.5, 0.25];

/** Numbers with a point, or that are not counts: of colours their mean, for three of them would not fit on a phone. */
function measured(bytes: ByteSource, image: FitsImage): Decoded {
  const { width, height, bits, channels } = image;
  const codes = new Float32Array(width * height);
  let most = 0;
  eachNumber(bytes, image, (place, plane, value) => {
    codes[place] = codes[place]! + (channels === 3 ? SHARES[plane]! : 1) * value;
    if (value > most) most = value;
  });
  const white = bits === 8 ? 255 : bits === 16 ? 65_535 : most > 1 ? most : 1;
  return { width, height, channels: 1, codes, black: 0, white, tone: 'linear', bits: Math.abs(bits) };
}

/** Whether all numbers of an image are in the file. */
const isWhole = ({ unit }: FitsImage, bytes: ByteSource): boolean => bytes.size >= unit.dataAt + unit.dataBytes;

export interface FitsWays {
  /** Which image of the file, counted from 0; the largest where nothing is said. */
  frame?: number | undefined;
  /** Is told the size before there is room made for it; throws to refuse it. */
  onSize: (width: number, height: number) => void;
  /** Is told how many images there are where the one asked for is none of them; throws. */
  onNoSuch: (images: number) => never;
}

/**
 * Reads an image of a FITS file, of its first unit or of one that follows: 8 to 64 bits, whole or with a point, compressed by Rice
 * or gzip or not at all. Rows are taken in the file's order, or turned over where ROWORDER says that it begins at the bottom. Of a
 * cube of three planes the colours, of any other the first plane.
 *
 * @returns nothing when there is no such image in it, or not all of it
 * @throws Error in words where its tiles cannot be read
 */
export function fitsPicture(
  bytes: ByteSource,
  { frame, onSize, onNoSuch }: FitsWays,
): { decoded: Decoded; frame?: number; frames?: number } | null {
  const images = fitsUnits(bytes)
    .map(imageOf)
    .filter((each) => each !== null);
  if (images.length === 0) throw new Error('there is no image in it: tables only');
  const pixels = ({ width, height }: FitsImage) => width * height;
  const largest = images.reduce((best, each, i) => (pixels(each) > pixels(images[best]!) ? i : best), 0);
  const chosen = frame ?? largest;
  const image = images[chosen] ?? onNoSuch(images.length);
  if (!isWhole(image, bytes)) return null;
  onSize(image.width, image.height);
  const decoded = fitsSixteen(image) ? counted(bytes, image) : measured(bytes, image);
  return { decoded, ...(images.length > 1 && { frame: chosen, frames: images.length }) };
}
