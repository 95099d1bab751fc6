/**
 * Asks a worker one thing and hears it out; the function returned stops it.
 *
 * @param onNews told each word of the worker; true when it was the last
 * @param onFailed told when the worker cannot be fetched or breaks off, which it does not say by itself
 */
export function askWorker<Order, News>(
  worker: Worker,
  order: Order,
  onNews: (news: News) => boolean,
  onFailed: () => void,
): () => void {
  worker.onmessage = ({ data }: MessageEvent<News>) => {
    if (onNews(data)) worker.terminate();
  };
  worker.onerror = () => {
    worker.terminate();
    onFailed();
  };
  worker.postMessage(order);
  return () => worker.terminate();
}
