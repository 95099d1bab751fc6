import fc from 'fast-check';
import { demoPictureGroups } from '@/demo/log';
import { chanceAt, learnLimit, type Case, sessionsOf, weightsOf } from './limit';
import { learn, type Judged } from './learn';
import { chanceSmaller, shareOf } from './share';

/** A row of numbers by chance, the same for one seed. */
function chance(seed: number): () => number {
  let state = seed || 1;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());

/** Cases of a person whose limit is known, spread over two doublings on either side. */
function drawn(random: () => number, n: number, side: 'below' | 'above') {
  const limit = Math.log2(1 / 250) + 3 * (random() - 0.5);
  const slope = 2.5 * Math.exp(0.7 * normal(random));
  const sign = side === 'below' ? 1 : -1;
  const cases = Array.from({ length: n }, (): Case => {
    const x = limit + 4 * (random() - 0.5) + sign * 0.5;
    const odds = Math.log(4) + sign * slope * (limit - x);
    return { x: 2 ** x, good: random() < 1 / (1 + Math.exp(-odds)) };
  });
  return { limit: 2 ** limit, cases };
}

describe('a limit learned from cases', () => {
  it.each(['below', 'above'] as const)('lies within its range in about nine of ten, %s it', (side) => {
    const random = chance(20_261_127);
    let [held, known] = [0, 0];
    for (let i = 0; i < 200; i += 1) {
      const { limit, cases } = drawn(random, 18, side);
      const found = learnLimit(cases, side);
      if (found.state !== 'known') continue;
      known += 1;
      if (found.low! <= limit && limit <= found.high!) held += 1;
    }
    expect(known).toBeGreaterThan(180);
    // Nine of ten, less three deviations of so many tries.
    expect(held / known).toBeGreaterThan(0.9 - 3 * Math.sqrt(0.09 / known));
  });

  it('grows sure with the cases', () => {
    const random = chance(7);
    const width = (n: number) => {
      const { low, high } = learnLimit(drawn(random, n, 'below').cases, 'below');
      return Math.log2(high! / low!);
    };
    const few = Array.from({ length: 12 }, () => width(12)).sort((a, b) => a - b)[6]!;
    const many = Array.from({ length: 12 }, () => width(200)).sort((a, b) => a - b)[6]!;
    expect(many).toBeLessThan(few / 2);
  });

  it('does not depend on the unit, nor on the order', () => {
    const cases = drawn(chance(3), 20, 'below').cases;
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1000, noNaN: true }), (factor) => {
        const one = learnLimit(cases, 'below');
        const other = learnLimit(cases.map(({ x, good }) => ({ x: x * factor, good })).reverse(), 'below');
        expect(other.value! / factor / one.value!).toBeCloseTo(1, 6);
      }),
      { numRuns: 10 },
    );
  });

  it('is where four of five come out well, by its own curve', () => {
    for (const side of ['below', 'above'] as const) {
      const limit = learnLimit(drawn(chance(5), 30, side).cases, side);
      expect(chanceAt(limit.value!, limit, side)).toBeCloseTo(0.8, 9);
      const beyond = side === 'below' ? limit.value! * 8 : limit.value! / 8;
      expect(chanceAt(beyond, limit, side)).toBeLessThan(0.5);
    }
  });

  it('holds for sessions too, whose cases share their luck', () => {
    const random = chance(20_261_202);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    let [heldByModel, heldAsIndependent, known] = [0, 0, 0];
    for (let i = 0; i < 150; i += 1) {
      const limit = 2 * random();
      const cases = Array.from({ length: 6 }, (_, session) => {
        // What the light, the wind and the day did to all of it.
        const luck = 1.6 * normal();
        return Array.from({ length: 5 }, () => {
          const x = limit + 4 * (random() - 0.5);
          const odds = Math.log(4) + 2.5 * (limit - x) + luck;
          return { x: 2 ** x, good: random() < 1 / (1 + Math.exp(-odds)), session: String(session) };
        });
      }).flat();
      const [model, plain] = [
        learnLimit(cases, 'below'),
        learnLimit(
          cases.map(({ x, good }) => ({ x, good })),
          'below',
        ),
      ];
      if (model.state !== 'known' || plain.state !== 'known') continue;
      known += 1;
      if (model.low! <= 2 ** limit && 2 ** limit <= model.high!) heldByModel += 1;
      if (plain.low! <= 2 ** limit && 2 ** limit <= plain.high!) heldAsIndependent += 1;
    }
    expect(known).toBeGreaterThan(120);
    expect(heldByModel / known).toBeGreaterThan(0.9 - 3 * Math.sqrt(0.09 / known));
    expect(heldByModel).toBeGreaterThan(heldAsIndependent);
  });

  it('counts cases of one session for less', () => {
    expect(weightsOf([{ session: 'a' }, { session: 'a' }, { session: 'a' }, {}])).toEqual([0.5, 0.5, 0.5, 1]);
    expect(sessionsOf([{ session: 'a' }, { session: 'a' }, {}, {}])).toBe(3);
  });

  it('is not told from too few cases, nor where all lie on one side', () => {
    const good = (n: number) => Array.from({ length: n }, (_, i) => ({ x: 1 + i, good: true }));
    expect(learnLimit(good(4), 'below')).toEqual({ state: 'few', cases: 4, good: 4, sessions: 4 });
    expect(learnLimit(good(9), 'below')).toMatchObject({ state: 'allGood', cases: 9 });
    expect(
      learnLimit(
        good(9).map(({ x }) => ({ x, good: false })),
        'below',
      ).state,
    ).toBe('allBad');
  });
});

