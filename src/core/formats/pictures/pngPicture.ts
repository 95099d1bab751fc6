import { convertIndexedToRgb, decode } from 'fast-png';
import type { Decoded } from './decoded';

/** Reads a PNG of any depth, 16 bits as 16 bits. Throws what the package throws for a damaged one. */
export function pngPicture(bytes: Uint8Array): Decoded {
  const png = decode(bytes);
  const { width, height, depth } = png;
  if (png.palette)
    return { width, height, channels: 3, codes: convertIndexedToRgb(png), black: 0, white: 255, tone: 'srgb', bits: 8 };
  if (depth < 8) {
    // Several pixels a byte, each row beginning a new one.
    const perByte = 8 / depth;
    const stride = Math.ceil(width / perByte);
    const codes = new Uint8Array(width * height);
    const most = 2 ** depth - 1;
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const byte = png.data[y * stride + Math.floor(x / perByte)]!;
        codes[y * width + x] = Math.round((((byte >> (8 - depth * ((x % perByte) + 1))) & most) * 255) / most);
      }
    return { width, height, channels: 1, codes, black: 0, white: 255, tone: 'srgb', bits: 8 };
  }
  const channels = png.channels as 1 | 2 | 3 | 4;
  return {
    width,
    height,
    channels,
    codes: png.data,
    black: 0,
    white: depth === 16 ? 65_535 : 255,
    tone: 'srgb',
    bits: depth,
  };
}
