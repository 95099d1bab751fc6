import type { Grey } from '@/core/picture/grey';
import { chance } from '@/core/simulate/chance';
import { noisy } from '@/core/simulate/noisy';
import { textureScene } from '@/core/simulate/textureScene';
import { throughLens } from '@/core/simulate/throughLens';
import type { View } from '@/core/simulate/view';
import { asFile } from './randomRuler';

/** Two pictures of one thing, of which everything is known. */
export interface RandomPair {
  a: Grey;
  b: Grey;
  scale: number;
  rotationDeg: number;
  shift: [number, number];
  /** Where contrast falls to 15 %, cycles a px of a. */
  limitA: number;
  limitB: number;
  /** Share of the power that b keeps of what a does, at cycles a px of a. */
  powerRatio: (frequency: number) => number;
}

/** What a pixel that is drawn by two samples a side lets pass. */
const pixel = (frequency: number): number => Math.cos((Math.PI * frequency) / 2);
const kept = (sigma: number) => (frequency: number) =>
  Math.exp(-2 * (Math.PI * sigma * frequency) ** 2) * pixel(frequency);

function limitOf(response: (frequency: number) => number): number {
  let [low, high] = [0, 0.999];
  for (let k = 0; k < 50; k++) {
    const middle = (low + high) / 2;
    if (response(middle) > 0.15) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * The same thing taken twice: another scale, turn, place, blur, exposure, noise.
 *
 * @param equal both as large and as sharp: neither has more
 */
export function randomPair(seed: number, width = 520, height = 400, equal = false): RandomPair {
  const { between, even, oneOf } = chance(seed);
  const drawn = oneOf([1, between(0.4, 2.6), between(0.7, 1.5)]);
  const scale = equal ? 1 : drawn;
  const rotationDeg = between(-6, 6);
  const pxPerMmA = 10;
  const shift: [number, number] = [between(-30, 30), between(-30, 30)];
  const scene = textureScene(0.25 / Math.max(pxPerMmA, pxPerMmA * scale), seed);
  const viewOf = (pxPerMm: number, turnDeg: number, middleMm: [number, number]): View => ({
    pxPerMm,
    turnDeg,
    tiltAlongDeg: 0,
    tiltAcrossDeg: 0,
    middleMm,
    focalPx: 1e7,
    distortion: 0,
  });
  const turn = (rotationDeg * Math.PI) / 180;
  // What lies in b's middle: a's middle less the shift, turned back.
  const [mx, my] = [-shift[0] / (pxPerMmA * scale), -shift[1] / (pxPerMmA * scale)];
  const middle: [number, number] = [
    mx * Math.cos(turn) + my * Math.sin(turn),
    -mx * Math.sin(turn) + my * Math.cos(turn),
  ];
  const sigmas = [between(0.5, 1.6), between(0.5, 1.6)] as const;
  const [sigmaA, sigmaB] = equal ? [sigmas[0], sigmas[0]] : sigmas;
  const made = (view: View, sigma: number, gain: number, own: number): Grey => {
    const sharp = throughLens(scene, view, width, height, sigma);
    const light = noisy(
      sharp.map((v) => gain * v),
      { fullWell: oneOf([1500, 4000, 12_000]), readNoise: 3 },
      own,
    );
    return asFile(light, width, height, even() < 0.5 ? 93 : undefined);
  };
  const a = made(viewOf(pxPerMmA, 0, [0, 0]), sigmaA, 1, seed + 1);
  const b = made(viewOf(pxPerMmA * scale, rotationDeg, middle), sigmaB, between(0.8, 1.15), seed + 2);
  const [ka, kb] = [kept(sigmaA), kept(sigmaB)];
  return {
    a,
    b,
    scale,
    rotationDeg,
    shift,
    limitA: limitOf(ka),
    limitB: limitOf(kb) * scale,
    powerRatio: (frequency) => (kb(frequency / scale) / ka(frequency)) ** 2,
  };
}
