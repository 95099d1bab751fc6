import type { Grey } from '../../picture/grey';
import { codeStep } from '../../picture/tone';
import { upright, type Decoded } from './decoded';

/** Colours of a mosaic, by number. */
export const COLOURS = ['red', 'green', 'blue'] as const;
export type Colour = (typeof COLOURS)[number];

/** A raw picture as its sensor saw it: each pixel of one colour only, nothing made up between them. */
export interface Mosaic {
  /** In proportion to the light, each colour in its own measure. */
  grey: Grey;
  /** Colour of a pixel of the upright picture: 0 red, 1 green, 2 blue. */
  colourAt: (x: number, y: number) => number;
}

/** Where a pixel of the upright picture is stored. */
function storedPlace(orientation: number, width: number, height: number): (u: number, v: number) => [number, number] {
  const mirrored = [2, 3, 7, 8].includes(orientation);
  const upsideDown = [3, 4, 6, 7].includes(orientation);
  if (orientation >= 5) return (u, v) => [mirrored ? width - 1 - v : v, upsideDown ? height - 1 - u : u];
  return (u, v) => [mirrored ? width - 1 - u : u, upsideDown ? height - 1 - v : v];
}

/** The sensor's own picture of a raw file; nothing for one in full colour. */
export function mosaicOf(decoded: Decoded): Mosaic | null {
  const { mosaic, width, height, codes, black, white, bits, orientation = 1 } = decoded;
  if (!mosaic) return null;
  const data = new Float32Array(width * height);
  for (let i = 0; i < data.length; i++) data[i] = (codes[i]! - black) / (white - black);
  const turned = orientation > 1 && orientation <= 8 ? orientation : 1;
  const stored = storedPlace(turned, width, height);
  return {
    grey: upright({ width, height, data, step: codeStep(2 ** Math.min(16, bits), 'linear') }, turned),
    colourAt: (x, y) => {
      const [sx, sy] = stored(x, y);
      return mosaic[(sy % 2) * 2 + (sx % 2)]!;
    },
  };
}

/** Codes of one frame as the file holds them, for its noise: of a mosaic all, of colours the green. */
export function codesOf({ width, height, channels, codes, mosaic, white }: Decoded) {
  const data = new Float32Array(width * height);
  const from = channels >= 3 ? 1 : 0;
  for (let i = 0; i < data.length; i++) data[i] = codes[i * channels + from]!;
  return { width, height, data, mosaic, white };
}
