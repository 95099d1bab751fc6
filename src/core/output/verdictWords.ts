import type { SubjectCount } from '../detail/subjectCount';
import type { Quantity } from '../quantity/quantity';
import { roundedAsShown, showError, showQuantity } from '../quantity/quantityText';
import type { OutputSpec } from './needs';
import { verdictOf, type Verdict } from './verdict';

/** A mark that tells the verdicts apart by shape, for those who do not see colours or have none at night. */
export const VERDICT_MARK: Record<Verdict, string> = {
  notEnough: '▽',
  borderline: '◐',
  enough: '●',
  more: '▲',
};

export const VERDICT_WORDS: Record<Verdict, (output: string) => string> = {
  notEnough: (output) => `Not enough for ${output}`,
  borderline: (output) => `Borderline for ${output}`,
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
export function verdictSentence({
  countedPixels,
  neededPixels,
  judgeBy,
}: Pick<SubjectCount, 'countedPixels' | 'neededPixels' | 'judgeBy'>): string {
  const verdict = verdictOf(countedPixels.value, neededPixels.value, countedPixels.plusMinus);
  const what = judgeBy === 'resolved' ? 'resolved' : 'in all';
  const error = verdict === 'borderline' ? `\u202f${showError(countedPixels, 'metric')}` : '';
  const { counted, needed } = countAgainst(countedPixels, neededPixels);
  return `${counted}${error}\u202fpx ${what}, ${needed} needed`;
}

/**
 * A count and what is needed, rounded so that the comparison still reads as it was judged: rounding never lifts what is too
 * little to the need, nor takes what is enough below it.
 */
export function countAgainst(
  counted: Pick<Quantity, 'value' | 'unit' | 'plusMinus'>,
  needed: Pick<Quantity, 'value'>,
): { counted: string; needed: string } {
  const need = Math.round(needed.value);
  const px = (value: number) => showQuantity({ value, unit: 'px' }, 'metric').number;
  const enough = counted.value >= needed.value * (1 - 1e-9);
  const shown = roundedAsShown(counted.value, counted.plusMinus);
  if (enough ? shown >= need : shown < need)
    return { counted: showQuantity(counted, 'metric').number, needed: px(need) };
  const whole = enough ? Math.max(Math.round(counted.value), need) : Math.min(Math.floor(counted.value), need - 1);
  return { counted: px(whole), needed: px(need) };
}
