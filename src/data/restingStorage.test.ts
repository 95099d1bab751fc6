import { useInHand, useSky } from './inHand';
import { restingStorage } from './restingStorage';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const written = (name: string) =>
  (
    JSON.parse(localStorage.getItem(name) ?? '{}') as {
      state?: { hands?: Record<string, Record<string, unknown>>; sky?: Record<string, unknown> };
    }
  ).state;

it('writes what is dragged once changes rest, and reads what still waits', () => {
  const values: string[] = [];
  const storage = restingStorage(() => ({
    getItem: () => 'old',
    setItem: (_, value) => void values.push(value),
    removeItem: () => undefined,
  }));
  expect(storage.getItem('k')).toBe('old');
  for (let i = 0; i < 50; i++) storage.resting(() => void storage.setItem('k', String(i)));
  expect(storage.getItem('k')).toBe('49');
  expect(values).toEqual([]);
  jest.advanceTimersByTime(300);
  expect(values).toEqual(['49']);
  storage.resting(() => void storage.setItem('k', 'new'));
  void storage.removeItem('k');
  jest.advanceTimersByTime(300);
  expect(values).toEqual(['49']);
});

it('writes a choice at once, also in the middle of a drag', () => {
  useInHand.now().setDistanceM(31);
  expect(written('jauge.hands')?.hands?.far?.distanceM).not.toBe(31);
  useInHand.now().chooseSetup('10000000-0000-4000-8000-00000000000a');
  expect(written('jauge.hands')?.hands?.far).toMatchObject({
    distanceM: 31,
    setupId: '10000000-0000-4000-8000-00000000000a',
  });
  useSky.now().set({ declinationDeg: 12 });
  expect(written('jauge.hands')?.sky?.declinationDeg).not.toBe(12);
  jest.advanceTimersByTime(300);
  expect(written('jauge.hands')?.sky?.declinationDeg).toBe(12);
  useSky.now().set({ planet: 'Saturn' });
  expect(written('jauge.hands')?.sky?.planet).toBe('Saturn');
});

it('a drag is written at the latest when the page is left', () => {
  const heard: Record<string, () => void> = {};
  const listen = window.addEventListener;
  window.addEventListener = ((name: string, listener: () => void) =>
    void (heard[name] = listener)) as typeof window.addEventListener;
  const values: string[] = [];
  const storage = restingStorage(() => ({
    getItem: () => null,
    setItem: (_, value) => void values.push(value),
    removeItem: () => undefined,
  }));
  window.addEventListener = listen;
  storage.resting(() => void storage.setItem('k', 'dragged'));
  expect(values).toEqual([]);
  heard.pagehide!();
  expect(values).toEqual(['dragged']);
});

it('says so where storage is blocked, so that the application goes on without it', () => {
  const blocked = restingStorage(() => {
    throw new DOMException('blocked', 'SecurityError');
  });
  expect(blocked.opened).toThrow('blocked');
});
