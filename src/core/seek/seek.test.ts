import fc from 'fast-check';
import { found, sections, type Entry } from './entry';
import { distancesBySubject, keepersBySetup, pixelsOverTime } from './statistics';

let count = 0;
const entry = (change: Partial<Entry>): Entry => ({
  id: `e${(count += 1)}`,
  kind: 'group',
  at: '2026-11-14T08:00',
  subject: 'Curlew',
  line: '',
  words: 'curlew',
  ...change,
});

const book = [
  entry({
    lens: 'L600',
    outing: 'Marsh',
    verdict: 'kept',
    pixels: 1200,
    distanceM: 60,
    setup: 'A + L600',
    words: 'curlew marsh kept',
  }),
  entry({
    lens: 'L600',
    outing: 'Marsh',
    verdict: 'soft',
    pixels: 900,
    distanceM: 80,
    setup: 'A + L600',
    at: '2026-10-02T07:00',
    words: 'curlew soft',
  }),
  entry({
    subject: 'Beetle',
    lens: 'M100',
    verdict: 'kept',
    setup: 'A + M100',
    at: '1970-01-01T00:00',
    pixels: 700,
    words: 'beetle',
  }),
  entry({
    kind: 'reading',
    subject: 'Curlew',
    pixels: 1100,
    distanceM: 65,
    at: '2026-11-20T18:00',
    words: 'curlew reading',
  }),
  entry({ kind: 'outing', subject: 'Marsh', outing: 'Marsh', words: 'marsh outing' }),
];

describe('looking through the Book', () => {
  it('finds what holds every word, in any order', () => {
    expect(found(book, ['curlew']).map(({ id }) => id)).toEqual([book[0], book[1], book[3]].map((each) => each!.id));
    expect(found(book, ['kept', 'curlew'])).toEqual([book[0]]);
    expect(found(book, ['heron'])).toEqual([]);
    expect(found(book, [])).toEqual(book);
  });

  it('puts it under subjects, lenses, outings and months, the newest first, what has none last', () => {
    expect(sections(book, 'subject').map(({ name }) => name)).toEqual(['Beetle', 'Curlew', 'Marsh']);
    expect(sections(book, 'subject')[1]!.entries.map(({ at }) => at)).toEqual([
      '2026-11-20T18:00',
      '2026-11-14T08:00',
      '2026-10-02T07:00',
    ]);
    expect(sections(book, 'subject')[1]).toMatchObject({ judged: 2, kept: 1 });
    expect(sections(book, 'lens').map(({ name }) => name)).toEqual(['L600', 'M100', 'No lens told']);
    expect(sections(book, 'outing').map(({ name }) => name)).toEqual(['Marsh', 'On no outing']);
    expect(sections(book, 'month').map(({ name }) => name)).toEqual(['2026-11', '2026-10', 'No time told']);
  });

  it('loses nothing and shows nothing twice', () => {
    const some = fc.array(
      fc.record({
        subject: fc.constantFrom('', 'a', 'b'),
        lens: fc.option(fc.constantFrom('x', 'y'), { nil: undefined }),
        outing: fc.option(fc.constantFrom('o'), { nil: undefined }),
        at: fc.constantFrom('1970-01-01T00:00', '2026-01-01T00:00', '2026-02-01T00:00'),
      }),
    );
    fc.assert(
      fc.property(some, fc.constantFrom('subject', 'lens', 'outing', 'month' as const), (parts, by) => {
        const entries = parts.map(entry);
        const shown = sections(entries, by).flatMap((each) => each.entries.map(({ id }) => id));
        expect([...shown].sort()).toEqual(entries.map(({ id }) => id).sort());
      }),
    );
  });
});

describe('the charts of the Book', () => {
  it('tell pixels over time, without clocks that were never set', () => {
    expect(pixelsOverTime(book)).toEqual([
      { at: '2026-10-02T07:00', pixels: 900, subject: 'Curlew', standing: 'not' },
      { at: '2026-11-14T08:00', pixels: 1200, subject: 'Curlew', standing: 'kept' },
      { at: '2026-11-20T18:00', pixels: 1100, subject: 'Curlew', standing: 'reading' },
    ]);
  });

  it('tell distances subject by subject, from near to far', () => {
    const [curlew] = distancesBySubject([...book, entry({ subject: 'Owl', distanceM: 9 })]);
    expect(curlew!.subject).toBe('Curlew');
    expect(curlew!.distances.map(({ distanceM }) => distanceM)).toEqual([60, 65, 80]);
    expect(distancesBySubject([])).toEqual([]);
  });

  it('tell keepers set-up by set-up with a range that holds the share', () => {
    const rows = keepersBySetup(book);
    expect(rows.map(({ setup, share }) => [setup, share.good, share.cases])).toEqual([
      ['A + L600', 1, 2],
      ['A + M100', 1, 1],
    ]);
    for (const { share } of rows) {
      expect(share.low).toBeLessThan(share.share);
      expect(share.high).toBeGreaterThan(share.share);
    }
  });
});
