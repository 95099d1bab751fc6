import { detailLimit } from '../detail/detailLimit';
import { detailPartsOf } from '../detail/detailParts';
import { pixelsOnSubject } from '../detail/pixelsOnSubject';
import type { JudgeBy } from '../detail/subjectCount';
import type { EffectiveSystem } from '../optics/foldSystem';
import type { Setting } from '../chain/opticState';
import { workingFNumberAt } from '../optics/workingFNumber';
import { nearDepth } from './nearDepth';
import { sharpAt } from '../optics/sharpAt';
import { apertureRange } from './nearState';

/** What a set-up gives at one f-number. */
export interface AperturePoint {
  /** As set on the lens. */
  fNumber: number;
  workingFNumber: number;
  smallestDetailUm: number;
  resolvedShare: number;
  /** Pixels on the subject that count. */
  counted: number;
  depthMm: number;
}

export interface ApertureCurve {
  points: AperturePoint[];
  /** Most depth that still gives the output its pixels; where none does, the sharpest. */
  best: AperturePoint;
  /** Whether the best gives the output its pixels. */
  enough: boolean;
  sharpest: AperturePoint;
}

export interface CurveInput {
  system: EffectiveSystem;
  setting: Setting;
  subjectMm: number;
  neededPixels: number;
  judgeBy: JudgeBy;
  cocMm: number;
  threshold: number;
}

/** f-numbers in thirds of a stop, as they are engraved, between two ends. */
export function thirdStops(widest: number, smallest: number): number[] {
  const found: number[] = [];
  // A third of a stop is a sixth of a doubling of the f-number.
  for (let third = Math.round(6 * Math.log2(widest)); ; third += 1) {
    const value = 2 ** (third / 6);
    const stop = engraved(value);
    // What is engraved may be a little less than what it stands for: 45 for 45.25. Beyond 45 nothing is.
    if (stop > smallest || value > smallest * 1.06) break;
    found.push(stop);
  }
  return found[0] === widest ? found : [widest, ...found.filter((each) => each > widest * 1.03)];
}

const ENGRAVED = [
  1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11, 13, 14, 16, 18, 20,
  22, 25, 29, 32, 36, 40, 45,
];

/** The engraved f-number nearest to a computed one. */
export const engraved = (value: number): number =>
  ENGRAVED.reduce((best, each) => (Math.abs(Math.log(each / value)) < Math.abs(Math.log(best / value)) ? each : best));

/** One point of the curve. */
export function aperturePoint(
  { system, setting, subjectMm, judgeBy, cocMm, threshold }: CurveInput,
  fNumber: number,
): AperturePoint {
  const whole = (system.fNumber.value * fNumber) / system.markedFNumber;
  const { ratio } = setting;
  const workingFNumber = workingFNumberAt(system, whole, setting);
  const pitchUm = system.pitchUm.value;
  const limit = detailLimit(detailPartsOf(sharpAt(system, fNumber), workingFNumber), threshold);
  const pixels = pixelsOnSubject(ratio, subjectMm, pitchUm);
  return {
    fNumber,
    workingFNumber,
    smallestDetailUm: 1000 / (2 * limit.limitLpPerMm * ratio),
    resolvedShare: limit.resolvedShare,
    counted: judgeBy === 'resolved' ? pixels * limit.resolvedShare : pixels,
    depthMm: nearDepth(ratio, workingFNumber, cocMm).totalMm,
  };
}

/**
 * Detail and depth against the f-number: stopping down buys depth and, past a point, costs detail by diffraction.
 *
 * @returns points from the widest aperture to the smallest, and the one that is best for the output
 */
export function apertureCurve(input: CurveInput): ApertureCurve {
  const { widest, smallest } = apertureRange(input.system);
  const points = thirdStops(widest, smallest).map((fNumber) => aperturePoint(input, fNumber));
  const sharpest = points.reduce((best, each) => (each.resolvedShare > best.resolvedShare + 1e-9 ? each : best));
  const enough = points.filter((each) => each.counted >= input.neededPixels * (1 - 1e-9));
  const best = enough.at(-1) ?? sharpest;
  return { points, best, enough: enough.length > 0, sharpest };
}
