import fc from 'fast-check';
import { sunBelow } from './sunBelow';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const every = (stepMs: number) => Array.from({ length: Math.round(DAY / stepMs) + 1 }, (_, i) => i * stepMs);

/** An altitude that goes round once a day, lowest at a given time: its crossings are known in closed form. */
const round = (mean: number, amplitude: number, lowestMs: number) => (ms: number) =>
  mean - amplitude * Math.cos((2 * Math.PI * (ms - lowestMs)) / DAY);

describe('the stretch below an altitude', () => {
  it('begins and ends where a cosine crosses it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: 25, max: 60, noNaN: true }),
        fc.double({ min: 9, max: 15, noNaN: true }),
        fc.constantFrom(0, -6, -12, -18),
        (mean, amplitude, lowestHour, limit) => {
          // cos = (mean − limit) / amplitude, on both sides of the lowest point.
          const half = (Math.acos((mean - limit) / amplitude) / (2 * Math.PI)) * DAY;
          const lowest = lowestHour * HOUR;
          fc.pre(half < lowest && half < DAY - lowest);
          const found = sunBelow(round(mean, amplitude, lowest), every(HOUR), limit)!;
          expect(found.throughout).toBe(false);
          expect(Math.abs(found.fromMs - (lowest - half))).toBeLessThan(1);
          expect(Math.abs(found.toMs - (lowest + half))).toBeLessThan(1);
        },
      ),
    );
  });

  it('is found though it is shorter than the time between two samples, and is none when it only just does not get there', () => {
    const lowest = 12.37 * HOUR;
    const altitude = round(20, 38, lowest);
    // Lowest is −18°: a hundredth above and below.
    expect(sunBelow(altitude, every(HOUR), -18.01)).toBeNull();
    const found = sunBelow(altitude, every(HOUR), -17.99)!;
    const half = (Math.acos(37.99 / 38) / (2 * Math.PI)) * DAY;
    expect(half).toBeLessThan(HOUR / 2);
    expect(Math.abs(found.toMs - found.fromMs - 2 * half)).toBeLessThan(2);
    expect(Math.abs((found.toMs + found.fromMs) / 2 - lowest)).toBeLessThan(1);
  });

  it('is broken by a highest point between two samples', () => {
    // Down, up over the limit for some minutes, down again.
    const highest = 12.37 * HOUR;
    const found = sunBelow((ms) => round(-40, 38, highest + DAY / 2)(ms), every(HOUR), -2.01)!;
    expect(found.throughout).toBe(false);
    // The longer of the two is from noon to shortly before the highest point.
    expect(found.fromMs).toBe(0);
    const half = (Math.acos(37.99 / 38) / (2 * Math.PI)) * DAY;
    expect(Math.abs(found.toMs - (highest - half))).toBeLessThan(1);
  });

  it('may last throughout, or not be at all', () => {
    expect(sunBelow(round(-30, 10, 12 * HOUR), every(HOUR), -18)).toEqual({ fromMs: 0, toMs: DAY, throughout: true });
    expect(sunBelow(round(30, 10, 12 * HOUR), every(HOUR), 0)).toBeNull();
  });

  it('that is there at the beginning or at the end is told to the edge', () => {
    const early = sunBelow(round(0, 30, 0), every(HOUR), -15)!;
    const half = DAY / 6;
    expect([early.fromMs, Math.round(early.toMs - half)]).toEqual([0, 0]);
    expect(early.throughout).toBe(false);
    // Of two equal ones at both edges, one stands; a longer one at the end wins.
    const late = sunBelow(round(0, 30, DAY - HOUR), every(HOUR), -15)!;
    expect([Math.round(late.fromMs - (DAY - HOUR - half)), late.toMs]).toEqual([0, DAY]);
  });

  it('is the longest of several', () => {
    const twice = (ms: number) => -20 * Math.sin((4 * Math.PI * ms) / DAY) - (ms > DAY / 2 ? 3 : 0);
    const found = sunBelow(twice, every(HOUR / 2), -10)!;
    expect(found.fromMs).toBeGreaterThan(DAY / 2);
    // Below −7 of the same sine: from asin(0.35) to π − asin(0.35).
    const edge = (Math.asin(0.35) / (4 * Math.PI)) * DAY;
    expect(Math.abs(found.fromMs - (DAY / 2 + edge))).toBeLessThan(1);
    expect(found.toMs - found.fromMs).toBeCloseTo(DAY / 4 - 2 * edge, 0);
  });
});
