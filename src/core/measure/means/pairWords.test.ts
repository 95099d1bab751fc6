import type { PairFound } from '../pair/comparePair';
import { fieldOfBoth, largerOf, moreOf, pairWords, unfair } from './pairWords';

const found = (scale: number, more: 'a' | 'b' | 'equal' | null, ratio = 1, plusMinus = 0.05): PairFound => ({
  scale,
  scaleError: 0.0002,
  rotationDeg: 0,
  rotationError: 0.001,
  shift: [0, 0],
  shiftError: 0.01,
  aToB: [
    [1, 0, 0],
    [0, 1, 0],
  ],
  match: { p: scale, q: 0, tx: 0, ty: 0 },
  correlation: 0.95,
  bands: { frequencies: [], powerRatio: [], errors: [], coherence: [] },
  detail: more && { more, ratio, plusMinus },
  focus: null,
  lightRatio: 1,
});

describe('the verdict on two pictures', () => {
  it('says which resolves more, and by how much, whichever way they were named', () => {
    expect(pairWords(found(1, 'b', 1.17)).sentence).toBe(
      'The second resolves 17 ± 5 % more of the subject along a length than the first.',
    );
    expect(pairWords(found(1.5, 'a', 0.8, 0.04))).toEqual({
      title: 'The first has more',
      sentence:
        'The second resolves 20 ± 4 % less of the subject along a length than the first; the second shows it 1.5 times as large.',
    });
  });
  it('never writes a ± that reads as if neither had more', () => {
    expect(pairWords(found(1, 'b', 1.47, 0.46)).sentence).toContain('resolves up to 93 % more');
    expect(pairWords(found(2.2, 'a', 0.5, 0.3)).sentence).toBe(
      'The second resolves 50 ± 30 % less of the subject along a length than the first; the second shows it 2.2 times as large.',
    );
    for (let percent = 7; percent < 200; percent++) {
      const { sentence } = pairWords(found(1, 'b', 1 + percent / 100, percent / 100 - 0.001));
      const [, more, error] = /resolves (\d+) ± (\d+) %/.exec(sentence) ?? [];
      if (more) expect(Number(error)).toBeLessThan(Number(more));
      else expect(sentence).toMatch(/resolves up to \d+ % more/);
    }
  });
  it('says of an enlargement that it shows nothing more', () => {
    expect(pairWords(found(1.5, 'equal')).sentence).toContain('nothing the first, cropped later, does not');
    expect(pairWords(found(1.001, 'equal')).sentence).toContain('Neither shows anything');
    expect(pairWords(found(0.7, 'equal')).sentence).toContain('0.7 times as large and keeps all');
    expect(pairWords(found(1, null)).title).toContain('Too little');
  });
  it('does not call the same what is only not told apart, and says what is left open', () => {
    expect(pairWords(found(1, 'equal', 0.94, 0.14))).toEqual({
      title: 'No difference found',
      sentence:
        'Along a length the second may hold up to 10 % more or up to 20 % less than the first: noise, or too little in common, hides a difference as small as that.',
    });
    expect(pairWords(found(0.864, 'equal', 1.2, 0.15)).sentence).toContain(
      '0.864 times as large. Along a length the second may hold up to 35 % more than the first',
    );
    expect(pairWords(found(1, 'equal', 0.8, 0.15)).sentence).toContain('may hold up to 35 % less than the first');
    expect(pairWords(found(1, 'equal', 1, 1.4)).sentence).toContain('up to 140 % more or up to 100 % less');
    expect(pairWords(found(1, 'equal', 1.02, 0.09)).title).toBe('The same detail');
    const part = pairWords(found(1, 'equal', 1, 0.2), { cut: 'The second is the middle of the first, 1.50 times.' });
    expect(part.title).toBe('No difference found');
    expect(part.sentence).toContain('1.50 times. Along a length');
  });
  it('says of a part that it is one, and how many times narrower', () => {
    const [whole, part] = [
      { width: 6000, height: 4000 },
      { width: 4000, height: 2667 },
    ];
    const lies = (tx: number) => ({ p: 1, q: 0, tx, ty: 0 });
    const middle = fieldOfBoth(lies(0), whole, part);
    expect(pairWords(found(1, 'equal'), middle)).toEqual({
      title: 'The same picture',
      sentence:
        'The second is the middle of the first, 1.50 times. It shows nothing of the subject that the other does not.',
    });
    expect(fieldOfBoth(lies(900), whole, part).cut).toBe('The second is a part of the first, 1.50 times.');
    expect(fieldOfBoth(lies(0), part, whole).cut).toBe('The first is the middle of the second, 1.50 times.');
    expect(fieldOfBoth(lies(0), whole, whole).cut).toBeNull();
    // Where one is larger as well, being a part of the other is not what matters.
    expect(pairWords(found(1.5, 'equal'), middle).title).toBe('The same detail');
  });
  it('carries numbers with their errors', () => {
    expect(moreOf(found(1, 'b', 1.17))).toMatchObject({ unit: '%', value: expect.closeTo(17, 9) as number });
    expect(moreOf(found(1, 'b', 1.17))!.plusMinus).toBeCloseTo(5, 9);
    expect(moreOf(found(1, null))).toBeNull();
    expect(largerOf(found(1.4, 'equal'))).toMatchObject({ value: 1.4, unit: '×', plusMinus: 0.0002 });
  });
});

