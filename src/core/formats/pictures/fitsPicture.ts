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

/**
 * Reads the first image of a FITS file: 8, 16 or 32 bits, whole or with a point. Rows are taken in the file's order, or turned
 * over where ROWORDER says that it begins at the bottom. Of a cube of three planes the colours, of any other the first plane.
 *
 * @returns nothing when there is no image in it
 */
export function fitsPicture(bytes: Uint8Array): Decoded | null {
  const header = fitsHeader(bytes);
  if (!header) return null;
  const number = (name: string, otherwise: number): number => {
    const value = Number(header.cards.get(name)?.replace('D', 'E'));
    return header.cards.has(name) && Number.isFinite(value) ? value : otherwise;
  };
  const bits = number('BITPIX', 0);
  const [width, height] = [number('NAXIS1', 0), number('NAXIS2', 0)];
  const planes = number('NAXIS', 0) >= 3 ? number('NAXIS3', 1) : 1;
  const size = Math.abs(bits) / 8;
  if (![8, 16, 32, -32, -64].includes(bits) || width < 1 || height < 1) return null;
  if (bytes.length < header.dataAt + width * height * size) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset + header.dataAt);
  const read: Record<number, (at: number) => number> = {
    8: (at) => view.getUint8(at),
    16: (at) => view.getInt16(2 * at),
    32: (at) => view.getInt32(4 * at),
    [-32]: (at) => view.getFloat32(4 * at),
    [-64]: (at) => view.getFloat64(8 * at),
  };
  const [scale, zero] = [number('BSCALE', 1), number('BZERO', 0)];
  const colours = planes === 3 && bytes.length >= header.dataAt + 3 * width * height * size;
  const channels = colours ? 3 : 1;
  const upsideDown = header.cards.get('ROWORDER')?.toUpperCase() === 'BOTTOM-UP';
  const codes = new Float32Array(width * height * channels);
  let most = 0;
  for (let plane = 0; plane < channels; plane++)
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const stored = zero + scale * read[bits]!(plane * width * height + y * width + x);
        const value = Number.isFinite(stored) ? stored : 0;
        codes[((upsideDown ? height - 1 - y : y) * width + x) * channels + plane] = value;
        if (value > most) most = value;
      }
  const white = bits === 8 ? 255 : bits === 16 ? 65_535 : most > 1 ? most : 1;
  return { width, height, channels, codes, black: 0, white, tone: 'linear', bits: Math.abs(bits) };
}
