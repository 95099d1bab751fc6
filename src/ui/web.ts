import type { RefObject } from 'react';
import type { TextStyle, View, ViewStyle } from 'react-native';

/** What the web knows besides the styles React Native has types for. */
interface WebStyle {
  cursor?: 'grab' | 'move' | 'ew-resize' | 'auto';
  touchAction?: 'pan-y' | 'manipulation' | 'none';
  clipPath?: string;
  filter?: string;
  display?: 'grid';
  gridTemplateColumns?: string;
}

/** Styles of the web, as a view takes them there. */
export const webStyle = (style: WebStyle): ViewStyle => style as ViewStyle;

/**
 * A column of parts below each other, as a grid of one track. A flex column measures every part anew when a figure in one
 * of them changes: on a phone that was a quarter of the time of a drag.
 */
export const GRID_COLUMN = webStyle({ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)' });

/** The same, as a text takes them. */
export const webTextStyle = (style: WebStyle): TextStyle => style as TextStyle;

/** The element a view is on the web; null where it is not drawn, and in tests, which draw none. */
export function elementOf(ref: RefObject<View | null>): HTMLElement | null {
  const element: unknown = ref.current;
  return typeof HTMLElement === 'function' && element instanceof HTMLElement ? element : null;
}

type Attach = (view: View | null) => void;
const attached = new WeakMap<(element: HTMLElement | null) => void, Attach>();

/** A function that takes an element, as the ref of the view that is one; always the same one, so that nothing is attached anew. */
export function refOf(take: (element: HTMLElement | null) => void): Attach {
  let attach = attached.get(take);
  if (!attach) attached.set(take, (attach = (view) => take(elementOf({ current: view }))));
  return attach;
}
