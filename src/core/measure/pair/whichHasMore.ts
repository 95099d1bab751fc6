import { inverseNormal, solveNormal } from '../leastSquares';
import type { CommonFit } from './commonFit';
import { BANDS, type CommonSpectra } from './commonSpectra';
import { ratioOfBlurs, type Line, type RatioOfBlurs } from './ratioOfBlurs';

/** What two pictures keep of the same detail, band by band. */
export interface DetailBands {
  /** Cycles a px of the first picture. */
  frequencies: number[];
  /** (kept by the second ÷ kept by the first)²; nothing where it is not to be believed. */
  powerRatio: (number | null)[];
  /** Its error as a share, about 95 %. */
  errors: number[];
  /** How far the structure in both is the same, 0 to 1. */
  coherence: number[];
}

/** Which picture holds more of the subject's real detail. */
export interface MoreDetail {
  more: 'a' | 'b' | 'equal';
  /** Finest detail of the second ÷ that of the first, along a length on the subject; about 95 %. */
  ratio: number;
  plusMinus: number;
}

/** Below this the two pictures share too little to be compared. */
const BELIEVED = 0.45;

/**
 * Own powers of two rows freed of their noises. How large these are together is told by how far the rows agree,
 * γ² = (1 − na)(1 − nb), how they compare by what each shows beyond what a lens draws: compression leaves less there than it
 * does elsewhere, in both alike.
 */
function freed(aa: number, bb: number, coherence: number, noiseA: number, noiseB: number): [number, number] {
  const least = 1e-6 * Math.min(aa, bb);
  const [na, nb] = [Math.max(noiseA, least) / aa, Math.max(noiseB, least) / bb];
  // The smaller root of κ²·na·nb − κ(na + nb) + (1 − γ²) = 0.
  const half = na + nb;
  const kappa = (2 * (1 - coherence)) / (half + Math.sqrt(Math.max(0, half * half - 4 * na * nb * (1 - coherence))));
  return [aa * (1 - kappa * na), bb * (1 - kappa * nb)];
}

export function detailBands(spectra: CommonSpectra, fit: CommonFit | null): DetailBands {
  const { aa, bb, re, im, count } = spectra;
  const { noiseA, noiseB } = fit ?? spectra;
  const coherence = BANDS.map((_, k) => (re[k]! ** 2 + im[k]! ** 2) / Math.max(1e-30, aa[k]! * bb[k]!));
  const powerRatio = BANDS.map((_, k) => {
    if (coherence[k]! < BELIEVED || re[k]! <= 0 || count[k]! < 3) return null;
    const [ownA, ownB] = freed(aa[k]!, bb[k]!, Math.min(1, coherence[k]!), noiseA, noiseB);
    return ownA > 0 && ownB > 0 ? ownB / ownA : null;
  });
  // Of a ratio of spectra of partly coherent rows: twice the deviation √((1 − γ²)/(γ²·n)), for its square twice that. Were
  // all of the noise in one of the pictures the ratio would be 1/γ² off: better than a little more than half of that is not known.
  const errors = BANDS.map((_, k) => {
    const own = Math.max(0.05, Math.min(0.999, coherence[k]!));
    return 4 * Math.sqrt((1 - own) / (own * Math.max(1, count[k]!))) + 0.02 + 0.6 * Math.log(1 / own);
  });
  return { frequencies: BANDS, powerRatio, errors, coherence };
}

/** Structure of natural things falls with about this power of the frequency, */
const USUAL_POWER = 2.6;
const POWER_SPREAD = 0.5;
/** which is another at another fineness: by so much from one frequency to one e times as high. */
const POWER_DRIFT = 0.5;
/** Frequency at which the power is the usual one, cycles a px: the middle of what is looked at, by its logarithm. */
const POWER_AT = 0.15;

/** Both squared blurs together, px² of the first, by how what they share falls off. */
function blursTogether({ re, im }: CommonSpectra, { coherence, errors }: DetailBands): Line | null {
  const normal = Array.from({ length: 4 }, () => new Float64Array(4));
  const right = new Float64Array(4);
  let used = 0;
  for (const [k, frequency] of BANDS.entries()) {
    if (coherence[k]! < 0.15 || re[k]! <= 0) continue;
    const weight = 1 / (0.06 ** 2 + (errors[k]! / 2) ** 2);
    const finer = Math.log(frequency / POWER_AT);
    const row = [1, -finer, -2 * Math.PI ** 2 * frequency ** 2, -(finer ** 2) / 2];
    const value = 0.5 * Math.log(re[k]! ** 2 + im[k]! ** 2);
    for (let i = 0; i < 4; i++) {
      right[i] = right[i]! + weight * row[i]! * value;
      for (let j = 0; j < 4; j++) normal[i]![j] = normal[i]![j]! + weight * row[i]! * row[j]!;
    }
    used++;
  }
  if (used < 2) return null;
  normal[1]![1] = normal[1]![1]! + 1 / POWER_SPREAD ** 2;
  right[1] = right[1]! + USUAL_POWER / POWER_SPREAD ** 2;
  normal[3]![3] = normal[3]![3]! + 1 / POWER_DRIFT ** 2;
  normal[0]![0] = normal[0]![0]! + 1e-9;
  const solved = solveNormal(normal, right);
  const inverse = solved && inverseNormal(normal);
  return solved && inverse && { value: solved[2]!, error: Math.sqrt(inverse[2]![2]!) };
}

/** Nothing is known better than this share. */
const LEAST = 0.03;

/**
 * Which of two pictures holds more real detail of the subject: by how the share one keeps of the other's structure falls with
 * its fineness. One is named only where the ± leaves the other out.
 *
 * @param scale px of the second a px of the first
 */
export function whichHasMore(
  spectra: CommonSpectra,
  bands: DetailBands,
  fit: CommonFit | null,
  scale: number,
): MoreDetail | null {
  if (!fit) return null;
  // ln(ratio) = −4π²(σb² − σa²)·ν².
  const [value, error] = [-fit.slope / (4 * Math.PI ** 2), fit.slopeError / (4 * Math.PI ** 2)];
  return verdictOf(ratioOfBlurs({ value, error }, 1 / scale ** 2, blursTogether(spectra, bands)));
}

/**
 * The verdict by what the ratio may be. Its ± is the same to both sides: where the farther bound would draw it across one
 * though the nearer stays clear of it, the ratio told is the middle of the bounds instead of the likeliest.
 */
export function verdictOf({ ratio, ...bounds }: RatioOfBlurs): MoreDetail {
  const [least, most] = [bounds.least - LEAST * ratio, bounds.most + LEAST * ratio];
  const plusMinus = Math.max(ratio - least, most - ratio);
  const more = least > 1 ? 'b' : most < 1 ? 'a' : 'equal';
  if (more === 'equal' || plusMinus < Math.abs(ratio - 1)) return { more, ratio, plusMinus };
  return { more, ratio: (least + most) / 2, plusMinus: (most - least) / 2 };
}
