/** Judgement of a reading for an output: the three zones of the scale. */
export type Verdict = 'notEnough' | 'enough' | 'more';

/** Beyond this multiple of the need the output shows no more; up to it the surplus is room to crop. */
export const MORE_THAN_USED = 2;

/**
 * Zone in which a count of pixels falls.
 *
 * @param pixels pixels on the subject that count (resolved ones, unless the person counts all)
 * @param needed pixels the output needs on the subject
 */
export function verdictOf(pixels: number, needed: number): Verdict {
  // A hair of tolerance, so that "go to the distance that is just enough" is enough when one goes there.
  if (pixels < needed * (1 - 1e-9)) return 'notEnough';
  return pixels <= needed * MORE_THAN_USED ? 'enough' : 'more';
}
