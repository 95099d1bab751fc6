import type { Decoded } from './decoded';

const BLOCK = 2880;
const CARD = 80;

/** The cards of the first header of a FITS file, and where its data begin. Source: FITS standard 4.0, sections 3 and 4. */
export function fitsHeader(bytes: Uint8Array): { cards: Map<string, string>; dataAt: number } | null {
  const cards = new Map<string, string>();
  for (let at = 0; at + CARD <= bytes.length; at += CARD) {
    const card = String.fromCharCode(...bytes.subarray(at, at + CARD));
    const name = card.slice(0, 8).trim();
    if (name === 'END') return { cards, dataAt: Math.ceil((at + CARD) / BLOCK) * BLOCK };
    if (card[8] !== '=') continue;
    const value = card.slice(10);
    const quoted = /^\s*'((?:[^']|'')*)'/.exec(value);
    cards.set(name, quoted ? quoted[1]!.replaceAll("''", "'").trim() : value.split('/')[0]!.trim());
  }
  return null;
}

/** What the header says of the first image. */
interface FitsImage {
  width: number;
  height: number;
  /** As BITPIX says: of whole numbers 8, 16, 32, with a point -32, -64. */
  bits: number;
  channels: 1 | 3;
  scale: number;
  zero: number;
  upsideDown: boolean;
}

function imageOf(cards: ReadonlyMap<string, string>): FitsImage | null {
  const number = (name: string, otherwise: number): number => {
    const value = Number(cards.get(name)?.replace('D', 'E'));
    return cards.has(name) && Number.isFinite(value) ? value : otherwise;
  };
  const [bits, width, height] = [number('BITPIX', 0), number('NAXIS1', 0), number('NAXIS2', 0)];
  if (![8, 16, 32, -32, -64].includes(bits) || width < 1 || height < 1) return null;
  return {
    width,
    height,
    bits,
    channels: number('NAXIS', 0) >= 3 && number('NAXIS3', 1) === 3 ? 3 : 1,
    scale: number('BSCALE', 1),
    zero: number('BZERO', 0),
    upsideDown: cards.get('ROWORDER')?.toUpperCase() === 'BOTTOM-UP',
  };
}

const numberAt = (view: DataView): Record<number, (i: number) => number> => ({
  8: (i) => view.getUint8(i),
  16: (i) => view.getInt16(2 * i),
  32: (i) => view.getInt32(4 * i),
  [-32]: (i) => view.getFloat32(4 * i),
  [-64]: (i) => view.getFloat64(8 * i),
});

/** So many bytes of the file are looked at together: the whole beside what is made of it would not fit on a phone. */
const TOGETHER = 1 << 22;

/** Hands every number of a plane to what is made of it, with its place in the upright picture. */
async function eachNumber(
  data: Blob,
  { width, height, bits, scale, zero, upsideDown }: FitsImage,
  plane: number,
  take: (place: number, value: number) => void,
): Promise<void> {
  const rowBytes = (width * Math.abs(bits)) / 8;
  const rows = Math.max(1, Math.floor(TOGETHER / rowBytes));
  for (let top = 0; top < height; top += rows) {
    const until = Math.min(height, top + rows);
    const part = data.slice((plane * height + top) * rowBytes, (plane * height + until) * rowBytes);
    const read = numberAt(new DataView(await part.arrayBuffer()))[bits]!;
    for (let y = top, i = 0; y < until; y++)
      for (let x = 0, place = (upsideDown ? height - 1 - y : y) * width; x < width; x++, i++, place++) {
        const stored = zero + scale * read(i);
        take(place, Number.isFinite(stored) ? stored : 0);
      }
  }
}

/** Whether all numbers are whole ones from nought to 65,535, as those of a camera are. */
const fitsSixteen = ({ bits, scale, zero }: FitsImage): boolean =>
  scale === 1 && ((bits === 16 && zero === 32_768) || (bits === 8 && zero === 0));

/** Codes as a camera counts them, colours side by side. */
async function counted(data: Blob, image: FitsImage): Promise<Decoded> {
  const { width, height, bits, channels } = image;
  const codes = new (bits === 8 ? Uint8Array : Uint16Array)(width * height * channels);
  for (let plane = 0; plane < channels; plane++)
    await eachNumber(data, image, plane, (place, value) => {
      codes[place * channels + plane] = value;
    });
  return { width, height, channels, codes, black: 0, white: 2 ** bits - 1, tone: 'linear', bits };
}

/** Of green half, of red and blue a quarter. */
const SHARES = [0.25, 0.5, 0.25];

/** Numbers with a point, or that are not counts: of colours their mean, for three of them would not fit on a phone. */
async function measured(data: Blob, image: FitsImage): Promise<Decoded> {
  const { width, height, bits, channels } = image;
  const codes = new Float32Array(width * height);
  let most = 0;
  for (let plane = 0; plane < channels; plane++) {
    const share = channels === 3 ? SHARES[plane]! : 1;
    await eachNumber(data, image, plane, (place, value) => {
      codes[place] = codes[place]! + share * value;
      if (value > most) most = value;
    });
  }
  const white = bits === 8 ? 255 : bits === 16 ? 65_535 : most > 1 ? most : 1;
  return { width, height, channels: 1, codes, black: 0, white, tone: 'linear', bits: Math.abs(bits) };
}

/** A header is looked for so far into the file, bytes. */
const LONGEST_HEADER = 100 * BLOCK;

/**
 * Reads the first image of a FITS file: 8, 16 or 32 bits, whole or with a point. Rows are taken in the file's order, or turned
 * over where ROWORDER says that it begins at the bottom. Of a cube of three planes the colours, of any other the first plane.
 *
 * @returns nothing when there is no image in it
 */
export async function fitsPicture(file: Blob): Promise<Decoded | null> {
  const header = fitsHeader(new Uint8Array(await file.slice(0, LONGEST_HEADER).arrayBuffer()));
  const image = header && imageOf(header.cards);
  if (!image) return null;
  const { width, height, bits, channels } = image;
  if (file.size < header.dataAt + (channels * width * height * Math.abs(bits)) / 8) return null;
  const data = file.slice(header.dataAt);
  return fitsSixteen(image) ? counted(data, image) : measured(data, image);
}
