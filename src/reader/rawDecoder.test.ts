import { ReaderMissing } from '@/core/formats/pictures/readPicture';
import { rawPicture } from './rawDecoder';

interface Asked {
  id: number;
  fn: string;
  args: unknown[];
}

/** A decoder that answers as it is told to. */
class FakeWorker {
  static last: FakeWorker | null = null;
  static answer: (asked: Asked, worker: FakeWorker) => void = () => undefined;
  asked: Asked[] = [];
  ended = false;
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: ((event: { message: string; preventDefault: () => void }) => void) | null = null;
  constructor(
    public address: string,
    public options: { type: string },
  ) {
    FakeWorker.last = this;
  }
  postMessage(asked: Asked) {
    this.asked.push(asked);
    queueMicrotask(() => FakeWorker.answer(asked, this));
  }
  terminate() {
    this.ended = true;
  }
  tell(data: unknown) {
    this.onmessage?.({ data });
  }
  breaks(message = '') {
    this.onerror?.({ message, preventDefault: () => undefined });
  }
}

/** Red green over green blue, as the decoder codes it. */
const RGGB = 0x94949494;
/** Five columns by four rows, a border of one column at the left and one row at the top. */
const sensor = {
  raw_width: 5,
  raw_height: 4,
  left_margin: 1,
  top_margin: 1,
  width: 4,
  height: 3,
  data: Uint16Array.from({ length: 20 }, (_, i) => 200 + i),
};
const answers: Record<string, unknown> = {
  metadata: { color_data: { black: 128, maximum: 4095 }, filters: RGGB | 0, flip: 6 },
  rawImageData: sensor,
};

const file = new Blob([new Uint8Array([1, 2, 3])]);
const before = globalThis.Worker;

beforeEach(() => {
  globalThis.Worker = FakeWorker as unknown as typeof Worker;
  FakeWorker.answer = ({ id, fn }, worker) => worker.tell({ id, out: answers[fn] });
});
afterEach(() => {
  globalThis.Worker = before;
});

describe('the decoder of camera raw', () => {
  it('is asked one thing after the other, and gives the visible part of the sensor’s numbers', async () => {
    const decoded = await rawPicture(file);
    const { asked, address, options, ended } = FakeWorker.last!;
    expect([address, options]).toEqual(['/raw/worker.js', { type: 'module' }]);
    expect(asked.map(({ fn }) => fn)).toEqual(['open', 'metadata', 'rawImageData']);
    expect(asked[0]!.args).toEqual([new Uint8Array([1, 2, 3]), {}]);
    expect(decoded).toMatchObject({ width: 4, height: 3, black: 128, white: 4095, orientation: 6 });
    expect(Array.from(decoded.codes)).toEqual([206, 207, 208, 209, 211, 212, 213, 214, 216, 217, 218, 219]);
    expect(decoded.mosaic).toEqual([0, 1, 1, 2]);
    expect(ended).toBe(true);
  });

  it('that does not arrive is said to be missing, before anything is asked and afterwards', async () => {
    FakeWorker.answer = () => undefined;
    const early = rawPicture(file);
    FakeWorker.last!.breaks();
    await expect(early).rejects.toThrow(ReaderMissing);
    expect(FakeWorker.last!.ended).toBe(true);
    FakeWorker.answer = ({ fn }, worker) => fn === 'open' && worker.breaks();
    await expect(rawPicture(file)).rejects.toThrow(ReaderMissing);
  });

  it('that breaks off is not said to be missing', async () => {
    FakeWorker.answer = ({ fn }, worker) => fn === 'open' && worker.breaks('out of memory');
    const broken = rawPicture(file);
    await expect(broken).rejects.toThrow('out of memory');
    await expect(broken).rejects.not.toThrow(ReaderMissing);
  });

  it('hands on its refusals, also those without words', async () => {
    FakeWorker.answer = ({ id }, worker) => worker.tell({ id, error: 'not a raw file' });
    await expect(rawPicture(file)).rejects.toThrow('not a raw file');
    FakeWorker.answer = ({ id, fn }, worker) =>
      worker.tell(fn === 'metadata' ? { id, error: undefined } : { id, out: answers[fn] });
    await expect(rawPicture(file)).rejects.toThrow(new Error(''));
    expect(FakeWorker.last!.asked).toHaveLength(2);
  });

  it('says what to do where the colours are not laid out in squares of four', async () => {
    FakeWorker.answer = ({ id, fn }, worker) =>
      worker.tell({ id, out: fn === 'metadata' ? { ...(answers.metadata as object), filters: 9 } : answers[fn] });
    await expect(rawPicture(file)).rejects.toThrow('export it as TIFF of 16 bits');
    FakeWorker.answer = ({ id, fn }, worker) =>
      worker.tell({ id, out: fn === 'metadata' ? answers.metadata : undefined });
    await expect(rawPicture(file)).rejects.toThrow('squares of four');
  });
});
