import { useMemo } from 'react';
import { EMPTY_HAND } from './hand';
import { useHands, usePlace } from './inHand';
import { useCarrying, usePreferences } from './preferences';
import type { Chosen } from './situation';
import { suitedHand } from './suited';
import { useKit } from './useKit';

/**
 * What is chosen in the place one is in, as one value that changes only when a part of it does. Where nobody has chosen
 * anything yet, what suits the place is in hand.
 */
export function useChosen(): Chosen {
  const place = usePlace();
  const { kit } = useKit();
  const hand = useHands((state) => state.hands[place] ?? EMPTY_HAND);
  const targetId = useHands((state) => state.sky.targetId);
  const cropConvention = usePreferences((state) => state.cropConvention);
  const judgeBy = usePreferences((state) => state.judgeBy);
  const carrying = useCarrying();
  // What suits is found once for a kit: a drag must not look through the set-ups again.
  const suited = useMemo(
    () =>
      suitedHand(place, kit, { ...EMPTY_HAND, setupId: hand.setupId, subjectId: hand.subjectId }, targetId, carrying),
    [place, carrying, kit, hand.setupId, hand.subjectId, targetId],
  );
  return useMemo(
    () => ({
      ...hand,
      setupId: suited.setupId,
      subjectId: suited.subjectId,
      cropConvention,
      judgeBy,
      carried: carrying,
    }),
    [hand, suited, cropConvention, judgeBy, carrying],
  );
}
