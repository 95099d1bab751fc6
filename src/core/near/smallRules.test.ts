import * as fc from 'fast-check';
import { measured } from '../quantity/quantity';
import { engraved, thirdStops } from './apertureCurve';
import { handHoldQuantity, learnedHandHold, type HeldPicture } from './handHold';
import { HAND_RATIO_NAMES, handRatioInUse } from './handRatioInUse';
import { impliedByTubesMm, measureByMarks, measureByRuler, nominalRatio } from './measureRatio';
import { subsets } from './subsets';
import { suitsClose } from './suitsClose';

const sharp = (ratio: number): HeldPicture => ({ ratio, sharp: true });
const blurred = (ratio: number): HeldPicture => ({ ratio, sharp: false });

describe('the ratio held by hand', () => {
  it('leaves the fewest pictures on the wrong side, as counting all of them for every limit says', () => {
    // 0.9 leaves three sharp ones above it, 1.3 one blurred one below it.
    expect(learnedHandHold([blurred(1), sharp(1.1), sharp(0.9), sharp(1.2), sharp(1.3)])).toEqual({
      ratio: 1.3,
      pictures: 5,
    });
    // 1 leaves 2 above it, 2 leaves the two blurred ones below it: of two as good the larger, in either order.
    for (const row of [
      [sharp(1), blurred(1.5), blurred(2), sharp(2), sharp(2)],
      [sharp(2), sharp(2), blurred(2), blurred(1.5), sharp(1)],
    ])
      expect(learnedHandHold(row)?.ratio).toBe(2);
    // A blurred one at the limit itself stands on the wrong side; a sharp one does not.
    expect(learnedHandHold([sharp(1), blurred(2), blurred(2), sharp(2)])?.ratio).toBe(1);
    const pictures = fc.array(fc.record({ ratio: fc.integer({ min: 1, max: 6 }), sharp: fc.boolean() }), {
      minLength: 1,
      maxLength: 12,
    });
    fc.assert(
      fc.property(pictures, (held) => {
        const limits = [...new Set(held.filter((each) => each.sharp).map((each) => each.ratio))];
        let [most, least] = [0, Infinity];
        for (const limit of limits.sort((a, b) => a - b)) {
          let wrong = 0;
          for (const each of held) {
            if (each.sharp && each.ratio > limit) wrong += 1;
            if (!each.sharp && each.ratio <= limit) wrong += 1;
          }
          if (wrong <= least) [most, least] = [limit, wrong];
        }
        expect(learnedHandHold(held)).toEqual(limits.length ? { ratio: most, pictures: held.length } : null);
      }),
    );
  });

  it('is told with the number of pictures it is known from', () => {
    const several = handHoldQuantity({ ratio: 1.3, pictures: 5 });
    expect(several).toMatchObject({ value: 1.3, unit: ':1', kind: 'measured' });
    expect(several.why).toMatchObject({ name: 'Ratio held by hand, yours', inputs: [] });
    expect(several.why.source).toMatch(/sharp one of 5 pictures in the Book/);
    expect(handHoldQuantity({ ratio: 1, pictures: 1 }).why.source).toMatch(/sharp one of 1 picture in the Book/);
  });

  it('is one’s own or the one entered, as chosen, and shows both', () => {
    const own = measured(1.3, ':1', () => ({ name: 'Own', formula: '', inputs: [], source: '' }), 0.2);
    expect(handRatioInUse(2, null, 'own')).toMatchObject({ value: 2, unit: ':1', kind: 'given' });
    expect(handRatioInUse(2, null, 'own').why.schools).toBeUndefined();
    for (const [by, value] of [
      ['own', 1.3],
      ['entered', 2],
    ] as const) {
      const used = handRatioInUse(2, own, by);
      expect(used.value).toBe(value);
      expect(used.why.schools).toEqual([
        {
          preference: 'handRatioBy',
          choice: 'own',
          name: HAND_RATIO_NAMES.own,
          value: 1.3,
          plusMinus: 0.2,
          chosen: by === 'own',
        },
        {
          preference: 'handRatioBy',
          choice: 'entered',
          name: HAND_RATIO_NAMES.entered,
          value: 2,
          plusMinus: undefined,
          chosen: by === 'entered',
        },
      ]);
    }
  });
});

it('another set-up is offered close up only where it comes to 0.4 of the ratio in hand; anything else always', () => {
  expect(suitsClose({ kind: 'setup', ratioChange: 0.4 })).toBe(true);
  expect(suitsClose({ kind: 'setup', ratioChange: 0.39 })).toBe(false);
  expect(suitsClose({ kind: 'setup', ratioChange: 3 })).toBe(true);
  expect(suitsClose({ kind: 'chain', ratioChange: 0.1 })).toBe(true);
});