describe('a share', () => {
  it('is that of the beta distribution with half a case on each side', () => {
    // 5, 50 and 95 % points of Beta(3.5, 7.5), integrated apart from this with its gamma functions.
    const { share, low, high } = shareOf(3, 10);
    expect([low, share, high].map((each) => Number(each.toFixed(2)))).toEqual([0.12, 0.31, 0.56]);
  });
  it('is surely smaller, surely larger, or open', () => {
    expect(chanceSmaller({ good: 1, cases: 20 }, { good: 19, cases: 20 })).toBeGreaterThan(0.999);
    expect(chanceSmaller({ good: 5, cases: 10 }, { good: 5, cases: 10 })).toBeCloseTo(0.5, 9);
    const one = chanceSmaller({ good: 2, cases: 5 }, { good: 4, cases: 5 });
    expect(one + chanceSmaller({ good: 4, cases: 5 }, { good: 2, cases: 5 })).toBeCloseTo(1, 9);
  });
});

describe('what the Book says', () => {
  it('takes no distance for seen that was only planned', () => {
    const group = (distanceM: number, distanceFrom: 'plan' | 'entered' | 'exif') => ({
      subjectName: 'Curlew',
      kind: 'far' as const,
      verdict: 'kept' as const,
      distanceM,
      distanceFrom,
      pixelsOnSubject: 1000,
    });
    const planned = learn([group(59, 'plan'), group(60, 'plan'), group(61, 'plan')]);
    expect([planned.distances, planned.pixels]).toEqual([[], []]);
    const seen = learn([group(40, 'entered'), group(45, 'exif'), group(70, 'plan')]);
    expect(seen.distances).toMatchObject([{ cases: 2, from: [40, 45] }]);
    expect(seen.pixels).toMatchObject([{ cases: 2 }]);
  });

  const groups: Judged[] = demoPictureGroups().map(({ data }) => data);
  const learned = learn(groups);

  it('tells the demo’s hand, stars, ISO, pixels, distances and converters, with their cases', () => {
    const [hand] = learned.hand;
    expect(hand).toMatchObject({ of: 'Quillon C26', state: 'known', cases: 5 });
    // Five by hand at 300 mm: sharp to 1/320 and shorter, soft from 1/250 on.
    expect(hand!.atFocal).toHaveLength(1);
    expect(hand!.atFocal[0]!.low).toBeLessThan(1 / 320);
    expect(hand!.atFocal[0]!.high).toBeGreaterThan(1 / 500);
    expect(learned.stars[0]).toMatchObject({ of: 'Ostrel 20 f/1.8', cases: 7 });
    expect(learned.iso.find(({ of }) => of === 'Ostrel R45')).toMatchObject({ state: 'known' });
    expect(learned.pixels[0]).toMatchObject({ side: 'above', fewestKept: 551 });
    expect(learned.ratio[0]).toMatchObject({ state: 'few', cases: 3 });
    expect(learned.distances.find(({ of }) => of === 'Stonechat')).toMatchObject({ cases: 3, middleM: 9 });
    const converter = learned.converters.find(({ converter: name }) => name === 'Ostrel ×2')!;
    expect(converter).toMatchObject({ lens: 'Ostrel 600 f/5.6', with: { cases: 2, good: 0 } });
    expect(converter.disappoints).toBeUndefined();
  });

  it('counts only the fault a limit is about', () => {
    const far = (verdict: Judged['verdict'], iso: number): Judged => ({
      subjectName: 'a',
      bodyName: 'B',
      verdict,
      iso,
    });
    const { iso } = learn([
      far('kept', 100),
      far('noisy', 6400),
      far('soft', 3200),
      far('small', 800),
      far(undefined, 50),
    ]);
    expect(iso).toMatchObject([{ of: 'B', cases: 2, good: 1, state: 'few' }]);
  });

  it('is silent without verdicts', () => {
    const unjudged = groups.map(({ verdict: _, ...group }) => group);
    expect(learn(unjudged)).toEqual({
      hand: [],
      ratio: [],
      stars: [],
      iso: [],
      pixels: [],
      distances: [],
      converters: [],
    });
    expect(learn([])).toEqual(learn(unjudged));
  });

  it('says that a converter disappoints where it likely does', () => {
    const group = (verdict: Judged['verdict'], converterName?: string): Judged => ({
      subjectName: 'a',
      lensName: 'L',
      verdict,
      converterName,
    });
    const bare = Array.from({ length: 8 }, () => group('kept'));
    const soft = Array.from({ length: 5 }, () => group('soft', '×2'));
    const [found] = learn([...bare, ...soft]).converters;
    expect(found!.disappoints).toBeGreaterThan(0.98);
    expect(found!.with.high).toBeLessThan(found!.without.low);
  });
});
