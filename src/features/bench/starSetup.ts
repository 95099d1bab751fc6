import type { StarSetup } from '@/core/measure/stars/predictedTrail';
import type { Pointing } from '@/core/sky/camera';
import type { Projection } from '@/core/sky/projection';
import type { BenchPicture } from '@/data/bench/pictures';
import type { TakenWith } from './useTakenWith';

/** How long a picture was exposed, s: as the person says, or as it says itself. */
export const exposureOf = ({ exposureS, tags }: BenchPicture): number | null => exposureS ?? tags?.exposureS ?? null;

/** How a picture of stars was taken; nothing while the set-up, its pitch or the exposure are not known. */
export function starSetupOf(
  picture: BenchPicture,
  { system, pitchUm }: TakenWith,
  pointing: Pointing,
  projection: Projection,
): StarSetup | null {
  const exposureS = exposureOf(picture);
  if (!system || !pitchUm || exposureS === null) return null;
  const { declinationDeg, rollDeg } = pointing;
  return { pitchUm: pitchUm.value, focalMm: system.focalMm.value, exposureS, declinationDeg, rollDeg, projection };
}
