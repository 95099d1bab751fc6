import { useCallback, useEffect, useRef } from 'react';

interface Leaving {
  list: Element;
  index: number;
}

const FOCUSABLE = 'button, [tabindex="0"], [role="button"]';

/**
 * After an item of a list was taken out with the focus in it, the focus goes to the item that took its place, or to the one
 * before it: never to the page, where the keyboard would begin from the start.
 *
 * @param count how many items there are; when it falls, the focus is put
 * @param whenEmpty where it goes when none is left
 * @returns to be told, before the item goes, which one it is
 */
export function useNeighbourFocus(count: number, whenEmpty: () => Element | null): (index: number) => void {
  const leaving = useRef<Leaving | null>(null);
  useEffect(() => {
    const left = leaving.current;
    leaving.current = null;
    if (!left) return;
    const items = left.list.querySelectorAll('[role="listitem"]');
    const item = items[Math.min(left.index, items.length - 1)];
    const target = item ? [...item.querySelectorAll(FOCUSABLE)].at(-1) : whenEmpty();
    (target as { focus?: () => void } | null | undefined)?.focus?.();
    // Only the count says that an item is gone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [count]);
  return useCallback((index: number) => {
    const list = typeof document === 'undefined' ? null : document.activeElement?.closest('[role="list"]');
    leaving.current = list ? { list, index } : null;
  }, []);
}
