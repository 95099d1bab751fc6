import type { Viewport } from './viewport';

/** How an upper picture lies on a lower one. */
export interface Register {
  /** Pixels of the lower picture that one of the upper is as large as. */
  times: number;
  /** A place of the lower picture, and the place of the upper that lies on it; px. */
  on: readonly [number, number];
  of: readonly [number, number];
  /** How far the upper is turned about that place, degrees from +x towards +y. */
  turnDeg?: number | undefined;
}

/** Where the upper picture lies on the screen, when it is known where the lower does. */
export function upperView(lower: Viewport, { times, on, of }: Register): Viewport {
  const scale = lower.scale * times;
  return {
    scale,
    x: lower.x + (on[0] + 0.5) * lower.scale - (of[0] + 0.5) * scale,
    y: lower.y + (on[1] + 0.5) * lower.scale - (of[1] + 0.5) * scale,
  };
}

/** The upper picture moved by so many px of the screen. */
export const shifted = (register: Register, lower: Viewport, dx: number, dy: number): Register => ({
  ...register,
  on: [register.on[0] + dx / lower.scale, register.on[1] + dy / lower.scale],
});

/** What is of interest of a picture in the middle of the screen, over two thirds of its width. */
export function closeUp(
  { at, spanPx }: { at: readonly [number, number]; spanPx: number },
  screen: { width: number; height: number },
): Viewport {
  const scale = Math.min(40, (0.66 * Math.min(screen.width, screen.height * 1.5)) / Math.max(1, spanPx));
  return { scale, x: screen.width / 2 - (at[0] + 0.5) * scale, y: screen.height / 2 - (at[1] + 0.5) * scale };
}

/** A view made larger or smaller about a place of the screen, wherever the picture then lies. */
export function enlarged(view: Viewport, by: number, about: readonly [number, number]): Viewport {
  const scale = Math.max(0.005, Math.min(40, view.scale * by));
  const share = scale / view.scale;
  return { scale, x: about[0] - (about[0] - view.x) * share, y: about[1] - (about[1] - view.y) * share };
}
