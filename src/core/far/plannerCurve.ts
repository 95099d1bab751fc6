import { DEFAULT_THRESHOLD, detailLimit } from '../detail/detailLimit';
import type { EffectiveSystem } from '../optics/foldSystem';
import { workingFNumberAt } from '../optics/workingFNumber';
import { detailPartsOf } from '../detail/detailParts';
import { root } from '../quantity/root';
import { countPixels } from './countPixels';
import { farthestDistanceM, focusAt, nearestDistanceM } from './focusAt';
import { pixelsOnSubject } from '../detail/pixelsOnSubject';
import type { JudgeBy } from './readFar';

/** Pixels that count against distance for one set-up; 0 where it cannot focus. */
export interface Curve {
  counted: Float64Array;
  nearestM: number;
  farthestM: number;
}

/** Distances evenly spread in the logarithm, both ends included. */
export function logDistancesM(fromM: number, toM: number, count: number): Float64Array {
  const step = Math.log(toM / fromM) / (count - 1);
  return Float64Array.from({ length: count }, (_, i) => (i === count - 1 ? toM : fromM * Math.exp(step * i)));
}

/** The resolved share changes only with the working f-number, so slowly that this many points of it are enough. */
const SHARE_NODES = 13;

/**
 * Counts pixels over many distances. The share resolved is worked out at a few working f-numbers and read in between: it depends
 * on the distance through these alone, and a far subject hardly moves them.
 *
 * @param distancesM rising
 */
export function plannerCurve(
  system: EffectiveSystem,
  subjectMm: number,
  distancesM: Float64Array,
  judgeBy: JudgeBy,
  threshold: number = DEFAULT_THRESHOLD,
): Curve {
  const nearestM = nearestDistanceM(system);
  const farthestM = farthestDistanceM(system);
  const counted = new Float64Array(distancesM.length);
  const ratios = new Float64Array(distancesM.length);
  const workings = new Float64Array(distancesM.length);
  let [least, most] = [Infinity, 0];
  for (let i = 0; i < distancesM.length; i++) {
    const distance = distancesM[i]!;
    if (distance < nearestM * (1 - 1e-9) || distance > farthestM * (1 + 1e-9)) continue;
    const focus = focusAt(system, distance * 1000);
    if (!focus.ok) continue;
    ratios[i] = focus.value.ratio;
    workings[i] = workingFNumberAt(system, system.fNumber.value, focus.value.setting);
    least = Math.min(least, workings[i]!);
    most = Math.max(most, workings[i]!);
  }
  const pitch = system.pitchUm.value;
  const shares = new Float64Array(SHARE_NODES);
  if (judgeBy === 'resolved' && most > 0) {
    for (let j = 0; j < SHARE_NODES; j++) {
      const working = least + ((most - least) * j) / (SHARE_NODES - 1);
      shares[j] = detailLimit(detailPartsOf(system, working), threshold).resolvedShare;
    }
  } else shares.fill(1);
  for (let i = 0; i < distancesM.length; i++) {
    const ratio = ratios[i]!;
    if (ratio === 0) continue;
    const at = most > least ? ((workings[i]! - least) / (most - least)) * (SHARE_NODES - 1) : 0;
    const low = Math.min(SHARE_NODES - 2, Math.floor(at));
    const share = shares[low]! + (shares[low + 1]! - shares[low]!) * (at - low);
    counted[i] = pixelsOnSubject(ratio, subjectMm, pitch) * share;
  }
  return { counted, nearestM, farthestM };
}

/**
 * Farthest distance, m, from which a set-up still gives the pixels needed; null when it never does.
 *
 * @param mostM where the search ends
 */
export function reachM(
  system: EffectiveSystem,
  subjectMm: number,
  neededPixels: number,
  judgeBy: JudgeBy,
  mostM: number,
  threshold?: number,
): number | null {
  const near = nearestDistanceM(system);
  const far = Math.min(mostM, farthestDistanceM(system));
  const excess = (logM: number) =>
    Math.log(Math.max(1e-9, countPixels(system, subjectMm, Math.exp(logM), judgeBy, threshold)) / neededPixels);
  if (far <= near || excess(Math.log(near * (1 + 1e-9))) < 0) return null;
  if (excess(Math.log(far)) >= 0) return far;
  return Math.exp(root(excess, Math.log(near * (1 + 1e-9)), Math.log(far), 1e-10));
}
