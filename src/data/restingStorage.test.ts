import { restingStorage } from './restingStorage';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('writes once changes rest, and reads what still waits', () => {
  const written: string[] = [];
  const storage = restingStorage({ getItem: () => 'old', setItem: (_, value) => void written.push(value), removeItem: () => undefined });
  expect(storage.getItem('k')).toBe('old');
  for (let i = 0; i < 50; i++) void storage.setItem('k', String(i));
  expect(storage.getItem('k')).toBe('49');
  expect(written).toEqual([]);
  jest.advanceTimersByTime(300);
  expect(written).toEqual(['49']);
  void storage.setItem('k', 'new');
  void storage.removeItem('k');
  jest.advanceTimersByTime(300);
  expect(written).toEqual(['49']);
});
