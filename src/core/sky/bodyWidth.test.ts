import { Body, Equator, Horizon, Observer } from 'astronomy-engine';
import * as fc from 'fast-check';
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

const angle = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const day = fc
  .integer({ min: 0, max: 3000 })
  .map((days) => new Date(Date.UTC(2024, 0, 1 + days)).toISOString().slice(0, 10));

describe('the error of a width', () => {
  /** The Moon's distance by the package itself, from where she is seen; midnight comes to some place within half a day of Greenwich's. */
  it('holds what anybody sees of the Moon in that night, wherever they stand', () => {
    fc.assert(
      fc.property(day, angle(-90, 90), angle(-180, 180), angle(-6, 6), (evening, latitude, longitude, hours) => {
        const ms = Date.parse(`${evening}T12:00:00Z`) + (12 - longitude / 15 + hours) * 3_600_000;
        const observer = new Observer(latitude, longitude, 0);
        const { ra, dec, dist } = Equator(Body.Moon, new Date(ms), observer, true, true);
        fc.pre(Horizon(new Date(ms), observer, ra, dec).altitude > 0);
        const seen = 2 * Math.asin(1737.4 / (dist * 149_597_870.7)) * 206_264.806;
        const { value, plusMinus } = bodyWidth('Moon', evening);
        expect(Math.abs(seen - value)).toBeLessThanOrEqual(plusMinus!);
      }),
    );
  });

  it('is for a planet what a day changes, and no more', () => {
    for (const body of DISC_BODIES.filter((each) => each !== 'Moon')) {
      const [before, here, after] = ['2026-03-09', '2026-03-10', '2026-03-11'].map((each) => bodyWidth(body, each));
      const change = Math.max(Math.abs(before!.value - here!.value), Math.abs(after!.value - here!.value));
      expect(here!.plusMinus! / change).toBeCloseTo(1, 1);
    }
  });

  it('says whose width it is, and of which evening', () => {
    const { unit, why } = bodyWidth('Saturn', '2026-11-24');
    expect([unit, why.name]).toEqual(['″', 'Saturn, width in the sky']);
    expect(why.source).toContain('2026-11-24');
  });

  it('is told of Moon, Sun and the planets, each once', () => {
    expect([...DISC_BODIES].sort()).toEqual([
      'Jupiter',
      'Mars',
      'Mercury',
      'Moon',
      'Neptune',
      'Saturn',
      'Sun',
      'Uranus',
      'Venus',
    ]);
  });
});
