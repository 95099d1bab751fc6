import fc from 'fast-check';
import { coverage } from './coverage';
import { imageCircleAt } from '../chain/imageCircle';
import { converterStops, entrancePupilMm, equivalent } from './equivalence';
import { focusThinLens } from '../chain/thinLens';
import { fNumberAt } from '../chain/zoomRange';

const focal = fc.double({ min: 4, max: 2000, noNaN: true });

describe('thin lens', () => {
  it('satisfies both of its equations', () => {
    fc.assert(
      fc.property(focal, fc.double({ min: 4.001, max: 1e6, noNaN: true }), (f, multiple) => {
        const focus = focusThinLens(f, f * multiple);
        if (!focus.ok) throw new Error(focus.problem.message);
        const { uMm, vMm, ratio } = focus.value;
        expect((uMm + vMm) / (f * multiple)).toBeCloseTo(1, 9);
        expect((1 / uMm + 1 / vMm) * f).toBeCloseTo(1, 9);
        expect(vMm / uMm / ratio).toBeCloseTo(1, 9);
      }),
    );
  });

  it('gives a message, never NaN, nearer than four focal lengths', () => {
    fc.assert(
      fc.property(focal, fc.double({ min: 0.01, max: 3.999, noNaN: true }), (f, multiple) => {
        const focus = focusThinLens(f, f * multiple);
        expect(focus.ok).toBe(false);
        if (!focus.ok) expect(focus.problem.message).toMatch(/Step back/);
      }),
    );
  });

  it.each([
    [0, 1000],
    [-50, 1000],
    [NaN, 1000],
    [50, 0],
    [50, -1],
    [50, NaN],
    [Infinity, 1000],
    [50, Infinity],
  ])('refuses f = %p, T = %p', (f, distance) => {
    expect(focusThinLens(f, distance).ok).toBe(false);
  });
});

describe('equivalence', () => {
  it('keeps the entrance pupil', () => {
    fc.assert(
      fc.property(
        focal,
        fc.double({ min: 0.9, max: 32, noNaN: true }),
        fc.double({ min: 0.5, max: 8, noNaN: true }),
        (f, n, k) => {
          const eq = equivalent(f, n, k);
          expect(entrancePupilMm(eq.focalMm, eq.fNumber)).toBeCloseTo(entrancePupilMm(f, n), 6);
        },
      ),
    );
  });

  it('counts two stops for a factor of two, in either direction', () => {
    expect(converterStops(2)).toBe(-2);
    expect(converterStops(0.5)).toBe(2);
    expect(equivalent(100, 4, 2)).toEqual({ focalMm: 200, fNumber: 8, isoFactor: 4, totalLightStops: -2 });
  });
});

describe('zoom', () => {
  it('has its stated f-numbers at the ends and lies between elsewhere', () => {
    expect(fNumberAt(100, 100, 400, 4.5, 6.3)).toBeCloseTo(4.5, 12);
    expect(fNumberAt(400, 100, 400, 4.5, 6.3)).toBeCloseTo(6.3, 12);
    expect(fNumberAt(200, 100, 400, 4.5, 6.3)).toBeCloseTo(Math.sqrt(4.5 * 6.3), 12);
  });
});

describe('coverage', () => {
  /** Share of the frame inside the circle, by counting points. */
  const counted = (circle: number, width: number, height: number): number => {
    const steps = 1000;
    let inside = 0;
    for (let i = 0; i < steps; i++) {
      for (let j = 0; j < steps; j++) {
        const x = ((i + 0.5) / steps - 0.5) * width;
        const y = ((j + 0.5) / steps - 0.5) * height;
        if (x * x + y * y <= (circle / 2) ** 2) inside += 1;
      }
    }
    return inside / steps ** 2;
  };

  it.each([
    [28.2, 36, 24],
    [20, 36, 24],
    [40, 36, 24],
    [35.9, 36, 24],
    [43.2, 36, 24],
    [15, 17.3, 13],
  ])('of a circle of %p mm on %p × %p agrees with counting', (circle, width, height) => {
    expect(coverage(circle, width, height).areaShare).toBeCloseTo(counted(circle, width, height), 3);
  });

  it('is whole from the diagonal on, and its clean crop just fits the circle', () => {
    expect(coverage(43.3, 36, 24)).toEqual({ covered: true, areaShare: 1, diagonalShare: 1, cleanCropFactor: 1 });
    const { cleanCropFactor } = coverage(30, 36, 24);
    expect(Math.hypot(36 / cleanCropFactor, 24 / cleanCropFactor)).toBeCloseTo(30, 9);
  });

  it('widens with the image distance: twice as wide at life size', () => {
    expect(imageCircleAt(28, 0)).toBe(28);
    expect(imageCircleAt(28, 1)).toBe(56);
  });
});
