import fc from 'fast-check';
import { root } from './root';

it('finds the root of a cubic wherever it lies in the interval', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -50, max: 50, noNaN: true }),
      fc.double({ min: 0.1, max: 60, noNaN: true }),
      fc.double({ min: 0.1, max: 60, noNaN: true }),
      (at, below, above) => {
        const found = root((x) => (x - at) ** 3 + (x - at), at - below, at + above);
        expect(Math.abs(found - at)).toBeLessThan(1e-9 * Math.max(1, Math.abs(at)));
      },
    ),
  );
});

it('takes few evaluations', () => {
  let calls = 0;
  expect(
    root(
      (x) => {
        calls += 1;
        return Math.exp(-x) - 0.15;
      },
      0,
      40,
    ),
  ).toBeCloseTo(-Math.log(0.15), 12);
  expect(calls).toBeLessThan(25);
});

it('stays in the interval and gives the better end when nothing crosses', () => {
  expect(root((x) => x + 10, 0, 5)).toBe(0);
  expect(root((x) => x - 10, 0, 5)).toBe(5);
});
