import type { BenchAsk, BenchNews } from '@/core/measure/benchTalk';
import { startHolder } from './holder';

/** A worker that keeps what it was asked and answers when told to. */
class FakeWorker {
  asked: BenchAsk[] = [];
  ended = false;
  onmessage: ((event: { data: BenchNews }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(ask: BenchAsk) {
    this.asked.push(ask);
  }
  terminate() {
    this.ended = true;
  }
  tell(news: BenchNews) {
    this.onmessage?.({ data: news });
  }
}

const make = () => {
  const worker = new FakeWorker();
  return { worker, holder: startHolder(() => worker as unknown as Worker) };
};

describe('a picture held by a worker', () => {
  it('answers to whom it was asked, with progress', async () => {
    const { worker, holder } = make();
    const shares: number[] = [];
    const disc = holder.measure({ measure: 'disc' }, (share) => shares.push(share));
    const part = holder.part({ x: 0, y: 0, width: 1, height: 1, outWidth: 1, outHeight: 1 });
    const [first, second] = worker.asked;
    worker.tell({ id: first!.id, share: 0.5 });
    worker.tell({ id: second!.id, part: new Uint8ClampedArray([1, 1, 1, 255]) });
    worker.tell({ id: first!.id, found: { ok: false, problem: { code: 'disc.none', message: 'None.' } } });
    worker.tell({ id: 99, share: 1 });
    expect(Array.from((await part)!)).toEqual([1, 1, 1, 255]);
    expect(await disc).toEqual({ ok: false, problem: { code: 'disc.none', message: 'None.' } });
    expect(shares).toEqual([0.5]);
  });
  it('tells all that wait when it is stopped, and when it breaks', async () => {
    const stopped = make();
    const waits = stopped.holder.measure({ measure: 'subject' });
    stopped.holder.stop();
    expect(await waits).toMatchObject({ ok: false, problem: { code: 'bench.stopped' } });
    expect(stopped.worker.ended).toBe(true);
    const broken = make();
    const opens = broken.holder.open({} as Blob, {});
    broken.worker.onerror?.();
    expect(await opens).toMatchObject({ ok: false, problem: { code: 'bench.broken' } });
  });
  it('tells those who ask afterwards as well, as a worker that is gone answers nobody', async () => {
    const { worker, holder } = make();
    worker.onerror?.();
    expect(await holder.open({} as Blob, {})).toMatchObject({ problem: { code: 'bench.broken' } });
    holder.stop();
    expect(await holder.measure({ measure: 'disc' })).toMatchObject({ problem: { code: 'bench.broken' } });
    expect(await holder.part({ x: 0, y: 0, width: 1, height: 1, outWidth: 1, outHeight: 1 })).toBeNull();
    expect(worker.asked).toEqual([]);
  });
});
