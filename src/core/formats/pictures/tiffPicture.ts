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

/** Numbers of an uncompressed page that lie in one piece: used where they are, for a large picture would not fit twice. */
function asTheyLie(bytes: Uint8Array, page: IFD, length: number): Uint8Array | null {
  const [offsets, lengths] = [numbers(page, 273), numbers(page, 279)];
  if (first(page, 259, 1) !== 1 || first(page, 317, 1) !== 1 || !offsets || !lengths) return null;
  const inOnePiece = offsets.every((at, i) => i === 0 || at === offsets[i - 1]! + lengths[i - 1]!);
  const whole = lengths.reduce((sum, each) => sum + each, 0) === length && offsets[0]! + length <= bytes.length;
  return inOnePiece && whole ? bytes.subarray(offsets[0], offsets[0]! + length) : null;
}

/** Whether all pieces of a page, strips or tiles, are in the file: the package reads black where they are not. */
function isWhole(page: IFD, fileBytes: number): boolean {
  const offsets = numbers(page, 324) ?? numbers(page, 273) ?? [];
  const lengths = numbers(page, 325) ?? numbers(page, 279) ?? [];
  return offsets.every((at, i) => at + (lengths[i] ?? 0) <= fileBytes);
}

/** In each two bytes the higher and the lower change places. */
function swapped(data: Uint8Array): void {
  for (let i = 0; i + 1 < data.length; i += 2) [data[i], data[i + 1]] = [data[i + 1]!, data[i]!];
}

/** Numbers of a page, of two bytes the lower first. */
function storedNumbers(bytes: Uint8Array, buffer: ArrayBuffer, page: IFD, length: number): Uint8Array | null {
  const lying = asTheyLie(bytes, page, length);
  if (lying) {
    if (first(page, 258, 1) === 16 && bytes[0] === HIGHER_FIRST) swapped(lying);
    return lying;
  }
  decodeImage(buffer, page);
  return page.data ?? null;
}

/** “MM” at the start of a file: of each number the higher byte comes first. Source: TIFF 6.0, section 2. */
const HIGHER_FIRST = 0x4d;

/**
 * Reads the largest page of a TIFF of 8 or 16 bits, or of an uncompressed raw file in TIFF's form. The file's own bytes are used
 * up: they may become the picture's numbers.
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
  if (!isWhole(page, bytes.length)) throw new Error('it ends in the middle of its data');
  const [width, height] = [first(page, 256, 0), first(page, 257, 0)];
  const count = width * height * channels;
  const data = storedNumbers(new Uint8Array(buffer), buffer, page, (count * bits) / 8);
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
