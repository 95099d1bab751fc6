import type { Evidence, Judged, Learned } from '@/core/learned/learn';
import { askWorker } from '../askWorker';

/** What is learned from. */
export interface LearnOrder {
  groups: Judged[];
  evidence: Evidence;
}

/** Lets a worker learn; the function returned stops it. */
export function askLearning(order: LearnOrder, onDone: (learned: Learned) => void, onFailed: () => void): () => void {
  const worker = new Worker(new URL('../../workers/learn.worker.ts', window.location.href));
  return askWorker<LearnOrder, Learned>(
    worker,
    order,
    (learned) => {
      onDone(learned);
      return true;
    },
    onFailed,
  );
}
