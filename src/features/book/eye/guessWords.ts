import type { Ask } from '@/core/train/exercise';
import type { Judged } from '@/core/train/judge';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';

type Amount = Extract<Ask, { type: 'amount' }>;

/** An amount as it is told. */
export function amountText({ unit }: Pick<Amount, 'unit'>, value: number): string {
  if (unit === 'px') return `${formatFixed(Number(value.toPrecision(3)))}\u202fpx`;
  return unit === ':1' ? formatRatio(value) : showFNumber(value);
}

/** A guess and the truth in words. */
export function guessWords(ask: Ask, guess: string | number): { guess: string; truth: string } {
  if (ask.type === 'amount') return { guess: amountText(ask, Number(guess)), truth: amountText(ask, ask.truth) };
  const textOf = (id: string | number) => ask.options.find((each) => each.id === id)?.text ?? String(id);
  return { guess: textOf(guess), truth: textOf(ask.right) };
}

/** What came of a guess, in one sentence. */
export function verdictWords(ask: Ask, guess: string | number, { right, offDoublings }: Judged): string {
  const words = guessWords(ask, guess);
  if (ask.type === 'choice')
    return right ? `Right: “${words.truth}”.` : `Not this time. You said “${words.guess}”; it is “${words.truth}”.`;
  const times = 2 ** (offDoublings ?? 0);
  const off =
    times < 1.02 ? 'met' : `${formatFigures(times, 2)} times too ${Number(guess) > ask.truth ? 'much' : 'little'}`;
  return `${right ? 'Right' : 'Not this time'}: you said ${words.guess}, it is ${words.truth}: ${off}.`;
}
