import type { BagAnswer } from '@/core/outing/answerBag';
import type { BagNews, BagOrder } from '@/core/outing/bagOrder';
import { askWorker } from '../askWorker';

/**
 * Lets the bag's worker read every set-up of the kit; the function returned stops it.
 *
 * @param onFailed told when the worker cannot be fetched or breaks off, which it does not say by itself
 */
export function askBag(
  order: BagOrder,
  onShare: (share: number) => void,
  onDone: (answer: BagAnswer) => void,
  onFailed: () => void,
): () => void {
  const worker = new Worker(new URL('../../workers/bag.worker.ts', window.location.href));
  return askWorker<BagOrder, BagNews>(
    worker,
    order,
    (news) => {
      if (news.kind === 'share') onShare(news.share);
      else onDone(news);
      return news.kind !== 'share';
    },
    onFailed,
  );
}
