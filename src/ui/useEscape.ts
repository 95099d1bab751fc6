import { useLayoutEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import { elementOf } from './web';

/**
 * Escape closes the uppermost sheet from the moment it is drawn. The modal of React Native's web build listens only once
 * its own effects have run: on a slow phone the key was lost in between, and the sheet stayed.
 *
 * @returns what to put on something inside the sheet, by which it is known
 */
export function useEscape(onEscape: () => void): RefObject<View | null> {
  const inside = useRef<View>(null);
  const act = useRef(onEscape);
  useLayoutEffect(() => {
    act.current = onEscape;
  });
  useLayoutEffect(() => {
    if (typeof document === 'undefined') return;
    const onKeyUp = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      const uppermost = [...document.querySelectorAll('[aria-modal]')].at(-1);
      if (!uppermost?.contains(elementOf(inside))) return;
      event.stopPropagation();
      act.current();
    };
    document.addEventListener('keyup', onKeyUp, true);
    return () => document.removeEventListener('keyup', onKeyUp, true);
  }, []);
  return inside;
}
