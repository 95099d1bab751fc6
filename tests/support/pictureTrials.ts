import { SUBJECT_KINDS, type SubjectKind } from '@/core/kit/subjects';
import { findDisc } from '@/core/measure/disc/findDisc';
import { findSubject } from '@/core/measure/findSubject';
import { measureLength } from '@/core/measure/measureLength';
import { findRuler } from '@/core/measure/ruler/findRuler';
import type { Grey } from '@/core/picture/grey';
import { blurred } from '@/core/simulate/blurred';
import { chance } from '@/core/simulate/chance';
import { noisy } from '@/core/simulate/noisy';
import type { RulerScale } from '@/core/simulate/rulerScene';
import { drawn, type Scene } from '@/core/simulate/scene';
import { longestOf, subjectScene } from '@/core/simulate/subjectScene';
import { randomDisc } from './randomDisc';
import { asFile, randomRuler } from './randomRuler';

/** One picture with a known truth, and what was measured on it. */
export interface Trial {
  seed: number;
  /** Why nothing was measured; null when something was. */
  refused: string | null;
  truth: number;
  value: number;
  plusMinus: number;
  /** Something else measured along: how far it is off, in its own unit. */
  besides: number;
}

const refusedTrial = (seed: number, truth: number, refused: string): Trial => ({
  seed,
  refused,
  truth,
  value: Number.NaN,
  plusMinus: Number.NaN,
  besides: Number.NaN,
});

/** A ruler: px a millimetre, and besides it the direction, degrees. */
export function rulerTrial(seed: number, width = 900, height = 600, scales?: RulerScale[]): Trial {
  const made = randomRuler(seed, width, height, scales);
  const found = findRuler(made.grey);
  if (!found.ok) return refusedTrial(seed, made.pxPerMm, found.problem.code);
  const turn = Math.abs(((found.value.tickNormalDeg - made.tickNormalDeg + 270) % 180) - 90);
  const { pxPerMm: value, pxPerMmError: plusMinus } = found.value;
  return { seed, refused: null, truth: made.pxPerMm, value, plusMinus, besides: turn };
}

/** A disc: its longer diameter, px, and besides it how far the flattening is off. */
export function discTrial(seed: number, kind: 'lit' | 'phase' | 'dark'): Trial {
  const made = randomDisc(seed, kind);
  const found = findDisc(made.grey);
  if (!found.ok) return refusedTrial(seed, made.equatorialPx, found.problem.code);
  const { equatorialDiameterPx: value, polarDiameterPx, diameterError: plusMinus } = found.value;
  const besides = Math.abs(polarDiameterPx / value - made.made.flattening);
  return { seed, refused: null, truth: made.equatorialPx, value, plusMinus, besides };
}

const flat = (turnDeg: number) => ({
  pxPerMm: 1,
  turnDeg,
  tiltAlongDeg: 0,
  tiltAcrossDeg: 0,
  middleMm: [0, 0] as [number, number],
  focalPx: 1e6,
  distortion: 0,
});

/** A scene of one px a millimetre as a compressed picture. */
export function scenePicture(
  scene: Scene,
  turnDeg: number,
  sigma: number,
  seed: number,
  width = 640,
  height = 440,
): Grey {
  const light = blurred(drawn(scene, flat(turnDeg), width, height, 3), width, height, sigma);
  return asFile(noisy(light, { fullWell: 3000, readNoise: 3 }, seed), width, height, 90);
}

/** A clean bar, its ends tapped roughly: its length, px. */
export function barTrial(seed: number): Trial {
  const { between, oneOf } = chance(seed);
  const length = between(80, 380);
  const [ground, light] = oneOf([
    [0.6, 0.08],
    [0.1, 0.7],
  ] as const);
  const turn = between(-180, 180);
  const bar: Scene = (x, y) => (Math.abs(x) < length / 2 && Math.abs(y) < 60 ? light : ground);
  const grey = scenePicture(bar, turn, between(0.6, 2), seed, 460, 460);
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  const middle = (grey.width - 1) / 2;
  const end = (side: number): [number, number] => {
    const [x, y] = [(side * length) / 2 + between(-6, 6), between(-8, 8)];
    return [middle + x * c - y * s, middle + x * s + y * c];
  };
  const found = measureLength(grey, [end(-1), end(1)]);
  if (!found.ok) return refusedTrial(seed, length, found.problem.code);
  const { lengthPx: value, plusMinus, kinds } = found.value;
  return {
    seed,
    refused: null,
    truth: length,
    value,
    plusMinus,
    besides: kinds.filter((kind) => kind !== 'edge').length,
  };
}

const KINDS = Object.keys(SUBJECT_KINDS) as SubjectKind[];

/** A subject of the finder: its longest way across, px, found alone; besides it by how much from rough taps on its ends. */
export function subjectTrial(seed: number): Trial {
  const { between, oneOf } = chance(seed);
  const kind = KINDS[seed % KINDS.length]!;
  // As large as the picture allows, whichever side its kind is measured along.
  const size = Math.min(between(150, 400), 380 / longestOf(kind));
  const [light, ground] = [oneOf([0.06, 0.6]), oneOf([0.3, 0.22])];
  const scene = subjectScene({ kind, sizeMm: size, light, ground, unevenGround: 0.06 }, seed);
  const grey = scenePicture(scene, between(-20, 20), between(0.6, 1.6), seed, 560, 480);
  const truth = longestOf(kind) * size;
  const found = findSubject(grey);
  if (!found.ok) return refusedTrial(seed, truth, found.problem.code);
  const rough = found.value.ends.map(([x, y]): [number, number] => [x + between(-6, 6), y + between(-6, 6)]);
  const tapped = measureLength(grey, rough as [[number, number], [number, number]]);
  return {
    seed,
    refused: null,
    truth,
    value: found.value.longestPx,
    plusMinus: found.value.plusMinus,
    besides: tapped.ok ? Math.abs(tapped.value.lengthPx - truth) : Number.NaN,
  };
}

/** What many trials say together. */
export interface Verdict {
  count: number;
  refused: number;
  /** Share of the measured ones whose ± holds the truth. */
  held: number;
  /** Middle, nine of ten, and largest departure, as shares of the truth. */
  median: number;
  nineOfTen: number;
  most: number;
}

export const offOf = ({ value, truth }: Trial): number => Math.abs(value - truth);
export const holds = (trial: Trial): boolean => offOf(trial) <= trial.plusMinus;
export const measured = (trials: Trial[]): Trial[] => trials.filter(({ refused }) => refused === null);

export function verdictOf(trials: Trial[]): Verdict {
  const good = measured(trials);
  const off = good.map((trial) => offOf(trial) / trial.truth).sort((a, b) => a - b);
  const at = (share: number) => off[Math.min(off.length - 1, Math.floor(share * off.length))] ?? Number.NaN;
  return {
    count: trials.length,
    refused: trials.length - good.length,
    held: good.filter(holds).length / Math.max(1, good.length),
    median: at(0.5),
    nineOfTen: at(0.9),
    most: at(1),
  };
}
