import type { Grey } from '@/core/picture/grey';
import { chance } from '@/core/simulate/chance';
import { edgePicture, edgeResponse, type EdgeMade } from '@/core/simulate/edgeScene';
import { noisy } from '@/core/simulate/noisy';
import { asFile } from './randomRuler';

/** A picture of an edge whose response is known. */
export interface RandomEdge {
  grey: Grey;
  made: EdgeMade;
  /** Where its response falls to a level, cycles/px. */
  falls: (level: number) => number;
}

/** Contrast a round opening keeps, and a Gaussian blur after it; λN/p and σ in px. */
export const opticsOf =
  (wavelengthsFPerPx: number, sigma: number) =>
  (frequency: number): number => {
    const s = frequency * wavelengthsFPerPx;
    const round = s >= 1 ? 0 : (2 / Math.PI) * (Math.acos(s) - s * Math.sqrt(1 - s * s));
    return round * Math.exp(-2 * (Math.PI * sigma * frequency) ** 2);
  };

/** An edge as people photograph it: any usual slant, contrast, blur; noisy or clean, compressed or not. */
export function randomEdge(seed: number, clean = false, width = 400, height = 320): RandomEdge {
  const { between, even, oneOf } = chance(seed);
  const slant = between(4.5, 13) * oneOf([1, -1]);
  const open = between(0.4, 1.8);
  const [dark, light] = oneOf([
    [0.08, 0.6],
    [0.25, 0.5],
    [0.1, 0.8],
  ] as const);
  const made: EdgeMade = {
    edgeDeg: oneOf([0, 90, 180, 270]) + slant,
    offsetPx: between(-20, 20),
    dark,
    light,
    optics: opticsOf(open, between(0.4, 1.3)),
    cutoff: 1 / open,
    curvePx: !clean && even() < 0.3 ? between(-1.5, 1.5) : 0,
  };
  const falls = (level: number): number => {
    let [low, high] = [0, made.cutoff];
    for (let k = 0; k < 60; k++) {
      const middle = (low + high) / 2;
      if (edgeResponse(made, middle) > level) low = middle;
      else high = middle;
    }
    return low;
  };
  const sharp = edgePicture(made, width, height);
  if (clean) return { grey: { width, height, data: sharp, step: 1e-6 }, made, falls };
  const uneven = between(-0.15, 0.15);
  const lit = sharp.map((value, i) => value * (1 + uneven * ((i % width) / width - 0.5)));
  const shot = noisy(lit, { fullWell: oneOf([3000, 8000, 25_000]), readNoise: 3 }, seed + 1);
  return { grey: asFile(shot, width, height, even() < 0.4 ? 95 : undefined), made, falls };
}
