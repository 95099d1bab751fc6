import { decode, decodeImage, type IFD } from 'utif2';
import type { Decoded } from './decoded';

const numbers = (page: IFD, tag: number): number[] | undefined => {
  const value = page[`t${tag}`];
  return Array.isArray(value) || ArrayBuffer.isView(value) ? Array.from(value as ArrayLike<number>) : undefined;
};
const first = (page: IFD, tag: number, otherwise: number): number => numbers(page, tag)?.[0] ?? otherwise;

const MOSAIC = 32_803;

/** Pages that hang below one; the package types them as it types a tag. */
function below(page: IFD): IFD[] {
  const pages: unknown = page.subIFD;
  return Array.isArray(pages) ? pages.filter((each): each is IFD => typeof each === 'object' && each !== null) : [];
}

/** The largest page, with the pages that hang below the first one: raw files keep a small one in front. */
function largestPage(pages: IFD[]): IFD | undefined {
  const all = pages.flatMap((page) => [page, ...below(page)]);
  const size = (page: IFD) => first(page, 256, 0) * first(page, 257, 0);
  return all.reduce<IFD | undefined>((best, page) => (!best || size(page) > size(best) ? page : best), undefined);
}

/**
 * Reads the largest page of a TIFF of 8 or 16 bits, or of an uncompressed raw file in TIFF's form.
 *
 * @returns nothing for what it does not read: other depths, planes apart
 */
export function tiffPicture(bytes: Uint8Array): Decoded | null {
  // A file read as a whole is not copied: a large one would not fit twice.
  const whole = bytes.byteLength === bytes.buffer.byteLength;
  const buffer = (
    whole ? bytes.buffer : bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)
  ) as ArrayBuffer;
  const page = largestPage(decode(buffer));
  if (!page) return null;
  const bits = first(page, 258, 1);
  const channels = first(page, 277, 1);
  if ((bits !== 8 && bits !== 16) || channels > 4 || first(page, 284, 1) !== 1) return null;
  // Packed sensor numbers are for the decoder of camera raw.
  if (first(page, 262, 1) === MOSAIC && first(page, 259, 1) !== 1) return null;
  decodeImage(buffer, page);
  const { width, height, data } = page;
  const count = width * height * channels;
  if (!data || data.byteLength < (count * bits) / 8) return null;
  const codes = bits === 8 ? new Uint8Array(data.buffer, data.byteOffset, count) : sixteen(data, count);
  const white = bits === 8 ? 255 : 65_535;
  if (first(page, 262, 1) === 0) for (let i = 0; i < count; i++) codes[i] = white - codes[i]!;
  const orientation = first(page, 274, 1);
  if (first(page, 262, 1) !== MOSAIC)
    return {
      width,
      height,
      channels: channels as Decoded['channels'],
      codes,
      black: 0,
      white,
      tone: 'srgb',
      bits,
      orientation,
    };
  const pattern = numbers(page, 33_422) ?? [0, 1, 1, 2];
  return {
    width,
    height,
    channels: 1,
    codes,
    black: first(page, 50_714, 0),
    white: first(page, 50_717, white),
    tone: 'linear',
    mosaic: pattern.slice(0, 4) as [number, number, number, number],
    orientation,
    bits,
  };
}

/** Two bytes a sample, the lower first, wherever they begin. */
function sixteen(data: Uint8Array, count: number): Uint16Array {
  if (data.byteOffset % 2 === 0) return new Uint16Array(data.buffer, data.byteOffset, count);
  return new Uint16Array(data.slice(0, 2 * count).buffer);
}
