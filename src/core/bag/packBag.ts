import { carriedSum } from '../kit/carried';
import type { Quantity } from '../quantity/quantity';
import { lightestBags, piecesIn, type Needs } from './lightest';
import { carrying, piecesOf, type Kit, type Piece } from './pieces';
import { isEnough, readKit } from './readKit';
import type { CountBy, Served, Want } from './serve';

/** A bag, and what it brings home. */
export interface Bag {
  pieces: Piece[];
  /** At least, where something in it was never weighed; absent where nothing was. */
  weightG: Quantity | undefined;
  /** The wants it reaches, each with the set-up of the bag that has most to spare. */
  reached: { want: Want; by: Served }[];
  missed: Want[];
}

/** Share of the time that reading every set-up takes, the rest is comparing bags. */
const READING = 0.7;

/** What a kit can be packed to. */
export interface Packed {
  /** Bags from the lightest that reaches anything to the one that reaches most: what each further weight buys. */
  ladder: Bag[];
  /** Wants no set-up of the kit reaches, with the most any of them gives. */
  outOfReach: { want: Want; best: Served | null }[];
  /** Set-ups that were tried. */
  tried: number;
}

/**
 * The lightest bag of a kit for every number of wants: exactly, over all bodies, lenses and what fits between and before them.
 *
 * @param onProgress told from 0 to 1
 * @returns bags by what they reach, and the wants out of reach
 * @source every set-up read as its desk reads it; the lightest union of set-ups by branch and bound (`lightestBags`)
 */
export function packBag(
  kit: Kit,
  wants: readonly Want[],
  by: CountBy = {},
  onProgress?: (share: number) => void,
): Packed {
  const pieces = piecesOf(kit);
  const bitOf = new Map(pieces.map(({ id }, at) => [id, 1n << BigInt(at)]));
  const weights = new Map(pieces.map(({ id, weightG }) => [id, weightG ?? 0]));
  const { read, best, tried } = readKit(kit, wants, by, {
    weightOf: (ids) => ids.reduce((sum, id) => sum + weights.get(id)!, 0),
    onProgress: (share) => onProgress?.(share * READING),
  });
  const ways = read.map((each) =>
    each.filter(isEnough).map(({ setup }) => setup.ids.reduce((all, id) => all | (bitOf.get(id) ?? 0n), 0n)),
  );
  const bags = lightestBags(
    ways,
    pieces.map(({ weightG }) => weightG ?? 0),
    (share) => onProgress?.(READING + share * (1 - READING)),
  );
  const bagOf = (needs: Needs): Bag => {
    const carried = piecesIn(needs).map((at) => pieces[at]!);
    const mostOf = readKit(carrying(kit, new Set(carried.map(({ id }) => id))), wants, by, {
      carried: new Set(carried.map(({ id }) => id)),
    }).best;
    const found = wants.map((want, i) => {
      const most = mostOf[i]!;
      return { want, by: most && isEnough(most) ? most : null };
    });
    return {
      pieces: carried,
      weightG: carriedSum(
        'Weight of the bag',
        'g',
        carried.map(({ name, weightG }) => ({ name, value: weightG })),
      ),
      reached: found.flatMap(({ want, by: served }) => (served ? [{ want, by: served }] : [])),
      missed: found.filter((each) => each.by === null).map(({ want }) => want),
    };
  };
  return {
    ladder: bags.map(({ pieces: needs }) => bagOf(needs)),
    outOfReach: wants.flatMap((want, i) => (ways[i]!.length ? [] : [{ want, best: best[i]! }])),
    tried,
  };
}

/** One step up the ladder: what more weight buys. */
export interface Step {
  moreG: number;
  /** Wants that are reached now and were not before, and those that no longer are. */
  gains: Want[];
  loses: Want[];
  /** The pieces that come along, and those that stay behind now. */
  adds: Piece[];
  leaves: Piece[];
}

/** What each bag of a ladder adds to the one before it; the first to an empty one. */
export function stepsOf(ladder: readonly Bag[]): Step[] {
  return ladder.map((bag, i) => {
    const before = ladder[i - 1];
    const without = (pieces: readonly Piece[], others: readonly Piece[]) =>
      pieces.filter(({ id }) => !others.some((other) => other.id === id));
    return {
      moreG: (bag.weightG?.value ?? 0) - (before?.weightG?.value ?? 0),
      loses: bag.missed.filter(({ id }) => before?.reached.some(({ want }) => want.id === id)),
      gains: bag.reached
        .map(({ want }) => want)
        .filter(({ id }) => !before?.reached.some(({ want }) => want.id === id)),
      adds: without(bag.pieces, before?.pieces ?? []),
      leaves: without(before?.pieces ?? [], bag.pieces),
    };
  });
}

/**
 * What of a bag can stay at home: the pieces the lightest part of it does without, reaching all that the whole bag reaches.
 *
 * @param carried ids of what is in the bag
 */
export function stayHome(kit: Kit, carried: ReadonlySet<string>, wants: readonly Want[], by: CountBy = {}): Piece[] {
  const bag = carrying(kit, carried);
  const needed = new Set(
    packBag(bag, wants, by)
      .ladder.at(-1)
      ?.pieces.map(({ id }) => id),
  );
  return piecesOf(bag).filter(({ id }) => !needed.has(id));
}
