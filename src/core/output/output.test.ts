import fc from 'fast-check';
import { neededPixels, outputLongSidePx, pixelsPerInchAtDistance, type OutputSpec } from './needs';
import { verdictOf } from './verdict';

describe('needs of an output', () => {
  it('are the subject’s share of the long side', () => {
    expect(neededPixels({ kind: 'screen', name: 'Web', longSidePx: 2048, subjectShare: 0.5 }, 420)).toBe(1024);
  });

  it('of a print follow its density, or its viewing distance, or the customary 300', () => {
    const print = { kind: 'print', name: 'Print', longSideMm: 254, subjectShare: 1 } as const;
    expect(outputLongSidePx({ ...print, pixelsPerInch: 240 })).toBeCloseTo(2400, 9);
    expect(outputLongSidePx({ ...print, viewingDistanceMm: 500 })).toBeCloseTo((3438 / 500) * 254, 9);
    expect(outputLongSidePx(print)).toBeCloseTo(3000, 9);
  });

  it('of a viewing distance put one pixel on one arcminute', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 5000, noNaN: true }), (distance) => {
        const pixelMm = 25.4 / pixelsPerInchAtDistance(distance);
        const arcminutes = (Math.atan(pixelMm / distance) * 180 * 60) / Math.PI;
        expect(arcminutes).toBeCloseTo(1, 3);
      }),
    );
  });

  it('of an identification are two pixels on the smallest detail, whatever the size', () => {
    const rings: OutputSpec = { kind: 'identification', name: 'Rings', smallestDetailMm: 2 };
    expect(neededPixels(rings, 500)).toBe(500);
  });
});

describe('the verdict', () => {
  it('has three zones', () => {
    expect(verdictOf(999, 1000)).toBe('notEnough');
    expect(verdictOf(1000, 1000)).toBe('enough');
    expect(verdictOf(2000, 1000)).toBe('enough');
    expect(verdictOf(2001, 1000)).toBe('more');
  });
});
