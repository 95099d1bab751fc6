import type { SeveralNews } from '@/core/measure/severalTalk';
import { askSeveral } from './several';

/** A worker that keeps what it was asked. */
class FakeWorker {
  asked: unknown = null;
  ended = false;
  onmessage: ((event: { data: SeveralNews }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(asked: unknown) {
    this.asked = asked;
  }
  terminate() {
    this.ended = true;
  }
}

const start = () => {
  const worker = new FakeWorker();
  const shares: number[] = [];
  const under = askSeveral(
    { ask: 'light', files: [] },
    (share) => shares.push(share),
    () => worker as unknown as Worker,
  );
  return { worker, shares, under };
};

describe('several pictures asked together', () => {
  it('answer once, with progress, and the worker ends', async () => {
    const { worker, shares, under } = start();
    expect(worker.asked).toEqual({ ask: 'light', files: [] });
    worker.onmessage!({ data: { share: 0.4 } });
    worker.onmessage!({ data: { found: { ok: false, problem: { code: 'light.four', message: 'Four.' } } } });
    expect(await under.answer).toEqual({ ok: false, problem: { code: 'light.four', message: 'Four.' } });
    expect(shares).toEqual([0.4]);
    expect(worker.ended).toBe(true);
  });
  it('are told when they are stopped, and when it breaks', async () => {
    const stopped = start();
    stopped.under.stop();
    expect(await stopped.under.answer).toMatchObject({ ok: false, problem: { code: 'bench.stopped' } });
    const broken = start();
    broken.worker.onerror!();
    expect(await broken.under.answer).toMatchObject({ ok: false, problem: { code: 'bench.broken' } });
    expect(broken.worker.ended).toBe(true);
  });
});
