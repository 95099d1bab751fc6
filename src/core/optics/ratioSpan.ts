import type { Part } from '../chain/parts';
import type { Quantity } from '../quantity/quantity';
import { foldSystem, type CropConventionChoice, type EffectiveSystem } from './foldSystem';

/** The smallest and the largest ratio a set-up reaches, over all that can be set on it. */
export interface RatioSpan {
  lowest: Quantity;
  highest: Quantity;
}

/** A chain with its bellows, where it has one, drawn in and drawn out. */
function drawnBothWays(chain: readonly Part[]): Part[][] {
  const at = chain.findIndex(({ kind }) => kind === 'bellows');
  const bellows = chain[at];
  if (bellows?.kind !== 'bellows') return [[...chain]];
  return [bellows.shortestMm, bellows.longestMm].map((extensionMm) =>
    chain.map((part, i) => (i === at ? { ...bellows, extensionMm } : part)),
  );
}

/**
 * Over the whole draw of a bellows, the whole zoom and the whole focus: the ends of each, as between them the ratio rises or
 * falls throughout.
 *
 * @returns null where nothing but the focus can be set, or no ratio is known
 */
export function ratioSpan(
  { body, mode, chain: asUsed, markedFocalMm }: EffectiveSystem,
  convention?: CropConventionChoice,
): RatioSpan | null {
  const chains = drawnBothWays(asUsed);
  const lens = asUsed.find((part) => part.kind === 'lens' || part.kind === 'builtIn');
  const focals = lens && lens.focalTeleMm > lens.focalWideMm ? [lens.focalWideMm, lens.focalTeleMm] : [markedFocalMm];
  if (chains.length * focals.length === 1) return null;
  const ends = chains.flatMap((chain) =>
    focals.flatMap((focalMm): Quantity[] => {
      // What was measured was so at the extension it was measured at.
      const folded = foldSystem({ body, modeId: mode.id, chain, focalMm }, convention);
      if (!folded.ok) return [];
      const { ratioAtClosest, ratioAtInfinity } = folded.value;
      return [ratioAtClosest, ratioAtInfinity].filter((each) => each !== undefined);
    }),
  );
  const sorted = ends.sort((a, b) => a.value - b.value);
  const [lowest, highest] = [sorted[0], sorted[sorted.length - 1]];
  return lowest && highest ? { lowest, highest } : null;
}
