import type { Lever } from './levers';

/** Another set-up that draws less than this share of the pixels is no way to this subject. */
const LEAST_SHARE = 0.4;
/** So much more than what is in hand nobody carries along for it, g: a telescope and its mount, not a larger lens. */
const MOST_HEAVIER_G = 5000;

/**
 * Whether a lever is worth offering for the subject in hand. Parts, modes and distances are; another set-up only where it
 * focuses there, draws a fair share of the pixels, and can be carried.
 */
export function suitsSubject({ kind, cannotFocus, comparable, pixelsRatio, weightChangeG }: Lever): boolean {
  if (kind !== 'setup') return true;
  if (cannotFocus) return false;
  if (comparable && pixelsRatio < LEAST_SHARE) return false;
  return (weightChangeG ?? 0) <= MOST_HEAVIER_G;
}
