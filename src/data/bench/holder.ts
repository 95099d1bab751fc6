import type { BenchAsk, BenchNews, Found, Opened, Question } from '@/core/measure/benchTalk';
import type { Part } from '@/core/picture/shown';
import type { Tone } from '@/core/picture/tone';
import type { Problem, Result } from '@/core/quantity/result';

type Asked = BenchAsk extends infer A ? (A extends { id: number } ? Omit<A, 'id'> : never) : never;

/** Who waits for an answer. */
interface Waiting {
  news: (news: BenchNews) => void;
  onShare: ((share: number) => void) | undefined;
}

const STOPPED: Problem = { code: 'bench.stopped', message: 'Stopped.' };
const BROKEN: Problem = { code: 'bench.broken', message: 'Measuring broke off. Bring the picture again.' };

/** A picture and the worker that holds it: what is asked is answered in the order it was asked. */
export interface Holder {
  open: (
    file: Blob,
    ways: { tone?: Tone; frame?: number },
    onShare?: (share: number) => void,
  ) => Promise<Result<Opened>>;
  measure: (question: Question, onShare?: (share: number) => void) => Promise<Result<Found>>;
  /** Colours of a part of it; nothing when it is no longer held. */
  part: (part: Part) => Promise<Uint8ClampedArray | null>;
  /** Ends the worker; what is still waited for is told that it was stopped. */
  stop: () => void;
}

/** Starts a worker for one picture. */
export function startHolder(makeWorker: () => Worker = benchWorker): Holder {
  const worker = makeWorker();
  const waiting = new Map<number, Waiting>();
  let lastId = 0;
  /** What is told once it has ended, to those who ask afterwards as well: a worker that is gone answers nobody. */
  let ended: Problem | null = null;
  const endAll = (problem: Problem) => {
    ended ??= problem;
    worker.terminate();
    for (const [id, { news }] of waiting) news({ id, problem });
    waiting.clear();
  };
  worker.onmessage = ({ data }: MessageEvent<BenchNews>) => {
    const asked = waiting.get(data.id);
    if (!asked) return;
    if ('share' in data) return asked.onShare?.(data.share);
    waiting.delete(data.id);
    asked.news(data);
  };
  worker.onerror = () => endAll(BROKEN);
  const ask = (what: Asked, onShare?: (share: number) => void): Promise<BenchNews> =>
    new Promise((resolve) => {
      const id = ++lastId;
      if (ended) return resolve({ id, problem: ended });
      waiting.set(id, { news: resolve, onShare });
      worker.postMessage({ id, ...what });
    });
  const problemOf = (news: BenchNews): Result<never> => ({
    ok: false,
    problem: 'problem' in news ? news.problem : BROKEN,
  });
  return {
    open: async (file, ways, onShare) => {
      const news = await ask({ ask: 'open', file, ...ways }, onShare);
      return 'opened' in news ? news.opened : problemOf(news);
    },
    measure: async (question, onShare) => {
      const news = await ask({ ask: 'measure', question }, onShare);
      return 'found' in news ? news.found : problemOf(news);
    },
    part: async (part) => {
      const news = await ask({ ask: 'part', part });
      return 'part' in news ? news.part : null;
    },
    stop: () => endAll(STOPPED),
  };
}

const benchWorker = (): Worker => new Worker(new URL('../../workers/bench.worker.ts', window.location.href));
