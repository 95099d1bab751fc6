import { partsOf } from '../chain/link';
import type { SystemInput } from '../optics/foldSystem';

/** What a person is willing to carry: anything, what is held in the hand, or what fits a bag of a weight, g. */
export type Carrying = { kind: 'all' } | { kind: 'hand' } | { kind: 'bag'; mostG: number };

/** Heavier than this, body and optics together, few people hold it up for more than a moment, g. */
export const HAND_MOST_G = 3500;

type Carried = Pick<SystemInput, 'body' | 'chain' | 'supportWeightG'>;

/** What a set-up weighs for certain, g: pieces without a weight count nothing. A tripod is not held in the hand. */
export function weighsAtLeastG({ body, chain, supportWeightG = 0 }: Carried, withSupport: boolean): number {
  const pieces = [body, ...partsOf(chain)];
  return pieces.reduce((sum, { weightG = 0 }) => sum + weightG, withSupport ? supportWeightG : 0);
}

/** Whether a set-up is carried that way. One whose weight is not known is: nothing speaks against it. */
export function isCarried(carrying: Carrying, setup: Carried): boolean {
  if (carrying.kind === 'all') return true;
  return carrying.kind === 'hand'
    ? weighsAtLeastG(setup, false) <= HAND_MOST_G
    : weighsAtLeastG(setup, true) <= carrying.mostG;
}
