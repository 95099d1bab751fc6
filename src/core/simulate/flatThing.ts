import { chance } from './chance';
import { noisy } from './noisy';
import { shaken, shakePath } from './shaken';
import { textureScene } from './textureScene';
import { throughLens } from './throughLens';

/** A flat thing full of detail, and how the camera stands before it: the same seed is the same thing. */
export interface FlatThing {
  seed: number;
  pxPerMm: number;
  turnDeg: number;
  /** What of it lies in the picture's middle, mm. */
  middleMm: [number, number];
  /** How far the camera moved while the shutter was open, px. */
  shakenPx: number;
  /** The camera draws only the middle and enlarges it so many times. */
  enlarged: number;
}

/** Where the finest structure of the thing lies, mm: below what any of these cameras shows. */
const FINEST_MM = 0.02;

/** A picture made larger between its pixels, as cameras do that zoom without a lens. */
export function enlargedTo(
  light: Float32Array,
  from: { width: number; height: number },
  to: { width: number; height: number },
): Float32Array {
  const out = new Float32Array(to.width * to.height);
  const [stepX, stepY] = [from.width / to.width, from.height / to.height];
  for (let y = 0; y < to.height; y++) {
    const py = Math.max(0, Math.min(from.height - 1.001, (y + 0.5) * stepY - 0.5));
    const [j, v] = [Math.floor(py), py - Math.floor(py)];
    for (let x = 0; x < to.width; x++) {
      const px = Math.max(0, Math.min(from.width - 1.001, (x + 0.5) * stepX - 0.5));
      const [i, u] = [Math.floor(px), px - Math.floor(px)];
      const at = j * from.width + i;
      out[y * to.width + x] =
        (light[at]! * (1 - u) + light[at + 1]! * u) * (1 - v) +
        (light[at + from.width]! * (1 - u) + light[at + from.width + 1]! * u) * v;
    }
  }
  return out;
}

interface Made {
  columns: number;
  rows: number;
  sigmaPx: number;
  fullWell: number;
  /** Noise and hand of this picture. */
  seed: number;
}

/** The light of a picture of a flat thing. */
export function takeFlat(thing: FlatThing, { columns, rows, sigmaPx, fullWell, seed }: Made): Float32Array {
  const { pxPerMm, turnDeg, middleMm, shakenPx, enlarged } = thing;
  const [width, height] = [Math.round(columns / enlarged), Math.round(rows / enlarged)];
  const view = { pxPerMm, turnDeg, tiltAlongDeg: 0, tiltAcrossDeg: 0, middleMm, focalPx: 1e7, distortion: 0 };
  const { between } = chance(seed);
  const sharp = throughLens(textureScene(FINEST_MM, thing.seed), view, width, height, sigmaPx);
  const moved =
    shakenPx > 0.05 ? shaken(sharp, width, height, shakePath(shakenPx, between(0, 180), between(-0.3, 0.3))) : sharp;
  const light = noisy(moved, { fullWell, readNoise: 4 }, seed + 1);
  return enlarged === 1 ? light : enlargedTo(light, { width, height }, { width: columns, height: rows });
}
