import { packBag, stepsOf } from '../bag/packBag';
import type { BagNews, BagOrder } from './bagOrder';
import { planOuting } from './planOuting';

/** What the bag's worker comes to in the end. */
export type BagAnswer = Exclude<BagNews, { kind: 'share' }>;

/** Works an order out: plans an outing, or finds the lightest bags. @param onProgress told from 0 to 1 */
export function answerBag(order: BagOrder, onProgress?: (share: number) => void): BagAnswer {
  if (order.kind === 'plan') return { kind: 'plan', plan: planOuting(order, onProgress) };
  const { ladder, outOfReach, tried } = packBag(order.kit, order.wants, order.by, onProgress);
  const steps = stepsOf(ladder);
  return {
    kind: 'packed',
    tried,
    // Weights are added up anew on the page, where their reasons can be asked for.
    bags: ladder.map(({ pieces, reached, missed }, i) => ({
      pieces: pieces.map(({ id }) => id),
      reached: reached.map(({ want, by: served }) => ({ wantId: want.id, served })),
      missed: missed.map(({ id }) => id),
      step: steps[i]!,
    })),
    outOfReach: outOfReach.map(({ want, best }) => ({ wantId: want.id, best })),
  };
}
