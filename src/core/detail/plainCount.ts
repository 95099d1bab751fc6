import type { EffectiveSystem } from '../optics/foldSystem';
import type { SubjectCount } from './subjectCount';

/** What counting pixels on a subject came to, as plain numbers that can be kept. */
export const plainCount = (system: EffectiveSystem, count: SubjectCount) => ({
  pixelsOnSubject: count.pixelsOnSubject.value,
  ...(count.pixelsOnSubject.plusMinus === undefined ? {} : { pixelsPlusMinus: count.pixelsOnSubject.plusMinus }),
  resolvedPixels: count.resolvedPixels.value,
  neededPixels: count.neededPixels.value,
  shareOfFramePercent: count.shareOfFrame.value,
  equivalentFocalMm: system.equivalentFocalMm.value,
  equivalentFNumber: system.equivalentFNumber.value,
  verdict: count.verdict,
});
