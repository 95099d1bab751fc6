import { useMemo } from 'react';
import { nearLevers, type NearLever, type NearLeverKind } from '@/core/near/nearLevers';
import type { Patch, TrialKind } from '@/data/inHand';
import { nearCandidates } from '@/data/nearCandidates';
import { situationOf, type Chosen, type Kit, type Situation } from '@/data/situation';
import { useCalmed } from '@/data/useCalmed';
import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';
import { useNearWays, type NearWays } from './useNearDesk';

const ORDER: NearLeverKind[] = ['ratio', 'aperture', 'chain', 'mode', 'setup'];

function leversFor(situation: Situation, kit: Kit, ways: NearWays): NearLever<Patch>[] {
  return nearLevers<Patch>({
    ...situation,
    ...ways,
    ratio: situation.nearRatio,
    fNumber: situation.nearFNumber,
    candidates: nearCandidates(situation, kit),
    patchFor: ({ ratio, fNumber }) => ({
      ...(ratio === undefined ? {} : { nearRatio: ratio }),
      ...(fNumber === undefined ? {} : { nearFNumber: fNumber }),
    }),
  });
}

/** Levers of the present situation; those being tried are reckoned against the situation without them. */
export function nearLeversOf(kit: Kit, chosen: Chosen, ways: NearWays): NearLever<Patch>[] {
  const situation = situationOf(kit, chosen);
  if (typeof situation === 'string') return [];
  const tried = (Object.keys(chosen.trials) as TrialKind[]).filter((kind): kind is NearLeverKind =>
    (ORDER as string[]).includes(kind),
  );
  const levers = leversFor(situation, kit, ways).filter((lever) => !tried.includes(lever.kind));
  for (const kind of tried) {
    const without = situationOf(kit, chosen, [kind]);
    if (typeof without !== 'string')
      levers.push(...leversFor(without, kit, ways).filter((lever) => lever.kind === kind));
  }
  return levers.sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));
}

const EVERY_MS = 140;

/** Only a pull at the rule may wait: whatever is tapped is answered at once. */
function isTap(from: Chosen, to: Chosen): boolean {
  return (Object.keys(to) as (keyof Chosen)[]).some(
    (key) => key !== 'nearRatio' && key !== 'nearFNumber' && from[key] !== to[key],
  );
}

export interface NearLevers {
  levers: NearLever<Patch>[];
  situation: Situation | null;
  pending: boolean;
}

/** Levers of what is in hand; they follow a drag a few times a second. */
export function useNearLevers(): NearLevers {
  const { kit } = useKit();
  const ways = useNearWays();
  const chosen = useCalmed<Chosen>(useChosen(), EVERY_MS, isTap);
  return useMemo(() => {
    if (!chosen) return { levers: [], situation: null, pending: true };
    const situation = situationOf(kit, chosen);
    return {
      levers: nearLeversOf(kit, chosen, ways),
      situation: typeof situation === 'string' ? null : situation,
      pending: false,
    };
  }, [kit, chosen, ways]);
}
