import { act, renderHook } from '@testing-library/react-native';
import { usePageAtRest } from './usePageAtRest';

/** Idle moments, taken one by one. */
function idleMoments() {
  const asked = new Map<number, () => void>();
  let last = 0;
  Object.assign(globalThis, {
    requestIdleCallback: (begin: () => void) => {
      asked.set(++last, begin);
      return last;
    },
    cancelIdleCallback: (id: number) => asked.delete(id),
  });
  const next = () => {
    const [id, begin] = [...asked][0]!;
    asked.delete(id);
    act(begin);
  };
  return { next, waiting: () => asked.size };
}

describe('a page at rest', () => {
  const own = globalThis as { document?: unknown; requestIdleCallback?: unknown; cancelIdleCallback?: unknown };
  const before = own.document;
  let words: object | null = {};
  beforeEach(() => {
    own.document = { getElementById: (id: string) => (id === 'first-view' ? words : null) };
  });
  afterEach(() => {
    own.document = before;
    delete own.requestIdleCallback;
    delete own.cancelIdleCallback;
  });

  it('is one that is idle once the words before the start are gone', () => {
    const idle = idleMoments();
    words = {};
    jest.useFakeTimers();
    const { result, unmount } = renderHook(() => usePageAtRest());
    for (let i = 0; i < 2; i++) {
      idle.next();
      // Not asked without a pause: that would be work itself.
      expect(idle.waiting()).toBe(0);
      act(() => jest.advanceTimersByTime(250));
      expect(idle.waiting()).toBe(1);
    }
    expect(result.current).toBe(false);
    words = null;
    idle.next();
    expect(result.current).toBe(true);
    expect(idle.waiting()).toBe(0);
    unmount();
    jest.useRealTimers();
  });

  it('is asked for no longer when the page is left', () => {
    const idle = idleMoments();
    words = {};
    jest.useFakeTimers();
    const first = renderHook(() => usePageAtRest());
    first.unmount();
    expect(idle.waiting()).toBe(0);
    const second = renderHook(() => usePageAtRest());
    idle.next();
    second.unmount();
    jest.advanceTimersByTime(1000);
    expect(idle.waiting()).toBe(0);
    jest.useRealTimers();
  });

  it('comes by itself where the engine does not tell when it is idle', () => {
    jest.useFakeTimers();
    words = null;
    const { result } = renderHook(() => usePageAtRest());
    expect(result.current).toBe(false);
    act(() => jest.advanceTimersByTime(2000));
    expect(result.current).toBe(true);
    jest.useRealTimers();
  });
});
