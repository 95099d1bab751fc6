import { useMemo } from 'react';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Problem, Result } from '@/core/quantity/result';
import { situationOf, type Kit, type Missing, type Situation } from '@/data/situation';
import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';

/** One state of a desk: what is in hand, folded and read; or the problem that keeps it from being read. */
export interface DeskState<R> {
  situation: Situation;
  system: EffectiveSystem | null;
  reading: R | null;
  problem: Problem | null;
}

/** Why a desk has nothing to show yet. */
export type DeskWaiting =
  | { status: 'loading'; retry: () => void }
  | { status: 'failed'; retry: () => void }
  | { status: 'missing'; missing: Missing };

export type DeskView<R> = DeskWaiting | { status: 'ready'; now: DeskState<R>; before: DeskState<R> | null; kit: Kit };

/** How a desk reads a set-up; it stands still while nothing it depends on changes. */
export type Read<R> = (situation: Situation, system: EffectiveSystem) => Result<R>;

/** One state, folded and read. */
export function stateOf<R>(situation: Situation, folded: Result<EffectiveSystem>, read: Read<R>): DeskState<R> {
  if (!folded.ok) return { situation, system: null, reading: null, problem: folded.problem };
  const reading = read(situation, folded.value);
  return reading.ok
    ? { situation, system: folded.value, reading: reading.value, problem: null }
    : { situation, system: folded.value, reading: null, problem: reading.problem };
}

/** All a fold depends on: neither distance nor ratio, so that a pull at them folds nothing. */
const foldKey = ({ setupRow, links, setup, convention }: Situation): string =>
  JSON.stringify([setupRow.id, setupRow.version, links, setup.modeId, setup.focalMm, convention]);

/** A situation folded, and folded again only when its set-up changes. */
function useFolded(kit: Kit, situation: Situation | Missing | null): Result<EffectiveSystem> | null {
  const key = situation === null || typeof situation === 'string' ? null : foldKey(situation);
  return useMemo(
    () =>
      situation === null || typeof situation === 'string' ? null : foldSystem(situation.setup, situation.convention),
    // The key holds all of the situation that the fold depends on; the kit all that the key only names.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [kit, key],
  );
}

/**
 * What a desk shows of what is in hand in its place: now, and, while levers are being tried, as it stood before them.
 *
 * @param read how the desk reads; wrap it in `useCallback`
 */
export function useDesk<R>(read: Read<R>): DeskView<R> {
  const { kit, loading, failed, retry } = useKit();
  const chosen = useChosen();
  const open = !loading && !failed;
  const situation = useMemo(() => (open ? situationOf(kit, chosen) : null), [open, kit, chosen]);
  const trying = Object.keys(chosen.trials).length > 0;
  const original = useMemo(
    () => (open && trying ? situationOf(kit, chosen, 'all') : null),
    [open, trying, kit, chosen],
  );
  const folded = useFolded(kit, situation);
  const foldedBefore = useFolded(kit, original);
  return useMemo((): DeskView<R> => {
    if (failed) return { status: 'failed', retry };
    if (situation === null) return { status: 'loading', retry };
    if (typeof situation === 'string') return { status: 'missing', missing: situation };
    const before =
      original !== null && typeof original !== 'string' && foldedBefore ? stateOf(original, foldedBefore, read) : null;
    return { status: 'ready', now: stateOf(situation, folded!, read), before, kit };
    // `retry` is a new function on every render and changes nothing here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [failed, situation, original, folded, foldedBefore, read, kit]);
}
