import { chance } from '../../simulate/chance';
import { ratioOfBlurs } from './ratioOfBlurs';
import { verdictOf } from './whichHasMore';

/** A number of the normal distribution. Source: Box and Muller. */
const normal = (even: () => number): number => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even());

describe('the verdict', () => {
  it('names one where neither bound lies on the other side, however much farther the other is off', () => {
    expect(verdictOf({ ratio: 1.5, least: 1.1, most: 3 }).more).toBe('b');
    const { ratio, plusMinus } = verdictOf({ ratio: 1.5, least: 1.1, most: 3 });
    expect(ratio - plusMinus).toBeCloseTo(1.1 - 0.045, 9);
    expect(ratio + plusMinus).toBeCloseTo(3.045, 9);
    expect(verdictOf({ ratio: 0.8, least: 0.75, most: 0.85 })).toEqual({
      more: 'a',
      ratio: 0.8,
      plusMinus: expect.closeTo(0.05 + 0.024, 9) as number,
    });
  });
  it('names none where one does', () => {
    expect(verdictOf({ ratio: 1.08, least: 0.95, most: 1.26 }).more).toBe('equal');
    expect(verdictOf({ ratio: 1.08, least: 1.02, most: 1.1 }).more).toBe('equal');
    expect(verdictOf({ ratio: 3.3, least: 0.9, most: 6.8 }).more).toBe('equal');
  });
});

describe('how much more detail one of two pictures has', () => {
  it('is the same told from either of them', () => {
    const [scale, difference] = [1.7, -0.9];
    const together = { value: 2.2, error: 0.3 };
    const fromA = ratioOfBlurs({ value: difference, error: 0.05 }, 1 / scale ** 2, together);
    // In pixels of the second everything is larger, and the difference is the other way round.
    const fromB = ratioOfBlurs({ value: -difference * scale ** 2, error: 0.05 * scale ** 2 }, scale ** 2, {
      value: together.value * scale ** 2,
      error: together.error * scale ** 2,
    });
    expect(fromA.ratio).toBeGreaterThan(1);
    expect(fromA.ratio * fromB.ratio).toBeCloseTo(1, 1);
  });

  it('is one where nothing differs, and known well there whatever both blur', () => {
    for (const value of [0.4, 2, 6]) {
      const { ratio, least, most } = ratioOfBlurs({ value: 0, error: 0.01 }, 1, { value, error: 0.5 * value });
      expect(ratio).toBeCloseTo(1, 2);
      expect(Math.max(ratio - least, most - ratio)).toBeLessThan(0.06);
    }
  });

  it('grows with the difference', () => {
    const at = (value: number) => ratioOfBlurs({ value: -value, error: 0.02 }, 1, { value: 2, error: 0.3 }).ratio;
    const ratios = [0.1, 0.3, 0.6, 1, 1.4, 1.8].map(at);
    ratios.slice(1).forEach((ratio, i) => expect(ratio).toBeGreaterThan(ratios[i]!));
  });

  it('is not known better than sharp pictures are, where they share too little to tell', () => {
    const { ratio, least, most } = ratioOfBlurs({ value: 9, error: 0.5 }, 9, null);
    expect(ratio).toBeLessThan(0.5);
    expect((most - least) / ratio).toBeGreaterThan(0.8);
    for (const scale of [0.02, 0.2, 5, 50]) {
      const far = ratioOfBlurs({ value: -1 / scale, error: 0.1 }, 1 / scale ** 2, null);
      expect(Object.values(far).every(Number.isFinite)).toBe(true);
      expect(far.least <= far.ratio && far.ratio <= far.most).toBe(true);
    }
  });

  it('holds the truth in about 95 of 100 where blurs are as usual and their sum is as far off as said', () => {
    const { even, between } = chance(4711);
    let [held, named, turned] = [0, 0, 0];
    const count = 400;
    for (let i = 0; i < count; i++) {
      const scale = between(0.5, 2);
      const own = () => Math.max(0.09, 0.7 * Math.exp(normal(even)));
      const [a, b] = [own(), own() / scale ** 2];
      const error = 0.22 * (a + b);
      const together = { value: a + b + error * normal(even), error };
      const known = { value: b - a + 0.03 * (a + b) * normal(even), error: 0.03 * (a + b) };
      const found = ratioOfBlurs(known, 1 / scale ** 2, together);
      const { more, ratio, plusMinus } = verdictOf(found);
      if (found.least <= Math.sqrt(a / b) && Math.sqrt(a / b) <= found.most) held++;
      // A winner is named only where the ± leaves the other out, and then it is the right one.
      if (more === 'equal') expect(Math.abs(ratio - 1)).toBeLessThanOrEqual(plusMinus);
      else {
        named++;
        expect(plusMinus).toBeLessThan(Math.abs(ratio - 1));
        if (more !== (a > b ? 'b' : 'a')) turned++;
      }
    }
    expect(named).toBeGreaterThan(0.8 * count);
    expect(turned).toBeLessThan(0.01 * count);
    expect(held / count).toBeGreaterThan(0.9);
    expect(held / count).toBeLessThan(0.985);
  });
});
