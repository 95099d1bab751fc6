import { useCallback } from 'react';
import { readFar, type FarReading } from '@/core/far/readFar';
import { foldSystem } from '@/core/optics/foldSystem';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import type { Situation } from '@/data/situation';
import { stateOf, useDesk, type DeskState as StateOf, type DeskView, type Read } from '../desk/useDesk';

export type DeskState = StateOf<FarReading>;
export type FarDesk = DeskView<FarReading>;

const reads =
  (units: UnitSystem): Read<FarReading> =>
  (situation, system) =>
    readFar({ ...situation, system, units });

/** A situation folded and read as the desk does. */
export const deskState = (situation: Situation, units: UnitSystem = 'metric'): DeskState =>
  stateOf(situation, foldSystem(situation.setup, situation.convention), reads(units));

/** The Far desk as it stands now, and as it stood before the levers being tried. */
export function useFarDesk(): FarDesk {
  const units = usePreferences((state) => state.units);
  return useDesk(useCallback<Read<FarReading>>((situation, system) => reads(units)(situation, system), [units]));
}
