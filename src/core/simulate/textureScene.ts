import { noise } from '../detail/textures/noise';
import { chance } from './chance';
import type { Scene } from './scene';

/** Sizes of structure, each twice the one before: natural things have some of every size. */
const OCTAVES = 6;

/**
 * A flat thing full of detail of every size: patches, fibres that run over it, specks. Its structure goes on below what a
 * pixel shows, as that of feathers, fur and bark does.
 *
 * @param finestMm size of the finest structure
 */
export function textureScene(finestMm: number, seed: number): Scene {
  const { between } = chance(seed);
  const turn = between(0, Math.PI);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const stretch = between(2, 6);
  const octaves = Array.from({ length: OCTAVES }, (_, k) => 2 ** k * finestMm);
  return (x, y) => {
    const [u, v] = [x * c + y * s, (-x * s + y * c) / stretch];
    let light = 0.42;
    for (const [k, size] of octaves.entries()) {
      const share = 0.045 + 0.012 * k;
      const even = noise(x / size + 31.7 * k, y / size - 17.3 * k, seed + k);
      const fibre = noise((2 * u) / size - 11.1 * k, (2 * v) / size + 7.9 * k, seed + 100 + k);
      light += share * (even + fibre - 1);
    }
    return Math.max(0.02, Math.min(1, light));
  };
}
