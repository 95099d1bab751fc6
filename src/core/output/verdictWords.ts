import type { Verdict } from './verdict';

/** A mark that tells the verdicts apart by shape, for those who do not see colours or have none at night. */
export const VERDICT_MARK: Record<Verdict, string> = { notEnough: '▽', enough: '●', more: '▲' };

export const VERDICT_WORDS: Record<Verdict, (output: string) => string> = {
  notEnough: (output) => `Not enough for ${output}`,
  enough: (output) => `Enough for ${output}`,
  more: (output) => `More than ${output} uses`,
};
