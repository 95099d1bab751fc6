import fc from 'fast-check';
import { given } from '../quantity/quantity';
import { circleOfConfusionMm } from './circleOfConfusion';
import { neededPixels, outputLongSidePx, pixelsPerInchAtDistance, type OutputSpec } from './needs';
import { verdictOf } from './verdict';
import { VERDICT_MARK, VERDICT_WORDS, verdictSentence, zoneNames } from './verdictWords';
import { viewedPixels } from './viewedPixels';

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

describe('what an eye tells apart along an output', () => {
  const print = { kind: 'print', name: 'Print', longSideMm: 600, subjectShare: 0.5 } as const;

  it('is one arcminute from the viewing distance, and never more than the print holds', () => {
    // From 1.2 m an arcminute is 1200/3438 mm: 1719 of them along 600 mm.
    expect(viewedPixels({ ...print, pixelsPerInch: 300, viewingDistanceMm: 1200 })).toBeCloseTo((600 * 3438) / 1200, 9);
    // A coarse print of 40 to the inch holds fewer: 945.
    expect(viewedPixels({ ...print, pixelsPerInch: 40, viewingDistanceMm: 1200 })).toBeCloseTo((600 / 25.4) * 40, 9);
    // Without a density of its own it has that of its viewing distance.
    expect(viewedPixels({ ...print, viewingDistanceMm: 900 })).toBeCloseTo((600 * 3438) / 900, 9);
  });

  it('is taken from as far as the output is wide where no distance is known', () => {
    expect(viewedPixels({ ...print, pixelsPerInch: 300 })).toBe(3438);
    expect(viewedPixels({ ...print, pixelsPerInch: 100 })).toBeCloseTo((600 / 25.4) * 100, 9);
    expect(viewedPixels({ kind: 'screen', name: 'Web', longSidePx: 2048, subjectShare: 0.5 })).toBe(2048);
    expect(viewedPixels({ kind: 'screen', name: 'Wall', longSidePx: 8000, subjectShare: 0.5 })).toBe(3438);
    expect(viewedPixels({ kind: 'identification', name: 'Ring', smallestDetailMm: 2 })).toBe(3438);
  });
});

describe('circles of confusion', () => {
  it('follow their schools, each from its own measure', () => {
    expect(circleOfConfusionMm('diagonal', 40, 33, 4, 1000)).toBeCloseTo(40 / 1500, 12);
    expect(circleOfConfusionMm('output', 40, 33, 4, 1000)).toBeCloseTo(33 / 1000, 12);
    expect(circleOfConfusionMm('pixel', 40, 33, 4, 1000)).toBeCloseTo(0.008, 12);
  });
});

describe('the verdict in words', () => {
  const web: OutputSpec = { kind: 'screen', name: 'Web', longSidePx: 2000, subjectShare: 0.5 };
  const count = (value: number) => given(value, 'px', 'n');

  it('names what the picture is for, in the zones and in the sentence', () => {
    expect(zoneNames(web)).toEqual({ short: 'too few for Web', enough: 'enough for Web', more: 'more than it uses' });
    expect([VERDICT_WORDS.notEnough('Web'), VERDICT_WORDS.enough('Web'), VERDICT_WORDS.more('Web')]).toEqual([
      'Not enough for Web',
      'Enough for Web',
      'More than Web uses',
    ]);
    expect(new Set(Object.values(VERDICT_MARK)).size).toBe(4);
  });

  it('says which pixels count, in as many figures as the desk writes', () => {
    const sentence = (judgeBy: 'resolved' | 'sampled') =>
      verdictSentence({ countedPixels: given(1234.6, 'px', 'n', 'x', 93), neededPixels: count(1000), judgeBy }).replace(
        /\u202f/g,
        ' ',
      );
    expect(sentence('resolved')).toBe('1,230 px resolved, 1,000 needed');
    expect(sentence('sampled')).toBe('1,230 px in all, 1,000 needed');
  });
});
