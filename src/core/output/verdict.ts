/** Judgement of a reading for an output: the three zones of the scale. */
export type Verdict = 'notEnough' | 'borderline' | 'enough' | 'more';

/** Beyond this multiple of the need the output shows no more; up to it the surplus is room to crop. */
export const MORE_THAN_USED = 2;

/**
 * Judges a count of pixels against what the output needs. Where the error of the count reaches across the need, the answer is
 * neither enough nor not enough.
 *
 * @param plusMinus half-width of the range the count is expected in; nothing where it is exact
 */
export function verdictOf(pixels: number, needed: number, plusMinus = 0): Verdict {
  // A hair of tolerance, so that "go to the distance that is just enough" is enough when one goes there.
  const isEnough = (count: number) => count >= needed * (1 - 1e-9);
  if (isEnough(pixels + plusMinus) !== isEnough(pixels - plusMinus)) return 'borderline';
  if (!isEnough(pixels)) return 'notEnough';
  return pixels <= needed * MORE_THAN_USED ? 'enough' : 'more';
}
