import { demoBodies, demoOptics } from '@/demo/kit';
import { withLight } from './lightOfBody';
import { knownOf, withSharpness } from './sharpnessOfLens';

const lens = demoOptics.macro100.data;
const middle = { focalMm: 100, fNumber: 4, lpPerMm: 88.26, plusMinus: 2.345, corner: false };

describe('what was measured of a lens', () => {
  it('stands by focal length and f-number, and replaces what stood there', () => {
    const once = withSharpness(lens, [middle, { ...middle, fNumber: 2.8, lpPerMm: 70 }]);
    expect(once.sharpness).toEqual([
      { focalMm: 100, fNumber: 2.8, lens50LpPerMm: 70, plusMinusLpPerMm: 2.35 },
      { focalMm: 100, fNumber: 4, lens50LpPerMm: 88.3, plusMinusLpPerMm: 2.35 },
    ]);
    const corner = withSharpness(once, [{ ...middle, fNumber: 4.02, lpPerMm: 61, corner: true }]);
    expect(corner.sharpness?.[1]).toEqual({
      focalMm: 100,
      fNumber: 4,
      lens50LpPerMm: 88.3,
      plusMinusLpPerMm: 2.35,
      lens50CornerLpPerMm: 61,
    });
    expect(withSharpness(corner, [{ ...middle, lpPerMm: 90 }]).sharpness).toHaveLength(2);
    // The lens in the kit is left as it was.
    expect(lens.sharpness).toBeUndefined();
  });
  it('is told before it is replaced', () => {
    const once = withSharpness(lens, [middle]);
    expect(knownOf(once, middle)).toBe('So far 88.3 lp/mm was measured at f/4.');
    expect(knownOf(once, { ...middle, corner: true })).toMatch(/entered|of the class/);
    expect(knownOf({ ...lens, lens50LpPerMm: undefined }, middle)).toMatch(/of the class “/);
    expect(knownOf({ ...lens, lens50LpPerMm: 92 }, middle)).toMatch(/92 lp\/mm is entered for .*at any f-number/);
  });
});

describe('what was measured of a sensor', () => {
  const found = { fullWell: { value: 26_123.456, plusMinus: 131.2345 }, readNoise: { value: 4.01234, plusMinus: 0.1 } };
  it('stands by ISO, and replaces what stood there', () => {
    const once = withLight({ ...demoBodies.quillon.data }, 400, found);
    expect(once.light).toEqual([
      { iso: 400, fullWellE: 26_123, readNoiseE: 4.0123, fullWellPlusMinusE: 131.23, readNoisePlusMinusE: 0.1 },
    ]);
    const twice = withLight(withLight(once, 100, found), 400, { ...found, readNoise: { value: 3, plusMinus: 0.2 } });
    expect(twice.light?.map(({ iso, readNoiseE }) => [iso, readNoiseE])).toEqual([
      [100, 4.0123],
      [400, 3],
    ]);
  });
});
