import { kindOf } from './kinds';
import type { Part } from './parts';

/** How a part is used in a chain, where there is a choice. */
export interface Used {
  /** The tubes of a set that are in the chain, mm. */
  tubesMm?: number[] | undefined;
  /** Magnification a scope is set to. */
  magnification?: number | undefined;
  /** Extension a bellows is set to, mm. */
  extensionMm?: number | undefined;
  /** Whether a converter built into the lens is in the light. */
  switchedIn?: boolean | undefined;
}

/** A place of a chain: which part, and how it is used. The same part may stand in a chain twice: `id` tells the two. */
export interface Link {
  id: string;
  part: Part;
  used?: Used | undefined;
}

/** A chain from outside may be plain parts, which say themselves how they are used. */
export type ChainInput = readonly (Part | Link)[];

/** The part as it is used at this place. */
export function partAsUsed({ part, used }: Link): Part {
  const { asUsed } = kindOf(part);
  return asUsed && used ? asUsed(part, used) : { ...part };
}

/** How a part that came whole says it is used. */
export const usedOf = (part: Part): Used | undefined => kindOf(part).usedOf?.(part);

/** The places of a chain. Plain parts are told by where they stand. */
export function linksOf(chain: ChainInput): Link[] {
  return chain.map((each, i) => {
    if ('part' in each) return each;
    const used = usedOf(each);
    return { id: String(i), part: each, ...(used ? { used } : {}) };
  });
}

/** The parts of a chain, each as it is used and each an object of its own, so that one is told from its twin. */
export const partsOf = (chain: ChainInput): Part[] => linksOf(chain).map(partAsUsed);
