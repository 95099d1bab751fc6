import { useCallback, useMemo } from 'react';
import { learnedHandHold, type HandHold } from '@/core/near/handHold';
import { readNear, type NearReading } from '@/core/near/readNear';
import { foldSystem } from '@/core/optics/foldSystem';
import type { CocSchool } from '@/core/output/circleOfConfusion';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import type { Situation } from '@/data/situation';
import { useHeldReadings } from '@/data/useReadings';
import { stateOf, useDesk, type DeskState, type DeskView, type Read } from '../desk/useDesk';

/** How a person wants to read close up. */
export interface NearWays {
  cocSchool: CocSchool;
  screenWidthMm: number;
  handHoldRatio: number;
}

export type NearDeskState = DeskState<NearReading>;
export type NearDeskView = DeskView<NearReading>;

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

const reads =
  (ways: NearWays, units: UnitSystem): Read<NearReading> =>
  (situation, system) =>
    readNear({ ...situation, ...ways, system, units, ratio: situation.nearRatio, fNumber: situation.nearFNumber });

/** A situation folded and read as the desk does. */
export const nearDeskState = (situation: Situation, ways: NearWays, units: UnitSystem = 'metric'): NearDeskState =>
  stateOf(situation, foldSystem(situation.setup, situation.convention), reads(ways, units));

/** The Near desk as it stands. */
export function useNearDesk(): NearDeskView {
  const ways = useNearWays();
  const units = usePreferences((state) => state.units);
  return useDesk(
    useCallback<Read<NearReading>>((situation, system) => reads(ways, units)(situation, system), [ways, units]),
  );
}
