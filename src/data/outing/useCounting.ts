import { useMemo } from 'react';
import type { CountBy } from '@/core/bag/serve';
import { useSky } from '../inHand';
import { usePreferences } from '../preferences';

/** How this person counts pixels and judges stars, as the desks are set: plan, card and lightest bag go by the same. */
export function useCounting(): CountBy {
  const judgeBy = usePreferences((state) => state.judgeBy);
  const convention = usePreferences((state) => state.cropConvention);
  const reference = useSky((state) => state.reference);
  const rule = useSky((state) => state.rule);
  const toleranceKind = useSky((state) => state.toleranceKind);
  // What a person learned with one lens does not hold for all: there the count stands in, as on the Stars desk.
  const tolerance = useSky((state) =>
    state.toleranceKind === 'output'
      ? state.toleranceOutputPx
      : state.toleranceKind === 'eye'
        ? state.toleranceArcmin
        : state.tolerancePx,
  );
  return useMemo(
    () => ({ judgeBy, convention, reference, stars: { toleranceKind, tolerance, rule } }),
    [judgeBy, convention, reference, toleranceKind, tolerance, rule],
  );
}
