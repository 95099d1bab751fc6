import fc from 'fast-check';
import { given } from '../../quantity/quantity';
import { comparison, type Side } from './comparison';

const side = (lengthPx: number, plusMinus: number, longSidePx: number, pitchUm: number | null): Side => ({
  lengthPx: given(lengthPx, 'px', 'Length', 'measured', plusMinus),
  longSidePx,
  pitchUm: pitchUm === null ? null : given(pitchUm, 'µm', 'Pixel pitch'),
});

describe('larger, or only shown larger', () => {
  it('a crop mode only shows it larger: as many pixels, drawn the same, enlarged by the crop factor', () => {
    const told = comparison(side(1912, 3, 8256, 4.36), side(1905, 4, 5504, 4.36));
    expect(told.verdict).toBe('shown');
    expect(told.title).toBe('Only shown larger');
    expect(told.sentence).toBe(
      "1,912 ± 3 and 1,905 ± 4 px: the optics draw it the same; a screen enlarges the smaller sensor's picture, the second, 1.5 times more.",
    );
    expect(told.enlarged.value).toBeCloseTo(8256 / 5504, 12);
  });
  it('a smaller sensor with finer pixels draws it the same, with more pixels on it', () => {
    // 36 mm across 6,000 px against 23.5 mm across 6,000: drawn 6 mm long in both.
    const told = comparison(side(1000, 2, 6000, 6), side(1532, 3, 6000, 23.5 / 6));
    expect(told.verdict).toBe('finer');
    expect(told.title).toBe('Not larger: finer pixels in the second');
    expect(told.pixels.value).toBeCloseTo(1.532, 9);
    expect(told.drawn!.value).toBeCloseTo((1532 * (23.5 / 6)) / 6000, 9);
    expect(told.enlarged.value).toBeCloseTo(36 / 23.5, 9);
  });
  it('a longer lens really draws it larger', () => {
    const told = comparison(side(1000, 2, 6000, 6), side(1400, 3, 6000, 6));
    expect(told.title).toBe('The second is really larger');
    expect(told.sentence).toMatch(/draw it 1.4 times larger in the second.*enlarges both alike/);
  });
  it('drawn larger on a sensor larger by as much comes out as large on a screen', () => {
    const told = comparison(side(1500, 3, 6000, 6), side(1500, 3, 6000, 4));
    expect(told.sentence).toMatch(
      /1.5 times larger in the first.*1.5 times more; so on a screen it is as large in both/,
    );
    const longer = comparison(side(1000, 2, 6000, 6), side(1400, 3, 6000, 6));
    expect(longer.sentence).toMatch(/on a screen it is 1.4 times larger in the second/);
  });
  it('without a pitch tells of pixels alone', () => {
    const told = comparison(side(800, 1, 4000, null), side(400, 1, 2000, 5));
    expect(told.drawn).toBeUndefined();
    expect(told.title).toBe('More pixels in the first');
    expect(told.sentence).toMatch(
      /2 times as many pixels on it in the first; a screen enlarges the second picture 2 times/,
    );
  });
  it('the other way round says the same of the other, and errors add as squares', () => {
    const length = fc.double({ min: 20, max: 5000, noNaN: true });
    const columns = fc.integer({ min: 600, max: 9000 });
    const pitch = fc.double({ min: 1, max: 9, noNaN: true });
    fc.assert(
      fc.property(length, length, columns, columns, pitch, pitch, (a, b, n, m, p, q) => {
        const there = comparison(side(a, 0.01 * a, n, p), side(b, 0.02 * b, m, q));
        const back = comparison(side(b, 0.02 * b, m, q), side(a, 0.01 * a, n, p));
        expect(there.drawn!.value * back.drawn!.value).toBeCloseTo(1, 9);
        expect(there.pixels.plusMinus! / there.pixels.value).toBeCloseTo(Math.sqrt(0.0001 + 0.0004), 9);
        // On a screen it is as much larger as it is drawn larger and enlarged more: its share of the picture's width.
        expect(there.drawn!.value * there.enlarged.value).toBeCloseTo(b / m / (a / n), 6);
        expect(there.sentence).not.toMatch(/NaN|undefined/);
        for (const quantity of [there.drawn!, there.pixels, there.enlarged]) expect(quantity.why).toBeDefined();
      }),
    );
  });
});
