import { move, put } from '@/core/chain/edit';
import { partAsUsed, type Link } from '@/core/chain/link';
import type { Part } from '@/core/chain/parts';
import { linksOfRows, partOfRow, placeIds, rowOfLink } from '@/data/chainLinks';
import type { ChainRow } from '@/data/hand';
import type { Kit } from '@/data/situation';

/** One part of the chain being built: its row, the part as it is used (null when it is gone), and a key of its own. */
export interface ChainItem {
  key: string;
  row: ChainRow;
  part: Part | null;
}

/** The chain with its parts looked up. The same part may stand in it more than once. */
export function chainItems(chain: readonly ChainRow[], kit: Kit): ChainItem[] {
  const ids = placeIds(chain);
  return chain.map((row, i) => {
    const [link] = linksOfRows([row], kit) ?? [];
    return { key: ids[i]!, row, part: link ? partAsUsed(link) : null };
  });
}

/** A stored chain changed as the core changes chains; one with a part that is gone stays as it is. */
function changed(chain: readonly ChainRow[], kit: Kit, change: (links: Link[]) => Link[]): ChainRow[] {
  const links = linksOfRows(chain, kit);
  return links ? change(links).map(rowOfLink) : [...chain];
}

/** Puts a part of the kit where it belongs. */
export function addToChain(chain: readonly ChainRow[], row: ChainRow, kit: Kit): ChainRow[] {
  const part = partOfRow(row, kit);
  if (!part) return [...chain];
  const id = placeIds([...chain, row]).at(-1)!;
  return changed(chain, kit, (links) => put(links, { id, part }));
}

export const moveInChain = (chain: readonly ChainRow[], from: number, to: number, kit: Kit): ChainRow[] =>
  changed(chain, kit, (links) => move(links, from, to));
