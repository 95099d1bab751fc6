import type { Decoded } from './decoded';
import { CUT_SHORT, openPng } from './pngStream';

/** What lies left, above, and above on the left foretell of a byte, whichever is nearest. Source: PNG, 9.4. */
function paeth(left: number, above: number, corner: number): number {
  const [a, b, c] = [Math.abs(above - corner), Math.abs(left - corner), Math.abs(left + above - 2 * corner)];
  return a <= b && a <= c ? left : b <= c ? above : corner;
}

type Undo = (row: Uint8Array, above: Uint8Array, step: number) => void;

/** What undoes each of the five filters of a row, in place; the first pixel has nothing on its left. Source: PNG, 9.2. */
const UNDO: Undo[] = [
  () => undefined,
  (row, _above, step) => {
    for (let i = step; i < row.length; i++) row[i] = row[i]! + row[i - step]!;
  },
  (row, above) => {
    for (let i = 0; i < row.length; i++) row[i] = row[i]! + above[i]!;
  },
  (row, above, step) => {
    for (let i = 0; i < row.length; i++) row[i] = row[i]! + (((i < step ? 0 : row[i - step]!) + above[i]!) >> 1);
  },
  (row, above, step) => {
    for (let i = 0; i < step; i++) row[i] = row[i]! + above[i]!;
    for (let i = step; i < row.length; i++) row[i] = row[i]! + paeth(row[i - step]!, above[i]!, above[i - step]!);
  },
];

/**
 * Reads a PNG in colours of 8 or 16 bits row by row as its file is read and decompressed, so that nothing but its codes is held;
 * the package for all others holds file and codes three times.
 *
 * @returns nothing for other kinds; throws for a damaged one
 */
export async function pngRows(stream: ReadableStream<Uint8Array>): Promise<Decoded | null> {
  const { header, packed, stop } = await openPng(stream);
  const { width, height, depth, colour, interlaced } = header;
  if ((colour !== 2 && colour !== 6) || (depth !== 8 && depth !== 16) || interlaced) {
    await stop();
    return null;
  }
  const channels = colour === 2 ? 3 : 4;
  const step = (channels * depth) / 8;
  const codes = depth === 8 ? new Uint8Array(width * height * channels) : new Uint16Array(width * height * channels);
  // One byte in front says how the row is filtered.
  const line = new Uint8Array(1 + width * step);
  const above = new Uint8Array(width * step);
  let [filled, y] = [0, 0];
  const settle = () => {
    const row = line.subarray(1);
    const undo = UNDO[line[0]!];
    if (!undo) throw new Error('a row is filtered in no known way');
    undo(row, above, step);
    above.set(row);
    const to = y * width * channels;
    if (depth === 8) codes.set(row, to);
    else for (let i = 0; i < width * channels; i++) codes[to + i] = (row[2 * i]! << 8) | row[2 * i + 1]!;
    [filled, y] = [0, y + 1];
  };
  const reader = packed.pipeThrough(new DecompressionStream('deflate')).getReader();
  for (let next = await reader.read(); !next.done && y < height; next = await reader.read()) {
    for (let from = 0; from < next.value.length && y < height;) {
      const part = next.value.subarray(from, from + line.length - filled);
      line.set(part, filled);
      filled += part.length;
      from += part.length;
      if (filled === line.length) settle();
    }
  }
  if (y < height) throw new Error(CUT_SHORT);
  return { width, height, channels, codes, black: 0, white: 2 ** depth - 1, tone: 'srgb', bits: depth };
}
