import type { Grey } from '@/core/picture/grey';
import { blurred } from '@/core/simulate/blurred';
import { chance } from '@/core/simulate/chance';
import { discScene, type DiscMade } from '@/core/simulate/discScene';
import { noisy } from '@/core/simulate/noisy';
import { drawn } from '@/core/simulate/scene';
import type { View } from '@/core/simulate/view';
import { asFile } from './randomRuler';

/** A picture of a disc whose truth is known. */
export interface RandomDisc {
  grey: Grey;
  equatorialPx: number;
  polarPx: number;
  equatorDeg: number;
  centre: [number, number];
  sigma: number;
  made: DiscMade;
}

/** A disc as telescopes and macro lenses show them: planets with belts, bodies in phase, evenly lit things; blurred, noisy. */
export function randomDisc(seed: number, kind: 'lit' | 'phase' | 'dark' = 'lit', diameter?: number): RandomDisc {
  const { between, even, oneOf } = chance(seed);
  const equatorialPx = diameter ?? Math.exp(between(Math.log(40), Math.log(320)));
  const size = Math.round(equatorialPx * between(1.35, 1.9));
  const width = size + Math.round(between(0, 40));
  const flattening = kind === 'lit' && even() < 0.5 ? between(0.9, 0.985) : 1;
  const dark = kind === 'dark';
  const made: DiscMade = {
    law: chance(seed + 2).oneOf(['straight', 'power'] as const),
    radiusMm: equatorialPx / 2,
    flattening,
    darkening: dark ? 0 : oneOf([0, between(0.1, 0.5), between(0.5, 1)]),
    light: dark ? between(0.03, 0.15) : between(0.5, 0.9),
    ground: dark ? between(0.45, 0.7) : between(0, 0.03),
    belts: kind === 'lit' && even() < 0.5 ? between(0.1, 0.35) : 0,
    phaseDeg: kind === 'phase' ? between(25, 95) : 0,
  };
  const middle: [number, number] = [between(-0.06, 0.06) * size, between(-0.06, 0.06) * size];
  const view: View = {
    pxPerMm: 1,
    turnDeg: between(-180, 180),
    tiltAlongDeg: 0,
    tiltAcrossDeg: 0,
    middleMm: middle,
    focalPx: 1e6,
    distortion: 0,
  };
  const sharp = drawn(discScene(made, seed), view, width, size, equatorialPx < 120 ? 5 : 4);
  const sigma = between(0.6, Math.min(3, 0.03 * equatorialPx + 0.8));
  const core = blurred(sharp, width, size, sigma);
  const wings = blurred(sharp, width, size, chance(seed + 3).between(1.8, 4.5) * sigma);
  const share = between(0, 0.12);
  const light = core.map((value, i) => (1 - share) * value + share * wings[i]!);
  const turn = (view.turnDeg * Math.PI) / 180;
  return {
    grey: asFile(
      noisy(light, { fullWell: oneOf([400, 2000, 10_000]), readNoise: 2 }, seed + 1),
      width,
      size,
      even() < 0.4 ? 92 : undefined,
    ),
    equatorialPx,
    polarPx: equatorialPx * flattening,
    equatorDeg: ((((view.turnDeg + 90) % 180) + 180) % 180) - 90,
    centre: [
      (width - 1) / 2 - (middle[0] * Math.cos(turn) - middle[1] * Math.sin(turn)),
      (size - 1) / 2 - (middle[0] * Math.sin(turn) + middle[1] * Math.cos(turn)),
    ],
    sigma,
    made,
  };
}
