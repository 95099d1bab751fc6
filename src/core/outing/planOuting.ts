import { lightestBags } from '../bag/lightest';
import { meaningPacked } from '../bag/meant';
import { carrying, piecesOf, type Kit } from '../bag/pieces';
import { isEnough, readKit, servedVerdict, spareOf } from '../bag/readKit';
import type { CountBy, Served, Want } from '../bag/serve';
import { considered, leastHandling, type Swap } from './swaps';

/** What an outing is planned from. */
export interface OutingInput {
  /** All one has, what is in the bag too. */
  kit: Kit;
  /** Ids of what is in the bag. */
  carried: ReadonlySet<string>;
  /** Pictures wanted, in the order in which they are hoped for. */
  wants: readonly Want[];
  by?: CountBy | undefined;
}

/** One picture of the plan. */
export interface PlannedPicture {
  wantId: string;
  /** The set-up of the bag that takes it; of those not enough the best; none where none can. */
  served: Served | null;
  enough: boolean;
  /** What other set-ups of the bag give: those that are enough first, of the fewest pieces; then the best of those that are not. */
  others: Served[];
  swap: Swap | null;
  /** Ids of what else of the kit would be needed, the least weight; none where the bag is enough, null where nothing is. */
  adds: string[] | null;
  /** With them it is borderline at best: the error of the count reaches across the need. */
  addsBorderline?: boolean;
  /** Where nothing of the kit is enough: the most there is. */
  most: Served | null;
}

export interface OutingPlan {
  pictures: PlannedPicture[];
  /** Ids of what is in the bag and not needed for as many pictures as it reaches. */
  stayHome: string[];
}

/** The lightest pieces that must come along for one picture. */
function lightestAdds(ways: readonly Served[], kit: Kit, carried: ReadonlySet<string>): string[] {
  const pieces = piecesOf(kit);
  const bitOf = new Map(pieces.map(({ id }, at) => [id, 1n << BigInt(at)]));
  // Only what is not in the bag yet costs weight.
  const needs = ways.map(({ setup }) =>
    setup.ids.reduce((all, id) => (carried.has(id) ? all : all | (bitOf.get(id) ?? 0n)), 0n),
  );
  const [lightest] = lightestBags(
    [needs],
    pieces.map(({ weightG }) => weightG ?? 0),
  );
  return pieces.filter((_, at) => lightest && (lightest.pieces >> BigInt(at)) & 1n).map(({ id }) => id);
}

/** What of the bag its lightest part does without. */
function notNeeded(kit: Kit, carried: ReadonlySet<string>, ways: readonly (readonly Served[])[]): string[] {
  const pieces = piecesOf(kit).filter(({ id }) => carried.has(id));
  const bitOf = new Map(pieces.map(({ id }, at) => [id, 1n << BigInt(at)]));
  const bags = lightestBags(
    ways.map((each) => each.map(({ setup }) => setup.ids.reduce((all, id) => all | bitOf.get(id)!, 0n))),
    pieces.map(({ weightG }) => weightG ?? 0),
  );
  const needed = bags.at(-1)?.pieces ?? 0n;
  return pieces.filter((_, at) => !((needed >> BigInt(at)) & 1n)).map(({ id }) => id);
}

/** Others that are shown beside the one chosen. */
const MOST_OTHERS = 3;

/** What else of the bag takes a picture. */
function othersOf(ways: readonly Served[], served: Served | null): Served[] {
  const enough = considered(ways).filter(isEnough);
  const short = ways.filter((each) => !isEnough(each)).sort((a, b) => spareOf(b) - spareOf(a));
  return [...enough, ...short].filter((each) => each !== served).slice(0, MOST_OTHERS);
}

/** Share of the time that reading the bag takes, the rest is looking in the kit for what is missing. */
const READING_BAG = 0.3;

/**
 * Plans an outing: for each picture the set-up of the bag that takes it, with the fewest swaps in this order; what is missing
 * and what would bring it; what can stay at home.
 *
 * @param onProgress told from 0 to 1
 */
export function planOuting(
  { kit: all, carried, wants, by }: OutingInput,
  onProgress?: (share: number) => void,
): OutingPlan {
  const kit = meaningPacked(all, carried);
  const bag = readKit(carrying(kit, carried), wants, by, {
    carried,
    onProgress: (share) => onProgress?.(share * READING_BAG),
  });
  const missing = wants.filter((_, i) => !bag.read[i]!.some(isEnough));
  const weights = new Map(piecesOf(kit).map(({ id, weightG }) => [id, carried.has(id) ? 0 : (weightG ?? 0)]));
  // The whole kit is gone through only for what the bag does not reach.
  const around = readKit(missing.length ? kit : carrying(kit, new Set()), missing, by, {
    weightOf: (ids) => ids.reduce((sum, id) => sum + weights.get(id)!, 0),
    onProgress: (share) => onProgress?.(READING_BAG + share * (1 - READING_BAG)),
  });
  const stops = leastHandling(bag.read);
  const pictures = wants.map((want, i): PlannedPicture => {
    const { served, swap } = stops[i]!;
    const at = missing.indexOf(want);
    const reaching = at < 0 ? [] : around.read[at]!.filter(isEnough);
    const adds = at < 0 ? [] : reaching.length ? lightestAdds(reaching, kit, carried) : null;
    const withAdds = reaching.filter(({ setup }) => setup.ids.every((id) => carried.has(id) || adds?.includes(id)));
    const isBorderline = withAdds.length > 0 && withAdds.every((each) => servedVerdict(each) === 'borderline');
    return {
      wantId: want.id,
      served,
      enough: at < 0,
      others: othersOf(bag.read[i]!, served),
      swap,
      adds,
      ...(isBorderline ? { addsBorderline: true } : {}),
      most: at < 0 || reaching.length ? null : around.best[at]!,
    };
  });
  return {
    pictures,
    stayHome: notNeeded(
      kit,
      carried,
      bag.read.map((each) => each.filter(isEnough)),
    ),
  };
}
