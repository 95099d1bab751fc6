import type { HomeGroup, HomeNews, HomeOrder } from '@/core/log/homeOrder';
import type { UnreadPicture } from '@/core/log/picture';
import { askWorker } from '../askWorker';

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
  return askWorker<HomeOrder, HomeNews>(
    worker,
    order,
    (news) => {
      if (news.kind === 'progress') onProgress(news.done, news.total);
      else onDone(news);
      return news.kind === 'done';
    },
    onFailed,
  );
}
