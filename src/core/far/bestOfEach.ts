/** What something offers and what it asks for; either may be unknown. */
export interface OfferedFor {
  offers: number | undefined;
  asks: number | undefined;
}

/**
 * Which of many nothing beats: no other offers as much for less, or more for as little. What is unknown is none of them, and
 * of equals all are.
 *
 * @returns one answer a thing, in their order
 */
export function bestOfEach(things: readonly OfferedFor[]): boolean[] {
  const known = things
    .map(({ offers, asks }, i) => ({ offers: offers ?? NaN, asks: asks ?? NaN, i }))
    .filter(({ offers, asks }) => Number.isFinite(offers) && Number.isFinite(asks))
    .sort((a, b) => a.asks - b.asks || b.offers - a.offers);
  const best = things.map(() => false);
  let [most, atAsks] = [-Infinity, NaN];
  for (const { offers, asks, i } of known) {
    const beats = offers > most;
    if (beats || (offers === most && asks === atAsks)) best[i] = true;
    if (beats) [most, atAsks] = [offers, asks];
  }
  return best;
}
