import { lazy } from 'react';
import { create } from 'zustand';

/** How long to wait before a part that did not arrive is asked for again. */
const AGAIN_MS = 2000;

/** How many parts of the application are being waited for in vain. */
export const useMissingParts = create<{ count: number }>()(() => ({ count: 0 }));

/** Whether a part did not arrive; a fault inside one that did is no reason to ask again. */
const didNotArrive = (error: unknown): boolean =>
  error instanceof Error && (error.name === 'AsyncRequireError' || /^Loading module .* failed/.test(error.message));

/** Told at a key whose part is fetched when it is pressed, and does not arrive. */
export const MISSING_PART =
  'This part of Jauge did not arrive. Start the server again, then try again: what is entered stays.';

/** Fetches a part for a key that is pressed; null where it does not arrive. */
export async function partOrNull<T>(load: () => Promise<T>): Promise<T | null> {
  try {
    return await load();
  } catch (error) {
    if (!didNotArrive(error)) throw error;
    return null;
  }
}

/** Asks until it is there: a server that is stopped comes back, and nothing on the screen is lost meanwhile. */
async function patiently<T>(load: () => PromiseLike<T>): Promise<T> {
  let missed = false;
  for (;;) {
    try {
      const part = await load();
      if (missed) useMissingParts.setState(({ count }) => ({ count: count - 1 }));
      return part;
    } catch (error) {
      if (!didNotArrive(error)) throw error;
      if (!missed) useMissingParts.setState(({ count }) => ({ count: count + 1 }));
      missed = true;
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
  }
}

/** A part of the application that is fetched when it is first shown. When it does not arrive, it is asked for again. */
export const lazyPart: typeof lazy = (load) => lazy(() => patiently(load));