describe('totals of a set', () => {
  const sum = (a: number, b: number) => a + b;

  it('stand in order, each with the fewest pieces, whatever the order of the pieces', () => {
    expect(subsets([12, 20, 32], 0, sum)).toEqual([
      { total: 0, indexes: [] },
      { total: 12, indexes: [0] },
      { total: 20, indexes: [1] },
      { total: 32, indexes: [2] },
      { total: 44, indexes: [0, 2] },
      { total: 52, indexes: [1, 2] },
      { total: 64, indexes: [0, 1, 2] },
    ]);
    expect(subsets([32, 12, 20], 0, sum).map(({ total, indexes }) => [total, indexes.length])).toEqual([
      [0, 0],
      [12, 1],
      [20, 1],
      [32, 1],
      [44, 2],
      [52, 2],
      [64, 3],
    ]);
    // 0.1 + 0.2 is 0.3 but for the last digit: one total, of one piece.
    for (const values of [
      [0.1, 0.2, 0.3],
      [0.3, 0.2, 0.1],
    ])
      expect(subsets(values, 0, sum).map(({ indexes }) => indexes.length)).toEqual([0, 1, 1, 1, 2, 2, 3]);
  });

  it('are all that some of the pieces give, by trying every choice', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 40 }), { maxLength: 6 }),
        fc.constantFrom<[number, (a: number, b: number) => number]>([0, sum], [1, (a, b) => a * (1 + b / 10)]),
        (values, [empty, combine]) => {
          const fewest = new Map<string, number>();
          for (let mask = 0; mask < 2 ** values.length; mask += 1) {
            const chosen = values.filter((_, i) => (mask >> i) % 2 === 1);
            const total = chosen.reduce(combine, empty).toPrecision(9);
            fewest.set(total, Math.min(chosen.length, fewest.get(total) ?? Infinity));
          }
          const found = subsets(values, empty, combine);
          expect(found.map(({ total }) => total.toPrecision(9)).sort()).toEqual([...fewest.keys()].sort());
          for (const { total, indexes } of found) {
            expect(indexes.map((i) => values[i]!).reduce(combine, empty)).toBeCloseTo(total, 9);
            expect(indexes.length).toBe(fewest.get(total.toPrecision(9)));
          }
        },
      ),
    );
  });
});

describe('engraved f-numbers', () => {
  it('are the nearest third of a stop', () => {
    expect([1, 1.42, 2.83, 3.56, 5.66, 7.13, 11.3, 22.6, 45].map(engraved)).toEqual([
      1, 1.4, 2.8, 3.5, 5.6, 7.1, 11, 22, 45,
    ]);
    // Nearest on the scale of stops: between 4 and 4.5 that is their geometric mean, 4.243.
    expect([engraved(4.24), engraved(4.25)]).toEqual([4, 4.5]);
    expect(engraved(100)).toBe(45);
  });

  it('go from the widest to the smallest; one that is not engraved stands first, not beside its neighbour', () => {
    // Engraved 5.6 stands for 5.66, and 45 for 45.25: the last is there all the same.
    expect(thirdStops(40, 45)).toEqual([40, 45]);
    expect(thirdStops(64, 64)).toEqual([64]);
    expect(thirdStops(2.8, 5.6)).toEqual([2.8, 3.2, 3.5, 4, 4.5, 5, 5.6]);
    expect(thirdStops(2.9, 4)).toEqual([2.9, 3.2, 3.5, 4]);
    // 3.35 is within 3 % of no engraved one but lies above 3.2, where counting began.
    expect(thirdStops(3.35, 4.5)).toEqual([3.35, 3.5, 4, 4.5]);
    // 3.45 and 3.5 would be the same to the eye.
    expect(thirdStops(3.45, 4.5)).toEqual([3.45, 4, 4.5]);
    expect(thirdStops(0.95, 1.4)).toEqual([0.95, 1, 1.1, 1.2, 1.4]);
    expect(thirdStops(8, 8)).toEqual([8]);
    expect(thirdStops(4, 8)).toHaveLength(7);
  });
});

describe('a measured ratio', () => {
  it('refuses what was not counted, and says which field', () => {
    for (const nothing of [0, -3, Number.NaN]) {
      expect(measureByRuler(36, nothing)).toMatchObject({ problem: { code: 'ruler.visible', field: 'visibleMm' } });
      expect(measureByMarks(nothing, 4, 10)).toMatchObject({ problem: { code: 'marks.pixels', field: 'pixels' } });
      expect(measureByMarks(3000, 4, nothing)).toMatchObject({ problem: { code: 'marks.real', field: 'realMm' } });
    }
    expect(measureByRuler(36, 0.5)).toMatchObject({ problem: { code: 'ruler.error', field: 'visiblePlusMinusMm' } });
    expect(measureByRuler(36, 0.51).ok).toBe(true);
  });

  it('has the error of both lengths', () => {
    const marks = measureByMarks(3000, 5, 12, 0.3, 6);
    // 15 mm on the sensor for 12 mm; 6/3000 and 0.3/12.
    expect(marks).toMatchObject({ ok: true, value: { ratio: 1.25, nominal: 1.25 } });
    if (marks.ok) expect(marks.value.plusMinus).toBeCloseTo(1.25 * Math.hypot(0.002, 0.025), 12);
  });

  it('agrees with a round one only within its error', () => {
    expect(nominalRatio(1, 0)).toBe(1);
    // 0.4 : 1 is 1 : 2.5, its half is the roundest within the error; 1 : 2 is not.
    expect(nominalRatio(0.41, 0.02)).toBeCloseTo(0.4, 12);
    expect(nominalRatio(0.41, 0.095)).toBe(0.5);
    expect(nominalRatio(1.3, 0.06)).toBe(1.25);
    expect(nominalRatio(1.34, 0.001)).toBeUndefined();
    // Exactly as far off as the error allows is near enough.
    expect(nominalRatio(2.25, 0.25)).toBe(2);
  });

  it('implies a focal length only where tubes added to it', () => {
    expect(impliedByTubesMm(1, 1, 36)).toBeNull();
    expect(impliedByTubesMm(1.5, 1, 0)).toBeNull();
    expect(impliedByTubesMm(1.5, 1, 36)).toBe(72);
  });
});
