import { root } from '../quantity/root';

/** Beyond this no single exposure is meant, s. */
export const LONGEST_S = 3600;

/**
 * The longest exposure in which a star runs no farther than allowed.
 *
 * @param driftAt how far it runs in a time, same unit as `allowed`; grows with time
 * @returns seconds; `LONGEST_S` where it never runs that far, as at the pole
 */
export function longestTimeS(driftAt: (seconds: number) => number, allowed: number): number {
  if (driftAt(LONGEST_S) <= allowed) return LONGEST_S;
  // A star runs nearly evenly, so the time lies close to where one second puts it.
  const guess = allowed / Math.max(1e-12, driftAt(1));
  let high = Math.min(LONGEST_S, guess * 1.05 + 1e-6);
  while (driftAt(high) < allowed && high < LONGEST_S) high = Math.min(LONGEST_S, high * 2);
  const low = driftAt(guess * 0.9) <= allowed ? guess * 0.9 : 0;
  return root((seconds) => driftAt(seconds) - allowed, Math.min(low, high), high, 1e-9);
}
