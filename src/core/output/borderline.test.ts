import * as fc from 'fast-check';
import { showError, showQuantity } from '../quantity/quantityText';
import { computed } from '../quantity/quantity';
import { verdictOf } from './verdict';
import { VERDICT_WORDS, countAgainst, verdictSentence } from './verdictWords';

const quantity = (value: number, plusMinus?: number) =>
  computed(value, 'px', () => ({ name: '', formula: '', inputs: [], source: '' }), plusMinus);

/** A number as it stands in a sentence. */
const read = (text: string) => Number(text.replaceAll(',', ''));

it('is neither enough nor not enough where the error reaches across the need', () => {
  expect(verdictOf(1402, 1417, 90)).toBe('borderline');
  expect(verdictOf(1420, 1417, 90)).toBe('borderline');
  expect(verdictOf(1320, 1417, 90)).toBe('notEnough');
  expect(verdictOf(1510, 1417, 90)).toBe('enough');
  expect(verdictOf(1417, 1417)).toBe('enough');
  expect(VERDICT_WORDS.borderline('Print 30 × 20')).toBe('Borderline for Print 30 × 20');
});

it('says both sides with the error, in numbers that fit the verdict', () => {
  const sentence = verdictSentence({
    countedPixels: quantity(1402, 90),
    neededPixels: quantity(1417),
    judgeBy: 'resolved',
  });
  expect(sentence).toBe('1,400\u202f±\u202f90\u202fpx resolved, 1,417 needed');
});

it('every sentence with two numbers and a verdict reads as it was judged', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 30, max: 20_000, noNaN: true }),
      fc.double({ min: 0.5, max: 2.5, noNaN: true }),
      fc.option(fc.double({ min: 0.001, max: 0.4, noNaN: true })),
      (needed, times, share) => {
        const counted = needed * times;
        const plusMinus = share === null ? undefined : counted * share;
        const verdict = verdictOf(counted, needed, plusMinus);
        const texts = countAgainst(quantity(counted, plusMinus), { value: needed });
        const [count, need] = [read(texts.counted), read(texts.needed)];
        if (verdict === 'notEnough') expect(count).toBeLessThan(need);
        if (verdict === 'enough' || verdict === 'more') expect(count).toBeGreaterThanOrEqual(need);
        if (verdict === 'borderline') expect(Math.abs(counted - needed)).toBeLessThanOrEqual(plusMinus! * (1 + 1e-9));
      },
    ),
  );
});

it('an error stands in the unit of its value', () => {
  const metres = (value: number, plusMinus: number) => ({ value, unit: 'm', plusMinus }) as const;
  for (const [value, plusMinus, shown, error] of [
    [3.57, 0.02, '3.57 m', '0.02'],
    [0.251, 0.009, '25.1 cm', '0.9'],
    [0.004, 0.0003, '4 mm', '0.3'],
    [60, 2, '60 m', '2'],
  ] as const) {
    const { number, unit } = showQuantity(metres(value, plusMinus), 'metric');
    expect(`${number} ${unit}`).toBe(shown);
    expect(showError(metres(value, plusMinus), 'metric')).toBe(`±\u202f${error}`);
  }
  expect(showError({ value: 2100, unit: 'g', plusMinus: 100 }, 'metric')).toBe('±\u202f0.1');
  expect(showError(metres(1, 0.03), 'imperial')).toBe('±\u202f0.1');
});
