import type { BellowsSpec, ScopeSpec } from '@/core/chain/parts';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { StoredOf } from '@/contract/resources';
import { linksOfRows, partOfRow } from '@/data/chainLinks';
import type { ChainRow, Hand } from '@/data/hand';
import { systemInputOf, type Kit } from '@/data/situation';
import { formatFigures } from '@/core/quantity/format';

/** The chain of a set-up as it stands in a hand, with the changes being tried; as it is stored where it is not in that hand. */
export function chainInHand(setupRow: StoredOf<'setups'>, hand: Hand): ChainRow[] {
  if (hand.setupId !== setupRow.id) return setupRow.data.chain;
  const tried = Object.values(hand.trials).find((trial) => trial?.patch.chain)?.patch.chain;
  return tried ?? hand.chain ?? setupRow.data.chain;
}

/** What can be set on a chain and a measurement holds for: the draw of a bellows, the magnification of a scope. */
export interface Setting {
  index: number;
  kind: 'extension' | 'magnification';
  name: string;
  least: number;
  most: number;
  /** As the chain stands; null where nobody set it. */
  value: number | null;
}

export function settingsOf(chain: readonly ChainRow[], kit: Kit): Setting[] {
  return chain.flatMap((row, index): Setting[] => {
    const part = partOfRow(row, kit);
    if (part?.kind === 'bellows') {
      const { name, shortestMm, longestMm } = part satisfies BellowsSpec;
      return [{ index, kind: 'extension', name, least: shortestMm, most: longestMm, value: row.extensionMm ?? null }];
    }
    if (part?.kind === 'scope' && part.magnificationHigh > part.magnificationLow) {
      const { name, magnificationLow, magnificationHigh, magnificationSet } = part satisfies ScopeSpec;
      const value = row.magnificationSet ?? magnificationSet ?? null;
      return [{ index, kind: 'magnification', name, least: magnificationLow, most: magnificationHigh, value }];
    }
    return [];
  });
}

/** A chain with what the person says was set on it. */
export const chainAsSet = (
  chain: readonly ChainRow[],
  settings: readonly Setting[],
  said: Record<number, number | null>,
): ChainRow[] =>
  chain.map((row, index) => {
    const setting = settings.find((each) => each.index === index);
    const value = setting && (said[index] ?? setting.value);
    if (!setting || value == null) return row;
    return setting.kind === 'extension' ? { ...row, extensionMm: value } : { ...row, magnificationSet: value };
  });

/** What a ratio is reckoned with in that state, without what was measured; null where the parts are gone. */
export function systemAsSet(
  setupRow: StoredOf<'setups'>,
  chain: ChainRow[],
  kit: Kit,
  now: EffectiveSystem,
): EffectiveSystem | null {
  const input = systemInputOf({ ...setupRow.data, chain }, kit);
  const links = linksOfRows(chain, kit);
  if (!input || !links) return null;
  const folded = foldSystem({ ...input, modeId: now.mode.id, chain: links, focalMm: now.markedFocalMm, measured: [] });
  return folded.ok ? folded.value : null;
}

/** The state in words: what is set on the set-up, and where its focus stood. */
export const stateWords = (
  settings: readonly Setting[],
  said: Record<number, number | null>,
  focalMm: number | null,
): string =>
  [
    ...(focalMm === null ? [] : [`${formatFigures(focalMm)}\u202fmm`]),
    ...settings.flatMap(({ index, kind, name, value }) => {
      const set = said[index] ?? value;
      if (set === null) return [];
      return [kind === 'extension' ? `${name} at ${formatFigures(set)}\u202fmm` : `×${formatFigures(set)}`];
    }),
  ].join(', ');

/** From this far off the reckoned ratio on a measurement is doubted: no shortening of a lens explains it. */
export const DOUBTED_SHARE = 0.25;
