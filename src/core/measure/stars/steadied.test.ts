import { chance } from '../../simulate/chance';
import type { StarFound } from './findStars';
import { steadied } from './steadied';

const { between, normal } = chance(7);
const field = () => ({ lengthPx: 6, plusMinus: 0.1, directionDeg: 178 });
const star = (change: Partial<StarFound>): StarFound => ({
  x: between(0, 100),
  y: between(0, 100),
  lengthPx: 6 + 0.05 * normal(),
  plusMinus: 0.1,
  directionDeg: 178,
  upperLimit: false,
  snr: 200,
  saturated: false,
  ...change,
});
const bright = Array.from({ length: 20 }, () => star({}));
const last = (own: Partial<StarFound>, stars = bright): StarFound => steadied([...stars, star(own)], field).at(-1)!;

describe('stars steadied by the field', () => {
  it('go from what a faint one says towards what lies around it, by their errors', () => {
    const faint = last({ snr: 12, lengthPx: 7, plusMinus: 1.2, directionDeg: 4 });
    expect(faint.lengthPx).toBeGreaterThan(6);
    expect(faint.lengthPx).toBeLessThan(6.1);
    expect(faint.plusMinus).toBeLessThan(0.2);
    // Directions meet over 180°: 4° and 178° lie six degrees from each other.
    expect(Math.min(faint.directionDeg, Math.abs(faint.directionDeg - 180))).toBeLessThan(3);
  });
  it('leave a bright one nearly as it is, and its error no larger', () => {
    const one = last({ lengthPx: 6.1, plusMinus: 0.02 });
    expect(one.lengthPx).toBeCloseTo(6.1, 1);
    expect(one.plusMinus).toBeLessThanOrEqual(0.02);
  });
  it('leave what ran its own way, an upper limit, and all where too few bright ones tell how far stars stray', () => {
    const own = { lengthPx: 12, plusMinus: 0.5 };
    expect(last(own)).toMatchObject(own);
    const limit = { lengthPx: 1, plusMinus: 1, upperLimit: true };
    expect(last(limit)).toMatchObject(limit);
    const faint = { snr: 12, lengthPx: 7, plusMinus: 1.2 };
    expect(last(faint, bright.slice(0, 5))).toMatchObject(faint);
  });
});
