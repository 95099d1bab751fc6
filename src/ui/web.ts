import type { RefObject } from 'react';
import type { View, ViewStyle } from 'react-native';

/** What the web knows besides the styles React Native has types for. */
interface WebStyle {
  cursor?: 'grab' | 'move' | 'ew-resize' | 'auto';
  touchAction?: 'pan-y' | 'manipulation' | 'none';
}

/** Styles of the web, as a view takes them there. */
export const webStyle = (style: WebStyle): ViewStyle => style as ViewStyle;

/** The element a view is on the web; null where it is not drawn, and in tests, which draw none. */
export function elementOf(ref: RefObject<View | null>): HTMLElement | null {
  const element: unknown = ref.current;
  return typeof HTMLElement === 'function' && element instanceof HTMLElement ? element : null;
}

/** A function that takes an element, as the ref of the view that is one; the very function, so that nothing is attached anew. */
export const refOf = (take: (element: HTMLElement | null) => void): ((view: View | null) => void) =>
  take as unknown as (view: View | null) => void;
