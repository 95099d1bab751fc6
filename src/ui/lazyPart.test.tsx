import { act, render, screen } from '@testing-library/react-native';
import { Component } from 'react';
import { Text } from 'react-native';
import { Opening } from './Opening';
import { lazyPart, partOrNull, useMissingParts } from './lazyPart';
import { Theme } from './theme/theme';

/** Shows the fault it catches. */
class Boundary extends Component<{ children: React.ReactNode }, { fault: string | null }> {
  override state = { fault: null };

  static getDerivedStateFromError(error: Error) {
    return { fault: error.message };
  }

  override render() {
    return this.state.fault === null ? this.props.children : <Text>caught: {this.state.fault}</Text>;
  }
}

const Page = () => <Text>the page</Text>;
const show = (Part: React.ComponentType) =>
  render(
    <Theme look="day">
      <Opening>
        <Part />
      </Opening>
    </Theme>,
  );

beforeEach(() => {
  jest.useFakeTimers();
  useMissingParts.setState({ count: 0 });
});
afterEach(() => jest.useRealTimers());

it('opens a part once it has arrived', async () => {
  show(lazyPart(() => Promise.resolve({ default: Page })));
  expect(screen.getByText('Opening …')).toBeTruthy();
  await act(() => jest.advanceTimersByTimeAsync(1));
  expect(screen.getByText('the page')).toBeTruthy();
});

it('asks again for a part that does not arrive, says so meanwhile, and loses nothing', async () => {
  const load = jest
    .fn<Promise<{ default: typeof Page }>, []>()
    .mockRejectedValueOnce(new Error('Loading module /desks.js failed.'))
    .mockRejectedValueOnce(new Error('Loading module /desks.js failed.'))
    .mockResolvedValue({ default: Page });
  show(lazyPart(load));
  await act(() => jest.advanceTimersByTimeAsync(10));
  expect(screen.getByText(/^The server cannot be reached, and this page was not opened before/)).toBeTruthy();
  await act(() => jest.advanceTimersByTimeAsync(2000));
  expect(useMissingParts.getState().count).toBe(1);
  await act(() => jest.advanceTimersByTimeAsync(2100));
  expect(screen.getByText('the page')).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(3);
  expect(useMissingParts.getState().count).toBe(0);
});

it('does not hide a fault inside a part that did arrive', async () => {
  const load = jest.fn<Promise<{ default: typeof Page }>, []>().mockRejectedValue(new TypeError('a fault of ours'));
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const Part = lazyPart(load);
  render(
    <Boundary>
      <Theme look="day">
        <Opening>
          <Part />
        </Opening>
      </Theme>
    </Boundary>,
  );
  await act(() => jest.advanceTimersByTimeAsync(5000));
  expect(screen.getByText('caught: a fault of ours')).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(1);
  quiet.mockRestore();
});

it('gives a key nothing where its part does not arrive, and does not hide a fault inside one that did', async () => {
  const missing = Object.assign(new Error('offline'), { name: 'AsyncRequireError' });
  expect(await partOrNull(() => Promise.reject(missing))).toBeNull();
  expect(await partOrNull(() => Promise.resolve('the part'))).toBe('the part');
  await expect(partOrNull(() => Promise.reject(new TypeError('a fault of ours')))).rejects.toThrow('a fault of ours');
});
