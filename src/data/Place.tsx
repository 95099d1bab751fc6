import { useEffect, useLayoutEffect, type ReactNode } from 'react';
import type { Place } from './hand';
import { PlaceContext, useHands, useInHand } from './inHand';
import { carryingOf, usePreferences } from './preferences';
import { suitedHand } from './suited';
import { useKit } from './useKit';

/** The place a page belongs to; none for the Kit and the Book, which show what was in hand last. */
export function placeOf(path: string): Place | null {
  if (path === '/' || path.startsWith('/far')) return 'far';
  if (path.startsWith('/near')) return 'near';
  if (path.startsWith('/sky/planets')) return 'planets';
  if (path.startsWith('/sky/deep')) return 'deep';
  return path.startsWith('/sky') ? 'stars' : null;
}

/** Opened for the first time, a place keeps what suited it then, so that a set-up added later does not slip in. */
function useFirstChoice(place: Place | null): void {
  const { kit, loading } = useKit();
  const chosen = useHands((state) => place !== null && (state.hands[place]?.setupId ?? null) !== null);
  const targetId = useHands((state) => state.sky.targetId);
  useEffect(() => {
    if (place === null || chosen || loading || kit.setups.length === 0) return;
    const { setupId, subjectId } = suitedHand(
      place,
      kit,
      useInHand.now(place),
      targetId,
      carryingOf(usePreferences.getState()),
    );
    if (setupId !== null) useInHand.put({ setupId, subjectId }, place);
  }, [place, chosen, loading, kit, targetId]);
}

/** Tells everything below which place one is in. */
export function InPlace({ path, children }: { path: string; children: ReactNode }) {
  const place = placeOf(path);
  // What answers a tap asks the store, which must know by then; what is drawn asks the context.
  useLayoutEffect(() => {
    if (place) useHands.setState({ place });
  }, [place]);
  useFirstChoice(place);
  return <PlaceContext.Provider value={place}>{children}</PlaceContext.Provider>;
}
