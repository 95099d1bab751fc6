import fc from 'fast-check';
import { closeUp, enlarged, shifted, upperView } from './register';
import { toPicture, toScreen } from './viewport';

const place = fc.tuple(
  fc.double({ min: -50, max: 5000, noNaN: true }),
  fc.double({ min: -50, max: 5000, noNaN: true }),
);

describe('one picture on another', () => {
  it('lies with its place on the place of the lower one, so many times as large', () => {
    fc.assert(
      fc.property(place, place, fc.double({ min: 0.2, max: 4, noNaN: true }), (on, of, times) => {
        const lower = { scale: 0.3, x: 12, y: -40 };
        const upper = upperView(lower, { times, on, of });
        const [a, b] = [toScreen(lower, on), toScreen(upper, of)];
        expect(b[0]).toBeCloseTo(a[0], 6);
        expect(b[1]).toBeCloseTo(a[1], 6);
        expect(upper.scale / lower.scale).toBeCloseTo(times, 9);
      }),
    );
  });
  it('moves by as much of the screen as the finger', () => {
    const lower = { scale: 0.25, x: 3, y: 4 };
    const register = { times: 1.5, on: [100, 50] as const, of: [20, 10] as const };
    const [before, after] = [upperView(lower, register), upperView(lower, shifted(register, lower, 17, -9))];
    expect(after.x - before.x).toBeCloseTo(17, 9);
    expect(after.y - before.y).toBeCloseTo(-9, 9);
  });
  it('is made larger about a place that stays', () => {
    const view = { scale: 0.5, x: -10, y: 30 };
    const larger = enlarged(view, 3, [120, 80]);
    expect(toPicture(larger, [120, 80])[0]).toBeCloseTo(toPicture(view, [120, 80])[0], 9);
    expect(larger.scale).toBeCloseTo(1.5, 9);
  });
  it('is shown as large as what is compared needs', () => {
    const view = closeUp({ at: [700, 400], spanPx: 300 }, { width: 360, height: 270 });
    expect(toScreen(view, [700, 400])).toEqual([180, 135]);
    expect(300 * view.scale).toBeCloseTo(0.66 * 360, 9);
  });
});
