import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { api, ApiUnreachable } from '@/data/api';
import { Theme } from '@/ui/theme/theme';
import { FromFile } from './FromFile';
import { FromPhoto } from './FromPhoto';

let mockChosen: File | null = null;
jest.mock('@/ui/files', () => ({ pickFile: () => Promise.resolve(mockChosen) }));

/** The worker that reads CSV, told what to do by the test. */
class FakeWorker {
  static all: FakeWorker[] = [];
  ended = false;
  asked: string[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: ((event: { message?: string }) => void) | null = null;
  constructor() {
    FakeWorker.all.push(this);
  }
  postMessage(text: string) {
    this.asked.push(text);
  }
  terminate() {
    this.ended = true;
  }
}

const gone = () => Promise.reject(Object.assign(new Error('not found'), { name: 'NotFoundError' }));
const file = (name: string, text: () => Promise<string>) => ({ name, type: '', size: 100, text }) as unknown as File;

const alert = () => screen.getByLabelText(/^What is wrong in/);

async function choose(chosen: File): Promise<void> {
  mockChosen = chosen;
  await render(
    <Theme look="day">
      <FromFile />
    </Theme>,
  );
  await fireEvent.press(screen.getByRole('button', { name: 'Choose a CSV or JSON file' }));
  await act(async () => {});
}

const scope = globalThis as unknown as { Worker: unknown; window: { location?: unknown } };
const before = { Worker: scope.Worker, location: scope.window.location };
beforeEach(() => {
  FakeWorker.all = [];
  scope.Worker = FakeWorker;
  scope.window.location ??= { href: 'http://127.0.0.1/' };
});
afterEach(() => {
  scope.Worker = before.Worker;
  scope.window.location = before.location;
});

describe('a large file, which the server reads', () => {
  /** As the browser hands it over: sending it fails alike, whether it or the server is gone. */
  const large = (firstByte: () => Promise<unknown>) =>
    Object.create(Blob.prototype, {
      name: { value: 'all.json' },
      size: { value: 9e6 },
      slice: { value: () => ({ arrayBuffer: firstByte }) },
    }) as File;
  it.each([
    ['it is gone', gone, /can no longer be read.*Put it back, then choose it again/],
    ['the server is', () => Promise.resolve(new ArrayBuffer(1)), /server cannot be reached.*the file is still here/],
  ])('says so where %s', async (_, firstByte, words) => {
    const sent = jest.spyOn(api, 'importData').mockRejectedValue(new ApiUnreachable('away'));
    const chosen = large(firstByte);
    await choose(chosen);
    await fireEvent.press(screen.getByRole('button', { name: 'Bring in' }));
    await act(async () => {});
    expect(sent).toHaveBeenCalledWith(chosen, 'keep');
    expect(alert()).toHaveTextContent(words);
    expect(screen.queryByText('Storing …')).toBeNull();
    sent.mockRestore();
  });
});

describe('a file that is chosen and then cannot be read', () => {
  it.each(['kit.csv', 'kit.json'])('says so where it is gone: %s', async (name) => {
    await choose(file(name, gone));
    expect(alert()).toHaveTextContent(/can no longer be read.*Put it back, then choose it again/);
    expect(screen.queryByText('Reading …')).toBeNull();
    expect(FakeWorker.all.every(({ ended }) => ended)).toBe(true);
  });

  it('says so where what reads it does not arrive', async () => {
    await choose(file('kit.csv', () => Promise.resolve('kind,name')));
    const [worker] = FakeWorker.all;
    expect(worker!.asked).toEqual(['kind,name']);
    await act(async () => worker!.onerror!({}));
    expect(alert()).toHaveTextContent(/this part of Jauge did not arrive. Start the server again/);
    expect(worker!.ended).toBe(true);
  });

  it('is not called JSON that is gone where it is only no JSON', async () => {
    await choose(file('kit.json', () => Promise.resolve('{')));
    expect(alert()).toHaveTextContent(/not valid JSON/);
  });
});

it('a picture that is gone since it was chosen is told', async () => {
  mockChosen = { name: 'a.jpg', slice: () => ({ arrayBuffer: gone }) } as unknown as File;
  await render(
    <Theme look="day">
      <FromPhoto />
    </Theme>,
  );
  await fireEvent.press(screen.getByRole('button', { name: 'Choose a picture' }));
  await act(async () => {});
  expect(await screen.findByRole('alert')).toHaveTextContent(/can no longer be read/);
  expect(screen.queryByText('Reading …')).toBeNull();
});
