import { useMemo } from 'react';
import { nearLevers, type NearLever, type NearLeverKind } from '@/core/near/nearLevers';
import { leversApart } from '@/data/leversApart';
import { situationOf, type Chosen, type Kit, type Situation } from '@/data/situation';
import { useCalmed } from '@/data/useCalmed';
import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';
import { useNearWays, type NearWays } from './NearWays';

const ORDER: NearLeverKind[] = ['ratio', 'aperture', 'chain', 'mode', 'setup'];

const leversFor = (situation: Situation, ways: NearWays): NearLever[] =>
  nearLevers({ ...situation, ...ways, ratio: situation.nearRatio, fNumber: situation.nearFNumber });

/** Levers of the present situation; those being tried are reckoned against the situation without them. */
export const nearLeversOf = (kit: Kit, chosen: Chosen, ways: NearWays): NearLever[] =>
  leversApart(kit, chosen, ORDER, (situation) => leversFor(situation, ways));

const EVERY_MS = 140;

/** Only a pull at the rule may wait: whatever is tapped is answered at once. */
function isTap(from: Chosen, to: Chosen): boolean {
  return (Object.keys(to) as (keyof Chosen)[]).some(
    (key) => key !== 'nearRatio' && key !== 'nearFNumber' && from[key] !== to[key],
  );
}

export interface NearLevers {
  levers: NearLever[];
  situation: Situation | null;
  pending: boolean;
}

/** Levers of what is in hand; they follow a drag a few times a second. */
export function useNearLevers(): NearLevers {
  const { kit } = useKit();
  const ways = useNearWays();
  const chosen = useCalmed<Chosen>(useChosen(), EVERY_MS, isTap);
  return useMemo((): NearLevers => {
    if (!chosen) return { levers: [], situation: null, pending: true };
    const situation = situationOf(kit, chosen);
    return {
      levers: nearLeversOf(kit, chosen, ways),
      situation: typeof situation === 'string' ? null : situation,
      pending: false,
    };
  }, [kit, chosen, ways]);
}
