import { readingTimeMs, STARTING_MS, type ReaderNews } from '@/core/formats/pictures/readerTalk';
import { pictureReader, type ReaderAsk } from './client';

/** A worker that says what it is told to, when it is told to. */
function fakePort() {
  const asked: ReaderAsk<string>[] = [];
  let [started, ended] = [0, 0];
  let tell: (news: ReaderNews) => void = () => undefined;
  let breaks = () => undefined as void;
  const reader = pictureReader<string>((onNews, onBroken) => {
    started += 1;
    [tell, breaks] = [onNews, onBroken];
    return { ask: (each) => asked.push(each), end: () => (ended += 1) };
  });
  return {
    reader,
    asked,
    tell: (news: ReaderNews) => tell(news),
    breaks: () => breaks(),
    counts: () => [started, ended],
  };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

describe('reading a file in a worker', () => {
  it('is given up 10 s beyond what its pixels need, and the next file has a new worker', async () => {
    const { reader, asked, tell, counts } = fakePort();
    const slow = reader.read('slow');
    tell({ id: asked[0]!.id, pixels: 0 });
    tell({ id: asked[0]!.id, pixels: 24e6 });
    jest.advanceTimersByTime(readingTimeMs(24e6) - 1);
    expect(counts()).toEqual([1, 0]);
    jest.advanceTimersByTime(1);
    expect(await slow).toMatchObject({ ok: false, problem: { code: 'picture.slow' } });
    const next = reader.read('next');
    expect(counts()).toEqual([2, 1]);
    tell({ id: asked[1]!.id, read: { ok: false, problem: { code: 'x', message: '' } } });
    expect(await next).toMatchObject({ problem: { code: 'x' } });
  });

  it('waits longer for what reads to arrive than for a small picture to be read', async () => {
    const { reader, asked, tell, counts } = fakePort();
    const read = reader.read('small');
    jest.advanceTimersByTime(STARTING_MS - 1);
    expect(counts()).toEqual([1, 0]);
    tell({ id: asked[0]!.id, pixels: 0 });
    jest.advanceTimersByTime(10_000);
    expect(await read).toMatchObject({ ok: false, problem: { code: 'picture.slow' } });
  });

  it('that breaks off says so, and tells how far it was before', async () => {
    const { reader, asked, tell, breaks } = fakePort();
    const shares: number[] = [];
    const read = reader.read('broken', { onProgress: (share) => shares.push(share) });
    tell({ id: asked[0]!.id, share: 0.5 });
    breaks();
    expect(await read).toMatchObject({ ok: false, problem: { code: 'picture.broke' } });
    expect(shares).toEqual([0.5]);
  });
});
