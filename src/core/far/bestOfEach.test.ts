import fc from 'fast-check';
import { bestOfEach } from './bestOfEach';

it('marks what nothing beats, by hand', () => {
  const things = [
    { offers: 1000, asks: 5 },
    { offers: 900, asks: 6 },
    { offers: 500, asks: 2 },
    { offers: 500, asks: 2 },
    { offers: 500, asks: 3 },
    { offers: undefined, asks: 1 },
    { offers: 2000, asks: undefined },
  ];
  expect(bestOfEach(things)).toEqual([true, false, true, true, false, false, false]);
  expect(bestOfEach([])).toEqual([]);
});

it('agrees with comparing everything with everything', () => {
  const number = fc.oneof(fc.integer({ min: -5, max: 5 }), fc.constant(undefined));
  fc.assert(
    fc.property(fc.array(fc.record({ offers: number, asks: number }), { maxLength: 30 }), (things) => {
      const beaten = things.map(
        (one) =>
          one.offers === undefined ||
          one.asks === undefined ||
          things.some(
            (other) =>
              other.offers !== undefined &&
              other.asks !== undefined &&
              other.offers >= one.offers! &&
              other.asks <= one.asks! &&
              (other.offers > one.offers! || other.asks < one.asks!),
          ),
      );
      expect(bestOfEach(things)).toEqual(beaten.map((each) => !each));
    }),
  );
});
