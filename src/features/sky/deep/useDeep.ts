import { useMemo } from 'react';
import { DEEP_OBJECTS, type DeepObject } from '@/core/sky/catalogue';
import { ofDate } from '@/core/sky/ephemeris';
import { bestRollDeg, planMosaic, type MosaicPlan } from '@/core/sky/mosaic';
import { bestWindow } from '@/core/sky/night';
import { readDeep, type DeepInput } from '@/core/sky/readDeep';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { useSky } from '@/data/inHand';
import { useNight } from '../useNight';

type Night = NonNullable<ReturnType<typeof useNight>>;

/** The object chosen, as the set-up in hand frames and draws it, on the night chosen if there is one. */
export function useDeep(system: EffectiveSystem) {
  const sky = useSky();
  const { frameRollDeg: rollDeg, overlap, seeingArcsec, tolerancePx, mountArcsecPerMin, targetId } = sky;
  const object: DeepObject = DEEP_OBJECTS.find((each) => each.id === targetId) ?? DEEP_OBJECTS[0]!;
  const asked: Omit<DeepInput, 'system'> = { object, rollDeg, overlap, seeingArcsec, tolerancePx, mountArcsecPerMin };
  const reading = readDeep({ ...asked, system });
  const field = { widthDeg: reading.fieldWidthDeg.value, heightDeg: reading.fieldHeightDeg.value };
  const bestDeg = bestRollDeg(object, field, overlap);
  const best = planMosaic(object, field, bestDeg, overlap);
  const night = useNight();
  const window = useWindow(object, night);
  return {
    object,
    asked,
    reading,
    field,
    turned: worthTurning(reading.plan, best) ? { bestDeg, best } : null,
    night,
    window,
  };
}

/** When the object stands high in the dark of the night chosen. */
const useWindow = ({ raHours, declinationDeg }: DeepObject, night: Night | null) =>
  useMemo(
    () => (night ? bestWindow(ofDate(raHours, declinationDeg, night.midnightMs), night.site, night.night) : null),
    [night, raHours, declinationDeg],
  );

/** Fewer frames, or a tenth less of one. */
const worthTurning = (plan: MosaicPlan, best: MosaicPlan): boolean =>
  best.panels < plan.panels || (plan.panels === 1 && best.fill < plan.fill * 0.9);

export type DeepState = ReturnType<typeof useDeep>;
