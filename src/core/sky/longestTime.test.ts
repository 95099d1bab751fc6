import * as fc from 'fast-check';
import { LONGEST_S, longestTimeS } from './longestTime';

/** A drift and how often it was asked for. */
function counted(drift: (seconds: number) => number): { at: (seconds: number) => number; asked: () => number } {
  let times = 0;
  return {
    at: (seconds) => {
      times += 1;
      return drift(seconds);
    },
    asked: () => times,
  };
}

describe('the longest time a star may run', () => {
  it('is the one in which it runs as far as allowed, whether it runs evenly, slower and slower, or faster and faster', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 50, noNaN: true }),
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        fc.double({ min: 0.5, max: LONGEST_S - 1, noNaN: true }),
        (speed, power, seconds) => {
          const drift = (t: number) => speed * t ** power;
          expect(longestTimeS(drift, drift(seconds)) / seconds).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  it('is an hour where it runs no farther than allowed in one, to the point', () => {
    expect(longestTimeS((t) => t / LONGEST_S, 1)).toBe(LONGEST_S);
    expect(longestTimeS((t) => t / LONGEST_S, 1.5)).toBe(LONGEST_S);
    expect(longestTimeS(() => 0, 0)).toBe(LONGEST_S);
    expect(longestTimeS((t) => (1.000001 * t) / LONGEST_S, 1)).toBeLessThan(LONGEST_S);
  });

  it('is found where one second puts it, nearly: an even run takes a handful of looks, not one for every halving', () => {
    for (const seconds of [0.03, 2, 40, 3000]) {
      const { at, asked } = counted((t) => 0.37 * t);
      expect(longestTimeS(at, 0.37 * seconds)).toBeCloseTo(seconds, 9);
      expect(asked()).toBeLessThanOrEqual(9);
    }
  });

  it('is found beyond that too, where a star slows down on its way, and before it, where it gains', () => {
    const { at: slowing, asked } = counted((t) => 5 * (1 - Math.exp(-t / 600)));
    // 5·(1 − e^(−t/600)) = 4.5 at t = 600·ln 10, five times beyond where the first second puts it.
    expect(longestTimeS(slowing, 4.5)).toBeCloseTo(600 * Math.log(10), 4);
    expect(asked()).toBeLessThan(30);
    expect(longestTimeS((t) => t ** 2, 900)).toBeCloseTo(30, 6);
  });
});