describe('what was not held equal', () => {
  const side = (tags: object | null, width = 6000) => ({ tags, width, height: 4000 });
  it('is told, with whom it helps', () => {
    const told = unfair(
      side({ fNumber: 4, iso: 100, exposureS: 0.01, focalLengthMm: 300, digitalZoomRatio: 1 }),
      side({ fNumber: 8, iso: 800, exposureS: 0.001, focalLengthMm: 500, digitalZoomRatio: 2 }, 4000),
      { ...found(1.4, 'b'), correlation: 0.5 },
    ).join('\n');
    expect(told).toContain('f/4 against f/8: the first has less diffraction');
    expect(told).toContain('ISO 100 against 800: the second has more noise');
    expect(told).toContain('The first was exposed longer');
    expect(told).toContain('300 mm against 500 mm');
    expect(told).toContain('enlarged in the camera');
    expect(told).toContain('24 against 16 MP');
    expect(told).toContain('flat part');
    expect(told).not.toContain('Focused on');
  });
  it('is nothing where all was alike, and unknown without EXIF', () => {
    const tags = { fNumber: 8, iso: 200, exposureS: 0.01, focalLengthMm: 300 };
    expect(unfair(side(tags), side({ ...tags, iso: 220 }), found(1, 'b'))).toEqual([]);
    expect(unfair(side(null), side(tags), found(1, 'b'))).toEqual([expect.stringContaining('no EXIF')]);
  });
  it('is told from the pixels too: focus, light, framing; and from what stands before the sensors', () => {
    const alike = { fNumber: 8, iso: 100, exposureS: 0.01, focalLengthMm: 300 };
    const told = unfair(
      { ...side(alike), filter: 'none' },
      { ...side(alike), filter: 'standard' },
      {
        ...found(1, 'equal'),
        focus: { directionDeg: 181, acrossField: 1.62 },
        lightRatio: 2,
        match: { p: 2, q: 0, tx: 4500, ty: 3000 },
      },
    ).join('\n');
    expect(told).toContain('the second gains towards the left');
    expect(told).toContain('by 1.6 times from end to end');
    expect(told).toContain('The second is 1\u202fstop brighter where both show the same: the first has more noise');
    expect(told).toMatch(/lies towards the edge of the (first|second)/);
    expect(told).toContain('The first body has no filter, the second a filter');
    expect(unfair(side(alike), side(alike), found(1, 'equal'))).toEqual([]);
  });
});
