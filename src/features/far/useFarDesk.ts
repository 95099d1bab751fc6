import { useMemo } from 'react';
import { readFar, type FarReading } from '@/core/far/readFar';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Problem } from '@/core/quantity/result';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import { useChosen } from '@/data/useChosen';
import { situationOf, type Kit, type Missing, type Situation } from '@/data/situation';
import { useKit } from '@/data/useKit';

/** One state of the desk: what is in hand, folded and read; or the problem that keeps it from being read. */
export interface DeskState {
  situation: Situation;
  system: EffectiveSystem | null;
  reading: FarReading | null;
  problem: Problem | null;
}

export type FarDesk =
  | { status: 'loading' | 'failed'; retry: () => void }
  | { status: 'missing'; missing: Missing; kit: Kit }
  | { status: 'ready'; now: DeskState; before: DeskState | null; kit: Kit };

export function deskState(situation: Situation, units: UnitSystem = 'metric'): DeskState {
  const system = foldSystem(situation.setup, situation.convention);
  if (!system.ok) return { situation, system: null, reading: null, problem: system.problem };
  const reading = readFar({ ...situation, system: system.value, units });
  return reading.ok
    ? { situation, system: system.value, reading: reading.value, problem: null }
    : { situation, system: system.value, reading: null, problem: reading.problem };
}

/** The Far desk as it stands now, and as it stood before the levers being tried. */
export function useFarDesk(): FarDesk {
  const { kit, loading, failed, retry } = useKit();
  const chosen = useChosen();
  const units = usePreferences((state) => state.units);
  return useMemo((): FarDesk => {
    if (failed) return { status: 'failed', retry };
    if (loading) return { status: 'loading', retry };
    const situation = situationOf(kit, chosen);
    if (typeof situation === 'string') return { status: 'missing', missing: situation, kit };
    const trying = Object.keys(chosen.trials).length > 0;
    const original = trying ? situationOf(kit, chosen, 'all') : null;
    return {
      status: 'ready',
      now: deskState(situation, units),
      before: original && typeof original !== 'string' ? deskState(original, units) : null,
      kit,
    };
    // `retry` is a new function on every render and changes nothing here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kit, loading, failed, chosen, units]);
}
