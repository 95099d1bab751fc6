import type { SeveralAsk, SeveralFoundOf, SeveralNews } from '@/core/measure/severalTalk';
import { fail, type Result } from '@/core/quantity/result';

/** What is under way, and how to stop it. */
export interface Under<T> {
  answer: Promise<Result<T>>;
  stop: () => void;
}

const STOPPED = fail('bench.stopped', 'Stopped.');
const BROKEN = fail('bench.broken', 'Measuring broke off. Try it with smaller pictures.');

/** Asks several pictures something together, in a worker that opens them itself. */
export function askSeveral<A extends SeveralAsk>(
  asked: A,
  onShare: (share: number) => void,
  makeWorker: () => Worker = severalWorker,
): Under<SeveralFoundOf[A['ask']]> {
  const worker = makeWorker();
  let end: (found: Result<SeveralFoundOf[A['ask']]>) => void = () => undefined;
  const answer = new Promise<Result<SeveralFoundOf[A['ask']]>>((resolve) => {
    end = (found) => {
      worker.terminate();
      resolve(found);
    };
  });
  worker.onmessage = ({ data }: MessageEvent<SeveralNews>) => {
    if ('share' in data) onShare(data.share);
    else end(data.found as Result<SeveralFoundOf[A['ask']]>);
  };
  worker.onerror = () => end(BROKEN);
  worker.postMessage(asked);
  return { answer, stop: () => end(STOPPED) };
}

const severalWorker = (): Worker => new Worker(new URL('../../workers/several.worker.ts', window.location.href));
