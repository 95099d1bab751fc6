import { useMemo } from 'react';
import { learnedHandHold, type HandHold } from '@/core/near/handHold';
import { readNear, type NearReading } from '@/core/near/readNear';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { CocSchool } from '@/core/output/circleOfConfusion';
import type { Problem } from '@/core/quantity/result';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import { situationOf, type Kit, type Missing, type Situation } from '@/data/situation';
import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';
import { useHeldReadings } from '@/data/useReadings';

/** How a person wants to read close up. */
export interface NearWays {
  cocSchool: CocSchool;
  screenWidthMm: number;
  handHoldRatio: number;
}

export interface NearDeskState {
  situation: Situation;
  system: EffectiveSystem | null;
  reading: NearReading | null;
  problem: Problem | null;
}

export type NearDeskView =
  | { status: 'loading' | 'failed'; retry: () => void }
  | { status: 'missing'; missing: Missing }
  | { status: 'ready'; now: NearDeskState; kit: Kit; ways: NearWays };

/** Up to which ratio this person holds by hand, from what they noted in the Book; null while they noted nothing. */
export function useLearnedHandHold(): HandHold | null {
  const readings = useHeldReadings();
  return useMemo(
    () =>
      learnedHandHold(
        readings.flatMap((data) =>
          data.desk === 'near' &&
          data.result.ratio !== undefined &&
          (data.held === 'handSharp' || data.held === 'handBlurred')
            ? [{ ratio: data.result.ratio, sharp: data.held === 'handSharp' }]
            : [],
        ),
      ),
    [readings],
  );
}

export function useNearWays(): NearWays {
  const cocSchool = usePreferences((state) => state.cocSchool);
  const screenWidthMm = usePreferences((state) => state.screenWidthMm);
  const entered = usePreferences((state) => state.handHoldRatio);
  const handHoldRatio = useLearnedHandHold()?.ratio ?? entered;
  return useMemo(() => ({ cocSchool, screenWidthMm, handHoldRatio }), [cocSchool, screenWidthMm, handHoldRatio]);
}

/** Folds and reads what is in hand, close up. */
export function nearDeskState(situation: Situation, ways: NearWays, units: UnitSystem = 'metric'): NearDeskState {
  const system = foldSystem(situation.setup, situation.convention);
  if (!system.ok) return { situation, system: null, reading: null, problem: system.problem };
  const reading = readNear({
    ...situation,
    ...ways,
    system: system.value,
    units,
    ratio: situation.nearRatio,
    fNumber: situation.nearFNumber,
  });
  return reading.ok
    ? { situation, system: system.value, reading: reading.value, problem: null }
    : { situation, system: system.value, reading: null, problem: reading.problem };
}

/** The Near desk as it stands. */
export function useNearDesk(): NearDeskView {
  const { kit, loading, failed, retry } = useKit();
  const chosen = useChosen();
  const ways = useNearWays();
  const units = usePreferences((state) => state.units);
  return useMemo((): NearDeskView => {
    if (failed) return { status: 'failed', retry };
    if (loading) return { status: 'loading', retry };
    const situation = situationOf(kit, chosen);
    if (typeof situation === 'string') return { status: 'missing', missing: situation };
    return { status: 'ready', now: nearDeskState(situation, ways, units), kit, ways };
    // `retry` is a new function on every render and changes nothing here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kit, loading, failed, chosen, ways, units]);
}
