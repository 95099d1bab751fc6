import type { ByteSource } from './byteSource';
import type { Decoded } from './decoded';

/** So much of a film comes before its first frame. */
export const SER_HEADER_BYTES = 178;

/** What the header of a SER file says: many frames of one size. Source: SER format description, version 3. */
export interface SerHeader {
  width: number;
  height: number;
  bits: number;
  frames: number;
  channels: 1 | 3;
  /** Blue first. */
  reversed: boolean;
  mosaic?: [number, number, number, number];
  /** Of two bytes the lower comes first. */
  lowFirst: boolean;
  frameBytes: number;
}

const MOSAICS: Record<number, [number, number, number, number]> = {
  8: [0, 1, 1, 2],
  9: [1, 0, 2, 1],
  10: [1, 2, 0, 1],
  11: [2, 1, 1, 0],
};

export function serHeader(bytes: Uint8Array): SerHeader | null {
  if (bytes.length < SER_HEADER_BYTES) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const colour = view.getInt32(18, true);
  const [width, height, bits, frames] = [26, 30, 34, 38].map((at) => view.getInt32(at, true)) as [
    number,
    number,
    number,
    number,
  ];
  const channels = colour >= 100 ? 3 : 1;
  if (width < 1 || height < 1 || bits < 1 || bits > 16 || frames < 1) return null;
  const mosaic = MOSAICS[colour];
  return {
    width,
    height,
    bits,
    frames,
    channels,
    reversed: colour === 101,
    ...(mosaic ? { mosaic } : {}),
    // The flag was written the wrong way round by the first program of its kind, and by all since: 0 means the lower first.
    lowFirst: view.getInt32(22, true) === 0,
    frameBytes: width * height * channels * (bits > 8 ? 2 : 1),
  };
}

/** One frame of a SER file, counted from 0; nothing when the file has no such frame. */
export function serFrameOf(film: ByteSource, header: SerHeader, frame: number): Decoded | null {
  const at = SER_HEADER_BYTES + frame * header.frameBytes;
  if (frame < 0 || frame >= header.frames || film.size < at + header.frameBytes) return null;
  return decodedFrame(film.read(at, at + header.frameBytes).buffer, header);
}

function decodedFrame(bytes: ArrayBuffer, header: SerHeader): Decoded {
  const { width, height, bits, channels, reversed, lowFirst, mosaic } = header;
  const count = width * height * channels;
  let codes: Uint8Array | Uint16Array;
  if (bits <= 8) codes = new Uint8Array(bytes);
  else {
    codes = new Uint16Array(count);
    const view = new DataView(bytes);
    for (let i = 0; i < count; i++) codes[i] = view.getUint16(2 * i, lowFirst);
  }
  if (reversed) for (let i = 0; i < count; i += 3) [codes[i], codes[i + 2]] = [codes[i + 2]!, codes[i]!];
  let most = 0;
  for (const code of codes) if (code > most) most = code;
  // Twelve bits may lie in the lower or in the upper part of sixteen.
  const white = bits <= 8 ? 255 : most >= 2 ** bits ? 65_535 : 2 ** bits - 1;
  return { width, height, channels, codes, black: 0, white, tone: 'linear', bits, mosaic };
}

/** The sharpest frame: most difference between neighbours, of what is brighter than the ground. */
export function sharpestFrame(film: ByteSource, header: SerHeader, onProgress?: (share: number) => void): number {
  let best = 0;
  let most = -1;
  for (let frame = 0; frame < header.frames; frame++) {
    const decoded = serFrameOf(film, header, frame);
    if (!decoded) break;
    const { codes, width, height, channels } = decoded;
    // Two apart: on a mosaic neighbours differ by their colour.
    let sum = 0;
    let light = 0;
    for (let y = 2; y < height; y++)
      for (let x = 2; x < width; x++) {
        const i = (y * width + x) * channels;
        sum += (codes[i]! - codes[i - 2 * channels]!) ** 2 + (codes[i]! - codes[i - 2 * width * channels]!) ** 2;
        light += codes[i]!;
      }
    const sharpness = light > 0 ? sum / (light * light) : 0;
    if (sharpness > most) {
      most = sharpness;
      best = frame;
    }
    onProgress?.((frame + 1) / header.frames);
  }
  return best;
}
