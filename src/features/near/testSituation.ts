import { EMPTY_HAND, type ChainRow } from '@/data/hand';
import { situationOf, type Chosen, type Kit, type Situation } from '@/data/situation';

const NOTHING: Chosen = {
  ...EMPTY_HAND,
  cropConvention: 'usual',
  judgeBy: 'resolved',
};

/** For tests: a situation with what led to it. */
export function ready(kit: Kit, change: Partial<Chosen>): Situation & { chosen: Chosen } {
  const chosen = { ...NOTHING, ...change };
  const situation = situationOf(kit, chosen);
  if (typeof situation === 'string') throw new Error(situation);
  return { ...situation, chosen };
}

/** For tests: a lens with some tubes of a set. */
export const chainLinksOf = (lensId: string, tubesId: string, usedMm: number[]): ChainRow[] => [
  { type: 'optic', id: lensId },
  { type: 'adapter', id: tubesId, usedMm },
];
