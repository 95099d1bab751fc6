import { bodyWidth, DISC_BODIES } from './bodyWidth';

describe('how wide a body stands in the sky', () => {
  it('is what almanacs tell', () => {
    // Jupiter at its opposition of 7 December 2024: 48.2″ at 4.089 au. Mars on 16 January 2025: 14.6″ at 0.643 au.
    expect(bodyWidth('Jupiter', '2024-12-07').value).toBeCloseTo((2 * 206_264.8 * 71_492) / (4.089 * 149_597_871), 1);
    expect(bodyWidth('Mars', '2025-01-15').value).toBeCloseTo((2 * 206_264.8 * 3396.2) / (0.643 * 149_597_871), 1);
    expect(bodyWidth('Sun', '2025-01-04').value / 60).toBeCloseTo(32.53, 1);
  });
  it('holds in its error what place and hour change', () => {
    const moon = bodyWidth('Moon', '2026-11-24');
    expect(moon.plusMinus! / moon.value).toBeGreaterThan(0.016);
    expect(moon.plusMinus! / moon.value).toBeLessThan(0.06);
    for (const body of DISC_BODIES) {
      const { value, plusMinus } = bodyWidth(body, '2026-11-24');
      expect(value).toBeGreaterThan(2);
      expect(plusMinus!).toBeGreaterThan(0);
      if (body !== 'Moon') expect(plusMinus! / value).toBeLessThan(0.03);
    }
  });
});
