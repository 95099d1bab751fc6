import { radiusOf, withinOf } from './within';

describe('how many deviations hold 95 %', () => {
  it('of one value is Student’s, as tabulated', () => {
    // Two-sided, 95 %: Student's table.
    for (const [free, tabulated] of [
      [4, 2.776],
      [7, 2.365],
      [11, 2.201],
      [15, 2.131],
      [60, 2.0],
    ] as const)
      expect(withinOf(free) / tabulated).toBeCloseTo(1, 1);
    expect(withinOf(15)).toBeCloseTo(2.131, 2);
  });
  it('of a distance in a plane is Fisher’s of two and twice as many', () => {
    // √(2·F) with F of 2 and 2n at 95 %: 3.316 for 30, 4.103 for 10; Rayleigh's √(−2 ln 0.05) without end.
    expect(radiusOf(15)).toBeCloseTo(Math.sqrt(2 * 3.316), 3);
    expect(radiusOf(5)).toBeCloseTo(Math.sqrt(2 * 4.103), 3);
    expect(radiusOf(1e6)).toBeCloseTo(Math.sqrt(-2 * Math.log(0.05)), 4);
  });
});
