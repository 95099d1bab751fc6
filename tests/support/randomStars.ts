import type { Grey } from '@/core/picture/grey';
import { chance } from '@/core/simulate/chance';
import { noisy } from '@/core/simulate/noisy';
import { skyView, starPicture, type StarDrawn, type StarsMade } from '@/core/simulate/starScene';
import { asFile } from './randomRuler';

/** A picture of a sky whose truth is known. */
export interface RandomStars {
  grey: Grey;
  made: StarsMade;
  stars: StarDrawn[];
  centrePx: number;
  centreDeg: number;
}

/** A sky as people photograph it: wide or long, short or long exposed, dark or bright, with hot pixels and perhaps coma. */
export function randomStars(seed: number, width = 900, height = 600): RandomStars {
  const { between, even, oneOf } = chance(seed);
  const focalMm = oneOf([14, 24, 35, 50, 85]);
  const pitchUm = oneOf([6, 12, 24]);
  const declinationDeg = between(-60, 70);
  const wanted = Math.exp(between(Math.log(1.5), Math.log(22)));
  const exposureS = (wanted * pitchUm) / (focalMm * 1000 * 7.292e-5 * Math.cos((declinationDeg * Math.PI) / 180));
  const made: StarsMade = {
    width,
    height,
    pitchUm,
    focalMm,
    exposureS: Math.min(exposureS, 400),
    declinationDeg,
    rollDeg: between(-180, 180),
    stars: Math.round(between(60, 220)),
    sigma: between(0.8, 1.7),
    comaPx: even() < 0.3 ? between(2, 5) : 0,
    sky: between(0.01, 0.08),
    brightest: between(6, 14),
  };
  const { light, stars } = starPicture(made, seed + 1);
  const shot = noisy(light, { fullWell: oneOf([5000, 12_000, 30_000]), readNoise: 4 }, seed + 2);
  const spots = chance(seed + 3);
  for (let k = 0; k < 60; k++) shot[Math.floor(spots.even() * shot.length)] = spots.between(0.1, 0.9);
  const [start, end] = [-0.5, 0.5].map((half) =>
    skyView(made)((width - 1) / 2, (height - 1) / 2, half * made.exposureS),
  ) as [[number, number], [number, number]];
  return {
    grey: asFile(shot, width, height, even() < 0.5 ? 95 : undefined),
    made,
    stars,
    centrePx: Math.hypot(end[0] - start[0], end[1] - start[1]),
    centreDeg: ((Math.atan2(end[1] - start[1], end[0] - start[0]) * 180) / Math.PI + 360) % 180,
  };
}
