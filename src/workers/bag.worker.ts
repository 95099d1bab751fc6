import { answerBag } from '@/core/outing/answerBag';
import type { BagNews, BagOrder } from '@/core/outing/bagOrder';
import { onAsked, teller } from './talk';

const tell = teller<BagNews>();

/** Between two words on how far it is, as a share: more would be drawn than seen. */
const TOLD_STEP = 0.01;

onAsked<BagOrder>((order) => {
  let told = -1;
  const onProgress = (share: number) => {
    if (share - told < TOLD_STEP) return;
    told = share;
    tell({ kind: 'share', share });
  };
  tell(answerBag(order, onProgress));
});
