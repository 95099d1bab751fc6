import fc from 'fast-check';
import type { OutputSpec } from '../../output/needs';
import { cropFor, smallestCrop } from './cropAround';

const web: OutputSpec = { kind: 'screen', name: 'Web page', longSidePx: 2048, subjectShare: 0.5 };

describe('the crop around a subject', () => {
  it('is as large as the output wants, in the picture’s shape, lying or standing', () => {
    const around = { box: [100, 100, 700, 300] as [number, number, number, number], longestPx: 600 };
    expect(cropFor(web, around, 1.5)).toEqual({ widthPx: 1200, heightPx: 800 });
    expect(cropFor(web, around, 2 / 3)).toEqual({ widthPx: 800, heightPx: 1200 });
    const record: OutputSpec = { kind: 'identification', name: 'Record', smallestDetailMm: 2 };
    expect(cropFor(record, around, 1.5)).toEqual({ widthPx: 600, heightPx: 400 });
  });
  it('always holds the subject, and has the shape to a pixel', () => {
    const size = fc.integer({ min: 1, max: 4000 });
    const share = fc.double({ min: 0.05, max: 1, noNaN: true });
    fc.assert(
      fc.property(size, size, share, fc.double({ min: 0.4, max: 2.5, noNaN: true }), (w, h, subjectShare, shape) => {
        const box: [number, number, number, number] = [10, 20, 10 + w, 20 + h];
        const crop = cropFor({ ...web, subjectShare }, { box, longestPx: Math.hypot(w, h) }, shape);
        expect(crop.widthPx).toBeGreaterThanOrEqual(w);
        expect(crop.heightPx).toBeGreaterThanOrEqual(h);
        expect(Math.abs(crop.widthPx / shape - crop.heightPx)).toBeLessThanOrEqual(1 + 1 / shape);
        expect(smallestCrop(box, shape).widthPx).toBeLessThanOrEqual(crop.widthPx);
      }),
    );
  });
});
