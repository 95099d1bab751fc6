import { assembled } from './assemble';
import type { Kit } from './pieces';
import { fold, serve, type CountBy, type Served, type Want } from './serve';

export const isEnough = ({ counted, needed }: Served): boolean => counted >= needed;

/** How many times what is needed. */
export const spareOf = ({ counted, needed }: Served): number => counted / needed;

/** The one with more to spare. */
export const better = (a: Served | null, b: Served): Served => (a === null || spareOf(b) > spareOf(a) ? b : a);

/** Every set-up of a kit on every want. */
export interface ReadKit {
  /** For each want what the set-ups give that can take it, enough or not. */
  read: Served[][];
  best: (Served | null)[];
  /** Set-ups that were tried. */
  tried: number;
}

/** How many set-ups are read between two words on how far it is. */
const TOLD_EVERY = 20;

/** Reads every set-up that can be put together from a kit on every want. @param onProgress told from 0 to 1 */
export function readKit(
  kit: Kit,
  wants: readonly Want[],
  by: CountBy = {},
  onProgress?: (share: number) => void,
): ReadKit {
  const read = wants.map((): Served[] => []);
  const best = wants.map((): Served | null => null);
  const setups = [...assembled(kit)];
  setups.forEach((setup, at) => {
    if (at % TOLD_EVERY === 0) onProgress?.(at / setups.length);
    const system = fold(setup, by);
    if (!system) return;
    wants.forEach((want, i) => {
      const served = serve(setup, system, want, by);
      if (!served) return;
      best[i] = better(best[i]!, served);
      read[i]!.push(served);
    });
  });
  onProgress?.(1);
  return { read, best, tried: setups.length };
}
