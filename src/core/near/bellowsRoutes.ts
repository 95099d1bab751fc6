import type { BellowsSpec, LensSpec, Part, ReversingSpec } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import { foldSystem } from '../optics/foldSystem';
import { ratioRange, type RatioRange } from './nearState';
import type { Owned } from './planRatio';
import type { ChainLink } from './ratioRoutes';

/** A chain to be tried, as links of the kit and as parts. */
export interface Candidate {
  links: ChainLink[];
  chain: Part[];
}

/** Halvings of the draw: to a hundredth of a millimetre. */
const HALVINGS = 16;

/** What stands before a bellows: a lens, turned round or not. */
interface Front {
  links: ChainLink[];
  chain: Part[];
}

/** Lenses as they can stand before a bellows. */
const frontsOf = (lenses: readonly Owned<LensSpec>[], ring: Owned<ReversingSpec> | undefined): Front[] =>
  lenses.flatMap(({ id, spec }): Front[] => [
    { links: [{ id }], chain: [spec] },
    ...(ring ? [{ links: [{ id }, { id: ring.id }], chain: [spec, ring.spec] }] : []),
  ]);

/**
 * Lenses behind which a bellows is drawn out until the whole reaches a ratio, the lens itself at infinity where that will do:
 * the least draw that gets there.
 *
 * @returns chains whose range of focus holds the ratio; none where even the whole draw does not reach it
 */
export function bellowsCandidates(
  body: BodySpec,
  lenses: readonly Owned<LensSpec>[],
  bellows: readonly Owned<BellowsSpec>[],
  ring: Owned<ReversingSpec> | undefined,
  ratio: number,
): Candidate[] {
  return bellows.flatMap((each) =>
    frontsOf(lenses, ring).flatMap((front): Candidate[] => {
      const { shortestMm, longestMm } = each.spec;
      const drawn = (extensionMm: number): Part[] => [...front.chain, { ...each.spec, extensionMm }];
      const rangeAt = (extensionMm: number): RatioRange | null => {
        const folded = foldSystem({ body, modeId: 'whole', chain: drawn(extensionMm) });
        return folded.ok ? ratioRange(folded.value) : null;
      };
      const extensionMm = drawFor(rangeAt, shortestMm, longestMm, ratio);
      if (extensionMm === null) return [];
      return [{ links: [...front.links, { id: each.id, extensionMm }], chain: drawn(extensionMm) }];
    }),
  );
}

/** The draw at which the lens, at infinity, gives the ratio; at the ends of the draw what its own focus has to do. */
function drawFor(
  rangeAt: (mm: number) => RatioRange | null,
  shortestMm: number,
  longestMm: number,
  ratio: number,
): number | null {
  const [first, last] = [rangeAt(shortestMm), rangeAt(longestMm)];
  if (!first || !last || last.highest < ratio || first.lowest > ratio) return null;
  if (last.lowest <= ratio) return longestMm;
  let [low, high] = [shortestMm, longestMm];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    const range = rangeAt(middle);
    if (range && range.lowest <= ratio) low = middle;
    else high = middle;
  }
  // Set as the rail is read: to a tenth of a millimetre, never drawn out too far.
  return Math.max(shortestMm, Math.floor(low * 10) / 10);
}
