import { detailLimit, DEFAULT_THRESHOLD } from '../detail/detailLimit';
import type { EffectiveSystem } from '../optics/foldSystem';
import { workingFNumberAt } from '../optics/workingFNumber';
import { pixelsOnSubject } from '../detail/pixelsOnSubject';
import { focusAt } from './focusAt';
import type { JudgeBy } from './readFar';

/**
 * Pixels on a subject that count, as bare numbers: what a search for a distance or a focal length asks hundreds of times.
 * The reading itself gives the same number with its derivation.
 *
 * @returns 0 where no picture can be formed
 */
export function countPixels(system: EffectiveSystem, subjectMm: number, distanceM: number, judgeBy: JudgeBy, threshold: number = DEFAULT_THRESHOLD): number {
  const focus = focusAt(system, distanceM * 1000);
  if (!focus.ok) return 0;
  const { ratio } = focus.value;
  const pixels = pixelsOnSubject(ratio, subjectMm, system.pitchUm.value);
  if (judgeBy === 'sampled') return pixels;
  const limit = detailLimit(
    {
      pitchUm: system.pitchUm.value,
      workingFNumber: workingFNumberAt(system, system.fNumber.value, ratio),
      lens50LpPerMm: system.lens50LpPerMm.value,
      antiAliasPx: system.antiAliasPx,
    },
    threshold,
  );
  return pixels * limit.resolvedShare;
}
