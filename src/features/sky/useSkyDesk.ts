import { useMemo } from 'react';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Problem } from '@/core/quantity/result';
import { situationOf, type Kit, type Missing, type Situation } from '@/data/situation';
import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';

export type SkyDesk =
  | { status: 'loading' | 'failed'; retry: () => void }
  | { status: 'missing'; missing: Missing }
  | { status: 'problem'; problem: Problem; situation: Situation }
  | { status: 'ready'; situation: Situation; system: EffectiveSystem; kit: Kit };

/** The set-up in hand as every Sky desk reads it. Under the sky the subject is chosen there, not on the slate. */
export function useSkyDesk(): SkyDesk {
  const { kit, loading, failed, retry } = useKit();
  const chosen = useChosen();
  return useMemo((): SkyDesk => {
    if (failed) return { status: 'failed', retry };
    if (loading) return { status: 'loading', retry };
    const situation = situationOf(kit, chosen);
    if (typeof situation === 'string') return { status: 'missing', missing: situation };
    const system = foldSystem(situation.setup, situation.convention);
    if (!system.ok) return { status: 'problem', problem: system.problem, situation };
    if (system.value.optics.state.far.ratio > 0) {
      return {
        status: 'problem',
        problem: {
          code: 'sky.focus',
          message:
            'With what is in this chain it does not focus on the stars. Take the tubes or close-up lens off, or choose another set-up.',
        },
        situation,
      };
    }
    return { status: 'ready', situation, system: system.value, kit };
    // `retry` is a new function on every render and changes nothing here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kit, loading, failed, chosen]);
}
