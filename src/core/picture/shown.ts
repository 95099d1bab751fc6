import type { Grey } from './grey';
import { srgbOfLight } from './tone';

/** A part of a picture, px, and how large it is to be shown. */
export interface Part {
  x: number;
  y: number;
  width: number;
  height: number;
  outWidth: number;
  outHeight: number;
}

const LEVELS = 4096;
const CODES = Uint8ClampedArray.from({ length: LEVELS + 1 }, (_, i) => 255 * srgbOfLight(i / LEVELS));

/** The light that is shown white: that of nearly all pixels, so that a dark film of a planet is seen too. */
export function whiteOf({ data }: Grey): number {
  const every = Math.max(1, Math.floor(data.length / 20_000));
  const sample: number[] = [];
  for (let i = 0; i < data.length; i += every) sample.push(data[i]!);
  sample.sort((a, b) => a - b);
  const high = sample[Math.floor(0.9995 * (sample.length - 1))] ?? 1;
  return high > 0.25 ? 1 : Math.max(high * 1.2, 1e-4);
}

/**
 * A part of a picture as the screen shows it: means of what falls on a point when it is made smaller, single pixels when it is
 * made larger.
 *
 * @param white light that is shown white
 * @returns red, green, blue and full opacity, row by row
 */
export function shown(grey: Grey, part: Part, white: number): Uint8ClampedArray {
  const { outWidth, outHeight } = part;
  const out = new Uint8ClampedArray(outWidth * outHeight * 4);
  const [stepX, stepY] = [part.width / outWidth, part.height / outHeight];
  // At most three samples along each side: enough against grain, and quick.
  const samplesX = Math.min(3, Math.max(1, Math.round(stepX)));
  const samplesY = Math.min(3, Math.max(1, Math.round(stepY)));
  const scale = LEVELS / (white * samplesX * samplesY);
  for (let v = 0; v < outHeight; v++)
    for (let u = 0; u < outWidth; u++) {
      let sum = 0;
      for (let j = 0; j < samplesY; j++) {
        const y = Math.floor(part.y + (v + (j + 0.5) / samplesY) * stepY);
        const row = Math.max(0, Math.min(grey.height - 1, y)) * grey.width;
        for (let i = 0; i < samplesX; i++) {
          const x = Math.floor(part.x + (u + (i + 0.5) / samplesX) * stepX);
          sum += grey.data[row + Math.max(0, Math.min(grey.width - 1, x))]!;
        }
      }
      const code = CODES[Math.max(0, Math.min(LEVELS, Math.round(sum * scale)))]!;
      const at = (v * outWidth + u) * 4;
      out[at] = code;
      out[at + 1] = code;
      out[at + 2] = code;
      out[at + 3] = 255;
    }
  return out;
}
