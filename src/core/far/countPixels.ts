import { detailLimit, DEFAULT_THRESHOLD } from '../detail/detailLimit';
import { detailPartsOf } from '../detail/detailParts';
import { pixelsOnSubject } from '../detail/pixelsOnSubject';
import type { EffectiveSystem } from '../optics/foldSystem';
import { workingFNumberAt } from '../optics/workingFNumber';
import { focusAt } from './focusAt';
import type { JudgeBy } from './readFar';

/**
 * Pixels on a subject that count, as bare numbers: what a search for a distance or a focal length asks hundreds of times.
 * The reading itself gives the same number with its derivation.
 *
 * @returns 0 where no picture can be formed
 */
export function countPixels(
  system: EffectiveSystem,
  subjectMm: number,
  distanceM: number,
  judgeBy: JudgeBy,
  threshold: number = DEFAULT_THRESHOLD,
): number {
  const focus = focusAt(system, distanceM * 1000);
  if (!focus.ok) return 0;
  const { ratio, setting } = focus.value;
  const pixels = pixelsOnSubject(ratio, subjectMm, system.pitchUm.value);
  if (judgeBy === 'sampled') return pixels;
  return (
    pixels *
    detailLimit(detailPartsOf(system, workingFNumberAt(system, system.fNumber.value, setting)), threshold).resolvedShare
  );
}
