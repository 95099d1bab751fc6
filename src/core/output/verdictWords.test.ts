import fc from 'fast-check';
import { computed, type Quantity } from '../quantity/quantity';
import { formatChange } from '../quantity/format';
import { quantityText, showError, showQuantity } from '../quantity/quantityText';
import { verdictOf } from './verdict';
import { verdictSentence } from './verdictWords';

const px = (value: number, plusMinus?: number): Quantity =>
  computed(value, 'px', () => ({ name: 'Pixels', formula: '', inputs: [], source: '' }), plusMinus);
const pixels = fc.double({ min: 30, max: 40_000, noNaN: true });
const share = fc.double({ min: 0.6, max: 1.6, noNaN: true });
const error = fc.double({ min: 0, max: 0.3, noNaN: true });
const numberOf = (text: string): number => Number(text.replaceAll(',', ''));

/** What the sentence says, from its letters alone. */
function parsed(sentence: string): { counted: number; error: number; needed: number } {
  const found = /^([\d,.]+)(?:\u202f±\u202f([\d,.]+))?\u202fpx (?:resolved|in all), ([\d,.]+) needed$/.exec(sentence);
  if (!found) throw new Error(sentence);
  const [, counted, plusMinus = '0', needed] = found;
  return { counted: numberOf(counted!), error: numberOf(plusMinus), needed: numberOf(needed!) };
}

describe('a sentence with two numbers and a verdict', () => {
  it('is judged from its letters alone as it was judged', () => {
    fc.assert(
      fc.property(
        pixels,
        share,
        error,
        fc.constantFrom('resolved' as const, 'sampled' as const),
        (need, of, e, judgeBy) => {
          const [countedPixels, neededPixels] = [px(need * of, need * of * e), px(need)];
          const verdict = verdictOf(countedPixels.value, need, countedPixels.plusMinus);
          const said = parsed(verdictSentence({ countedPixels, neededPixels, judgeBy }));
          if (verdict === 'notEnough') expect(said.counted).toBeLessThan(said.needed);
          else if (verdict === 'borderline') {
            // As exactly as the sentence tells its numbers: half a unit of each of their last digits.
            const hair = 0.5 + 0.06 * said.error + 0.5;
            expect(Math.abs(said.counted - said.needed)).toBeLessThanOrEqual(said.error + hair + 0.05 * said.error);
          } else expect(said.counted).toBeGreaterThanOrEqual(said.needed);
        },
      ),
    );
  });
});

describe('numbers and the difference told between them', () => {
  it('agree within what a reader can tell', () => {
    fc.assert(
      fc.property(pixels, share, fc.double({ min: 0.005, max: 0.15, noNaN: true }), (first, of, e) => {
        const [one, two] = [px(first, first * e), px(first * of, first * of * e)];
        const shown = [one, two].map((each) => numberOf(showQuantity(each, 'metric').number));
        const told = Number(
          formatChange(of)
            .replace('−', '-')
            .replace(/[^\d-]/g, ''),
        );
        // Half of the last digit that the error leaves in each, and half a per cent.
        const off = Math.abs((shown[1]! / shown[0]! - 1) * 100 - told);
        expect(off).toBeLessThanOrEqual(0.5 + 100 * e * 0.3 * of + 100 * (1 / first));
      }),
    );
  });

  it('tells an error below 3.55 to two digits, and its value as far', () => {
    expect(quantityText(px(1054, 150), 'metric').replace('\u202f', ' ')).toBe('1,050 px');
    expect([showError(px(1054, 150), 'metric'), showError(px(1228, 14), 'metric')]).toEqual([
      '±\u202f150',
      '±\u202f14',
    ]);
    expect(showQuantity(px(1228.4, 14), 'metric').number).toBe('1,228');
    expect(showQuantity(px(1228.4, 90), 'metric').number).toBe('1,230');
  });
});
