import { noiseOf } from '../detail/textures/noise';
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
  const octaves = Array.from({ length: OCTAVES }, (_, k) => ({
    size: 2 ** k * finestMm,
    share: 0.045 + 0.012 * k,
    even: noiseOf(seed + k),
    fibre: noiseOf(seed + 100 + k),
  }));
  return (x, y) => {
    const u = x * c + y * s;
    const v = (-x * s + y * c) / stretch;
    let light = 0.42;
    for (let k = 0; k < OCTAVES; k++) {
      const { size, share, even, fibre } = octaves[k]!;
      light +=
        share *
        (even(x / size + 31.7 * k, y / size - 17.3 * k) +
          fibre((2 * u) / size - 11.1 * k, (2 * v) / size + 7.9 * k) -
          1);
    }
    return Math.max(0.02, Math.min(1, light));
  };
}
