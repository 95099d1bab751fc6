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
    const { result, unmount } = renderHook(() => usePageAtRest());
    idle.next();
    idle.next();
    expect(result.current).toBe(false);
    words = null;
    idle.next();
    expect(result.current).toBe(true);
    expect(idle.waiting()).toBe(0);
    unmount();
  });

  it('is asked for no longer when the page is left', () => {
    const idle = idleMoments();
    words = {};
    const { unmount } = renderHook(() => usePageAtRest());
    idle.next();
    unmount();
    expect(idle.waiting()).toBe(0);
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
