import { useDeferredValue, useMemo } from 'react';
import { farLevers, type Lever, type LeverKind } from '@/core/far/levers';
import { readFar, type FarReading } from '@/core/far/readFar';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Problem } from '@/core/quantity/result';
import { useInHand } from '@/data/inHand';
import { situationOf, type Chosen, type Kit, type Missing, type Situation } from '@/data/situation';
import { useKit } from '@/data/useKit';

/** One state of the desk: what is in hand, folded and read; or the problem that keeps it from being read. */
export interface DeskState {
  situation: Situation;
  system: EffectiveSystem | null;
  reading: FarReading | null;
  problem: Problem | null;
}

/** Another set-up on the same scale. */
export interface Rival {
  letter: string;
  name: string;
  counted: number;
}

export type FarDesk =
  | { status: 'loading' | 'failed'; retry: () => void }
  | { status: 'missing'; missing: Missing; kit: Kit }
  | { status: 'ready'; now: DeskState; before: DeskState | null; kit: Kit };

function deskState(situation: Situation): DeskState {
  const system = foldSystem(situation.setup, situation.convention);
  if (!system.ok) return { situation, system: null, reading: null, problem: system.problem };
  const reading = readFar({ ...situation, system: system.value });
  return reading.ok
    ? { situation, system: system.value, reading: reading.value, problem: null }
    : { situation, system: system.value, reading: null, problem: reading.problem };
}

function useChosen(): Chosen {
  const setupId = useInHand((state) => state.setupId);
  const subjectId = useInHand((state) => state.subjectId);
  const outputId = useInHand((state) => state.outputId);
  const distanceM = useInHand((state) => state.distanceM);
  const focalMm = useInHand((state) => state.focalMm);
  const modeId = useInHand((state) => state.modeId);
  const converterIds = useInHand((state) => state.converterIds);
  const trials = useInHand((state) => state.trials);
  const cropConvention = useInHand((state) => state.cropConvention);
  const judgeBy = useInHand((state) => state.judgeBy);
  return useMemo(
    () => ({ setupId, subjectId, outputId, distanceM, focalMm, modeId, converterIds, trials, cropConvention, judgeBy }),
    [setupId, subjectId, outputId, distanceM, focalMm, modeId, converterIds, trials, cropConvention, judgeBy],
  );
}

/** The Far desk as it stands now, and as it stood before the levers being tried. */
export function useFarDesk(): FarDesk {
  const { kit, loading, failed, retry } = useKit();
  const chosen = useChosen();
  return useMemo((): FarDesk => {
    if (failed) return { status: 'failed', retry };
    if (loading) return { status: 'loading', retry };
    const situation = situationOf(kit, chosen);
    if (typeof situation === 'string') return { status: 'missing', missing: situation, kit };
    const trying = Object.keys(chosen.trials).length > 0;
    const original = trying ? situationOf(kit, chosen, 'all') : null;
    return {
      status: 'ready',
      now: deskState(situation),
      before: original && typeof original !== 'string' ? deskState(original) : null,
      kit,
    };
    // `retry` is a new function on every render and changes nothing here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kit, loading, failed, chosen]);
}

/** Levers of the present situation; those being tried are reckoned against the situation without them. */
function leversOf(kit: Kit, chosen: Chosen): Lever[] {
  const situation = situationOf(kit, chosen);
  if (typeof situation === 'string') return [];
  const tried = Object.keys(chosen.trials) as LeverKind[];
  const levers = farLevers(situation).filter((lever) => !tried.includes(lever.kind));
  for (const kind of tried) {
    const without = situationOf(kit, chosen, [kind]);
    if (typeof without !== 'string') levers.push(...farLevers(without).filter((lever) => lever.kind === kind));
  }
  const order: LeverKind[] = ['distance', 'focal', 'converter', 'mode', 'setup'];
  return levers.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind));
}

const NO_LEVERS: Lever[] = [];
const NO_RIVALS: Rival[] = [];

/** Levers and rivals. They may lag a frame behind during a drag; the reading itself never does. */
export function useLevers(): { levers: Lever[]; rivals: Rival[]; pending: boolean } {
  const { kit } = useKit();
  // The first reading is on the screen before any lever is reckoned.
  const chosen = useDeferredValue<Chosen | null>(useChosen(), null);
  const deferredKit = useDeferredValue(kit);
  return useMemo(() => {
    if (!chosen) return { levers: NO_LEVERS, rivals: NO_RIVALS, pending: true };
    const levers = leversOf(deferredKit, chosen);
    const situation = situationOf(deferredKit, { ...chosen, trials: withoutSetup(chosen.trials) });
    const state = typeof situation === 'string' ? null : deskState(situation);
    const counted = state?.reading?.countedPixels.value ?? 0;
    const rivals = levers
      .filter((lever) => lever.kind === 'setup')
      .slice(0, 6)
      .map((lever, i) => ({
        letter: String.fromCharCode(65 + i),
        name: lever.name,
        counted: counted * (chosen.judgeBy === 'resolved' ? lever.resolvedRatio : lever.pixelsRatio),
      }));
    return { levers, rivals, pending: false };
  }, [deferredKit, chosen]);
}

function withoutSetup(trials: Chosen['trials']): Chosen['trials'] {
  const { setup: _, ...rest } = trials;
  return rest;
}
