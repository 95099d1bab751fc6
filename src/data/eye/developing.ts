import type { PhotoOrder } from '@/core/train/exercise';
import type { Developed } from '@/core/train/photo';
import { askWorker } from '../askWorker';

/** Lets a worker take the pictures of an exercise; the function returned stops it. */
export function developAll(
  orders: PhotoOrder[],
  onDone: (developed: Developed[]) => void,
  onFailed: () => void,
): () => void {
  const worker = new Worker(new URL('../../workers/train.worker.ts', window.location.href));
  return askWorker<PhotoOrder[], Developed[]>(
    worker,
    orders,
    (developed) => {
      onDone(developed);
      return true;
    },
    onFailed,
  );
}
