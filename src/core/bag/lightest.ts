/** One way to reach a want: the pieces it takes, a bit each. */
export type Needs = bigint;

/** The lightest pieces that reach at least so many wants. */
export interface Lightest {
  /** How many wants they reach at least. */
  reach: number;
  pieces: Needs;
  weightG: number;
}

/** Of two bags as light the one with fewer pieces: a piece counts a thousandth of a gram more than it weighs. */
const PER_PIECE_G = 1e-3;

/** The bits set in a number, from the lowest. */
export function piecesIn(needs: Needs): number[] {
  const found: number[] = [];
  for (let rest = needs, at = 0; rest > 0n; rest >>= 1n, at += 1) if (rest & 1n) found.push(at);
  return found;
}

/** Leaves out every way that takes all another takes and more: whatever it reaches the other reaches with less. */
export function fewest(ways: readonly Needs[]): Needs[] {
  const different = [...new Set(ways)];
  return different.filter((way) => !different.some((other) => other !== way && (other & way) === other));
}

/**
 * The lightest bag for every number of wants, exactly: a branch of choices is left only when nothing lighter can come of it.
 *
 * @param ways for each want the ways to reach it, each as the pieces it takes; a want without a way is reached by none
 * @param weightsG weight of each piece, g; 0 where it is not known
 * @param onShare told after each way of the first want is looked through, from 0 to 1
 * @returns by number of wants reached, from one on; only those that are lighter than what reaches more
 */
export function lightestBags(
  ways: readonly (readonly Needs[])[],
  weightsG: readonly number[],
  onShare?: (share: number) => void,
): Lightest[] {
  const reachable = ways.map(fewest).filter((each) => each.length > 0);
  // Where there is least to choose, first: what must come along is known early, and the rest is compared with it.
  reachable.sort((a, b) => a.length - b.length);
  const most = reachable.length;
  const costOf = (needs: Needs) => piecesIn(needs).reduce((sum, at) => sum + (weightsG[at] ?? 0) + PER_PIECE_G, 0);
  const best: { pieces: Needs; cost: number }[] = Array.from({ length: most + 1 }, () => ({
    pieces: 0n,
    cost: Infinity,
  }));
  best[0] = { pieces: 0n, cost: 0 };
  const seen = new Map<string, number>();

  const note = (pieces: Needs, cost: number, reached: number) => {
    for (let k = reached; k > 0 && cost < best[k]!.cost; k -= 1) best[k] = { pieces, cost };
  };
  const look = (at: number, pieces: Needs, cost: number, reached: number) => {
    note(pieces, cost, reached);
    if (at === most || cost >= best[reached + most - at]!.cost) return;
    const key = `${at}:${pieces}`;
    if ((seen.get(key) ?? -1) >= reached) return;
    seen.set(key, reached);
    const choices = reachable[at]!.map((way) => ({ pieces: pieces | way, more: costOf(way & ~pieces) })).sort(
      (a, b) => a.more - b.more,
    );
    const first = choices[0]!;
    // It is reached by what is in the bag already: there is nothing to choose.
    if (first.more === 0) return look(at + 1, pieces, cost, reached + 1);
    choices.forEach((choice, i) => {
      look(at + 1, choice.pieces, cost + choice.more, reached + 1);
      if (at === 0) onShare?.((i + 1) / (choices.length + 1));
    });
    look(at + 1, pieces, cost, reached);
  };
  look(0, 0n, 0, 0);
  onShare?.(1);
  return best.flatMap(({ pieces, cost }, reach) =>
    reach > 0 && cost < (best[reach + 1]?.cost ?? Infinity)
      ? [{ reach, pieces, weightG: piecesIn(pieces).reduce((sum, each) => sum + (weightsG[each] ?? 0), 0) }]
      : [],
  );
}
