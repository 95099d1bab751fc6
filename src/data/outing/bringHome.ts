import type { HomeGroup, HomeNews, HomeOrder } from '@/core/log/homeOrder';
import type { UnreadPicture } from '@/core/log/picture';

/** What was found in the files. */
export interface BroughtHome {
  groups: HomeGroup[];
  unread: UnreadPicture[];
}

/**
 * Reads what pictures tell of themselves, in a worker: nothing of them leaves the device. The function returned stops it.
 *
 * @param onFailed told when the worker cannot be fetched or breaks off
 */
export function readHome(
  order: HomeOrder,
  onProgress: (done: number, total: number) => void,
  onDone: (found: BroughtHome) => void,
  onFailed: () => void,
): () => void {
  const worker = new Worker(new URL('../../workers/homecoming.worker.ts', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<HomeNews>) => {
    if (data.kind === 'progress') return onProgress(data.done, data.total);
    worker.terminate();
    onDone(data);
  };
  worker.onerror = () => {
    worker.terminate();
    onFailed();
  };
  worker.postMessage(order);
  return () => worker.terminate();
}
