import { useCallback } from 'react';
import { readNear, type NearReading } from '@/core/near/readNear';
import { foldSystem } from '@/core/optics/foldSystem';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import type { Situation } from '@/data/situation';
import { stateOf, useDesk, type DeskState, type DeskView, type Read } from '../desk/useDesk';
import { useNearWays, type NearWays } from './NearWays';

export type NearDeskState = DeskState<NearReading>;
export type NearDeskView = DeskView<NearReading>;

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
