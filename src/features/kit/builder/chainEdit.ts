import type { Setup } from '@/contract/schemas/setup';
import { isCameraLens, type Part } from '@/core/chain/parts';
import type { Kit } from '@/data/situation';

export type Link = Setup['chain'][number];

/** One part of the chain being built: its link, the part itself (null when it is gone), and a key of its own. */
export interface ChainItem {
  key: string;
  link: Link;
  part: Part | null;
}

export function partOf(link: Pick<Link, 'type' | 'id'>, kit: Kit): Part | null {
  const rows = link.type === 'optic' ? kit.optics : kit.adapters;
  return rows.find((row) => row.id === link.id)?.data ?? null;
}

/** The chain with its parts looked up. The same part may stand in it more than once. */
export function chainItems(chain: Link[], kit: Kit): ChainItem[] {
  const seen = new Map<string, number>();
  return chain.map((link) => {
    const count = (seen.get(link.id) ?? 0) + 1;
    seen.set(link.id, count);
    return { key: `${link.id}#${count}`, link, part: partOf(link, kit) };
  });
}

const isMain = (part: Part | null): boolean =>
  part !== null && (isCameraLens(part) || part.kind === 'telescope' || part.kind === 'tubeLens');

/**
 * Where a part belongs when it is simply added: what goes in front in front, what goes behind behind, nearest to the lens
 * for what screws onto it. A lens takes the place of the one there, unless something couples the two.
 */
export function addToChain(chain: Link[], link: Link, kit: Kit): Link[] {
  const part = partOf(link, kit);
  if (!part) return chain;
  const parts = chain.map((each) => partOf(each, kit));
  const main = parts.findIndex(isMain);
  const at = (index: number) => [...chain.slice(0, index), link, ...chain.slice(index)];
  switch (part.kind) {
    case 'lens':
    case 'builtIn':
    case 'telescope': {
      const joins = parts.some((each) => each !== null && ['scope', 'coupling', 'objective'].includes(each.kind));
      if (main < 0) return joins ? [...chain, link] : [link, ...chain];
      const coupled = parts.findIndex((each) => each?.kind === 'coupling');
      if (coupled >= 0 && !parts.slice(coupled + 1).some(isMain)) return at(coupled + 1);
      return chain.map((each, i) => (i === main ? link : each));
    }
    case 'tubeLens':
      return main < 0 ? [...chain, link] : chain.map((each, i) => (i === main ? link : each));
    case 'scope':
    case 'objective':
      return [link, ...chain.filter((_, i) => parts[i]?.kind !== part.kind)];
    case 'closeUp':
    case 'afocal':
      return at(Math.max(0, main));
    case 'coupling':
      return main < 0 ? [...chain, link] : at(main + 1);
    case 'converter':
    case 'reducer':
    case 'barlow':
    case 'tubes':
    case 'reversing':
      return main < 0 ? [...chain, link] : at(main + 1);
    case 'mountAdapter':
      return [...chain, link];
  }
}

export function moveInChain(chain: Link[], from: number, to: number): Link[] {
  const moved = chain[from];
  if (!moved || from === to) return chain;
  const rest = chain.filter((_, i) => i !== from);
  return [...rest.slice(0, to), moved, ...rest.slice(to)];
}
