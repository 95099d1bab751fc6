import { Body, Equator, GeoVector, Horizon, Observer } from 'astronomy-engine';
import * as fc from 'fast-check';
import { bodyWidth, DISC_BODIES } from './bodyWidth';

describe('how wide a body stands in the sky', () => {
  it('is what almanacs tell', () => {
    // Jupiter at its opposition of 7 December 2024: 48.2″ at 4.089 au. Mars on 16 January 2025: 14.6″ at 0.643 au.
    expect(bodyWidth('Jupiter', '2024-12-07').value).toBeCloseTo((2 * 206_264.8 * 71_492) / (4.089 * 149_597_871), 1);
    expect(bodyWidth('Mars', '2025-01-15').value).toBeCloseTo((2 * 206_264.8 * 3396.2) / (0.643 * 149_597_871), 1);
    expect(bodyWidth('Sun', '2025-01-04').value / 60).toBeCloseTo(32.53, 1);
  });
  it('is what it is at the midnight that ends the day, from the middle of the Earth', () => {
    const km = GeoVector(Body.Moon, new Date('2026-11-25T00:00:00Z'), true).Length() * 149_597_870.7;
    expect(bodyWidth('Moon', '2026-11-24').value).toBeCloseTo(2 * Math.asin(1737.4 / km) * 206_264.806, 3);
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
  it('holds the Moon overhead when she is nearest, which is farther off than in the mean', () => {
    // Full and within hours of her nearest, 2030-12: an Earth's radius makes 1.8 % there, and not 1.66 as at 384,400 km.
    const ms = Date.parse('2030-12-01T18:35:37Z');
    const { dist } = Equator(Body.Moon, new Date(ms), new Observer(0, 171.1, 0), true, true);
    const seen = 2 * Math.asin(1737.4 / (dist * 149_597_870.7)) * 206_264.806;
    const { value, plusMinus } = bodyWidth('Moon', '2030-12-01');
    expect(Math.abs(seen - value)).toBeLessThan(plusMinus!);
  });

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

  it('is for a planet what a day changes and where one stands, and no more', () => {
    for (const body of DISC_BODIES.filter((each) => each !== 'Moon')) {
      const [before, here, after] = ['2026-03-09', '2026-03-10', '2026-03-11'].map((each) => bodyWidth(body, each));
      const change = Math.max(Math.abs(before!.value - here!.value), Math.abs(after!.value - here!.value));
      expect(here!.plusMinus!).toBeGreaterThanOrEqual(0.9999 * change);
      // And an Earth's radius nearer; no planet comes nearer than 0.26 of the Sun's distance.
      expect(here!.plusMinus!).toBeLessThan(1.05 * change + (here!.value * 6400) / (0.26 * 149_597_871));
    }
  });

  it('says whose width it is, and of which evening', () => {
    const { unit, why } = bodyWidth('Saturn', '2026-11-24');
    expect([unit, why.name]).toEqual(['″', 'Saturn, width in the sky']);
    expect(why.source).toContain('2026-11-24');
    // Worked out again from what the formula says, in words of its own.
    for (const body of DISC_BODIES) {
      const { value, why: own } = bodyWidth(body, '2026-11-24');
      const [, radius, distance] = /^2 · asin\((\d+(?:\.\d+)?) km \/ (\d+) km\)$/.exec(own.formula)!;
      expect((2 * Math.asin(Number(radius) / Number(distance)) * 206_264.806) / value).toBeCloseTo(1, 5);
    }
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
