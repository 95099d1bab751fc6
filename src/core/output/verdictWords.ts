import type { SubjectCount } from '../detail/subjectCount';
import { showQuantity } from '../quantity/quantityText';
import type { OutputSpec } from './needs';
import type { Verdict } from './verdict';

/** A mark that tells the verdicts apart by shape, for those who do not see colours or have none at night. */
export const VERDICT_MARK: Record<Verdict, string> = { notEnough: '▽', enough: '●', more: '▲' };

export const VERDICT_WORDS: Record<Verdict, (output: string) => string> = {
  notEnough: (output) => `Not enough for ${output}`,
  enough: (output) => `Enough for ${output}`,
  more: (output) => `More than ${output} uses`,
};

/** Names of the zones on the scale, after what the picture is for. */
export const zoneNames = (output: OutputSpec) => ({
  short: `too few for ${output.name}`,
  enough: `enough for ${output.name}`,
  more: 'more than it uses',
});

/** The verdict as one sentence with its numbers. */
export function verdictSentence(reading: Pick<SubjectCount, 'countedPixels' | 'neededPixels' | 'judgeBy'>): string {
  const counted = showQuantity(reading.countedPixels, 'metric').number;
  const needed = showQuantity(reading.neededPixels, 'metric').number;
  const what = reading.judgeBy === 'resolved' ? 'resolved' : 'in all';
  return `${counted}\u202fpx ${what}, ${needed} needed`;
}
