import type { Link } from '@/data/inHand';
import { situationOf, type Chosen, type Kit, type Situation } from '@/data/situation';

const NOTHING: Chosen = {
  setupId: null,
  subjectId: null,
  outputId: null,
  distanceM: null,
  focalMm: null,
  modeId: null,
  converterIds: null,
  chain: null,
  nearRatio: null,
  nearFNumber: null,
  trials: {},
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
export const chainLinksOf = (lensId: string, tubesId: string, usedMm: number[]): Link[] => [
  { type: 'optic', id: lensId },
  { type: 'adapter', id: tubesId, usedMm },
];
