import { demoBodies, demoOptics, demoOutputs } from '@/demo/kit';
import { demoPictureGroups } from '@/demo/log';
import { expectRecomputed } from '../../../tests/support/recompute';
import { handInUse } from '../far/handInUse';
import { handRatioInUse } from '../near/handRatioInUse';
import { isoInUse } from '../noise/isoInUse';
import { foldSystem } from '../optics/foldSystem';
import { given } from '../quantity/quantity';
import { starsFromPlain } from '../sky/plainStars';
import { readStars } from '../sky/readStars';
import { evidenceOf } from './evidence';
import { learn, type Judged } from './learn';
import { learnLimit } from './limit';
import { NOTHING_LEARNED, converterKey, sayKey, withoutOff } from './own';
import { ownConverters, ownDistanceM, ownHandS, ownIso, ownPixels, ownRatio, ownStarsS } from './ownSchools';
import { distanceAgainstOwn, pixelsAgainstOwn } from './ownWords';

const groups: Judged[] = demoPictureGroups().map(({ data }) => data);
const learned = learn(groups);
const series = (bodyName: string, limitS: number, focalMm: number, plusMinus = limitS / 5) => ({
  bodyName,
  limitS,
  plusMinus,
  focalMm,
});

describe('a limit that a measurement found as well', () => {
  it('is the measured one where there is nothing else, with its range', () => {
    const { value, low, high, state } = learnLimit([], 'below', [{ value: 8, plusMinus: 2 }]);
    expect(state).toBe('known');
    // The middle of a bell over the logarithm; its ± is two standard errors, nine of ten lie within 1.645 of them.
    expect(Math.abs(Math.log2(value! / 8))).toBeLessThan(0.03);
    const half = (1.645 * Math.log2(10 / 8)) / 2;
    expect(Math.abs(Math.log2(high! / 8) - half)).toBeLessThan(0.05);
    expect(Math.abs(Math.log2(8 / low!) - half)).toBeLessThan(0.05);
  });

  it('lies between what cases and measurement tell, and is surer than either', () => {
    const cases = [0.5, 0.7, 1, 1.4, 2, 2.8, 4, 5.6].map((x) => ({ x, good: x < 2.5 }));
    const alone = learnLimit(cases, 'below');
    const both = learnLimit(cases, 'below', [{ value: alone.value! * 2, plusMinus: alone.value! }]);
    expect(both.value!).toBeGreaterThan(alone.value!);
    expect(both.value!).toBeLessThan(alone.value! * 2);
    expect(both.high! / both.low!).toBeLessThan(alone.high! / alone.low!);
  });
});

describe('what the Bench and the Book tell besides', () => {
  const limit = { limitS: 1 / 100, plusMinus: 1 / 500, focalMm: 300, stabilised: true, measuredAt: '' };
  const bodies = [{ name: 'A', stabiliserStops: 5 }, { name: 'B', stabiliserStops: 4 }, { name: 'C' }];
  it('are series of their body, or of every body with the stabiliser as it was', () => {
    const evidence = (limits: Parameters<typeof evidenceOf>[0]['limits']) =>
      evidenceOf({ limits, bodies, starTests: [], readings: [] }).held!.map(({ bodyName }) => bodyName);
    expect(evidence([{ ...limit, bodyName: 'A' }])).toEqual(['A']);
    expect(evidence([limit])).toEqual(['A', 'B']);
    expect(evidence([{ ...limit, stabilised: false }])).toEqual(['C']);
    expect(evidence([{ ...limit, stabilised: false, bodyName: 'A' }])).toEqual([]);
  });

  it('are frames of test series and close-up readings told how they were held', () => {
    const { stars, byHand } = evidenceOf({
      limits: [],
      bodies,
      starTests: [
        {
          lensName: 'L',
          frames: [
            { seconds: 5, centre: 'fine', corner: 'small' },
            { seconds: 10, centre: 'fine', corner: 'strokes' },
            { seconds: 20 },
          ],
        },
      ],
      readings: [
        { ratio: 1, held: 'handSharp' },
        { ratio: 2, held: 'handBlurred' },
        { ratio: 3, held: 'rail' },
        { held: 'handSharp' },
      ],
    });
    expect(stars).toEqual([
      { lensName: 'L', seconds: 5, good: true },
      { lensName: 'L', seconds: 10, good: false },
    ]);
    expect(byHand).toEqual([
      { ratio: 1, good: true },
      { ratio: 2, good: false },
    ]);
  });

  it('count among the cases of the same name, and say so', () => {
    const stars = [4, 5, 6, 30, 40].map((seconds) => ({ lensName: 'Ostrel 20 f/1.8', seconds, good: seconds < 10 }));
    const more = learn(groups, {
      stars,
      byHand: [
        { ratio: 0.4, good: true },
        { ratio: 2, good: false },
      ],
      held: [series('Quillon C26', 1 / 400, 300)],
    });
    expect(more.stars[0]).toMatchObject({ cases: learned.stars[0]!.cases + 5, alsoCases: 5 });
    expect(more.stars[0]!.high! / more.stars[0]!.low!).toBeLessThan(learned.stars[0]!.high! / learned.stars[0]!.low!);
    // Three groups and two readings: five, enough.
    expect(more.ratio[0]).toMatchObject({ state: 'known', cases: 5, alsoCases: 2 });
    expect(more.hand[0]).toMatchObject({ of: 'Quillon C26', cases: 5, series: 1 });
    const alone = learn([], { held: [series('X', 1 / 60, 100)] }).hand[0]!;
    expect(alone).toMatchObject({ of: 'X', cases: 0, series: 1, state: 'known' });
    expect(alone.atFocal.map(({ focalMm }) => focalMm)).toEqual([100]);
  });
});

describe('what was switched off', () => {
  it('is gone, each by itself', () => {
    const off = [
      sayKey('hand', 'Quillon C26'),
      sayKey('iso', 'Ostrel R45'),
      sayKey('distance', 'Stonechat'),
      converterKey({ converter: 'Ostrel ×2', lens: 'Ostrel 600 f/5.6' }),
    ];
    const left = withoutOff(learned, off);
    expect(left.hand).toEqual([]);
    expect(left.iso.map(({ of }) => of)).toEqual(learned.iso.map(({ of }) => of).filter((of) => of !== 'Ostrel R45'));
    expect(left.distances.some(({ of }) => of === 'Stonechat')).toBe(false);
    expect(left.converters.map(({ converter }) => converter)).toEqual(['Ostrel ×1.4']);
    expect(left.stars).toEqual(learned.stars);
    expect(withoutOff(learned, [])).toBe(learned);
  });
});

describe('what one’s own pictures say, as numbers', () => {
  it('goes with one over the focal length, near those that were used', () => {
    const at300 = ownHandS(learned, 'Quillon C26', 300)!;
    const at400 = ownHandS(learned, 'Quillon C26', 400)!;
    expect(at400.value).toBeCloseTo((at300.value * 300) / 400, 12);
    expectRecomputed({ at400 }, { at400: (at) => (at('t') * at('f₁')) / at('f') });
    const { low, high } = learned.hand[0]!.atFocal[0]!;
    expect(at300.value - at300.plusMinus!).toBeLessThanOrEqual(low + 1e-12);
    expect(at300.value + at300.plusMinus!).toBeGreaterThanOrEqual(high - 1e-12);
    expect(ownHandS(learned, 'Quillon C26', 100)).toBeNull();
    expect(ownHandS(learned, 'Ostrel R45', 300)).toBeNull();
  });

  it('holds the whole range, names it, and is silent where too little is known', () => {
    const known: [ReturnType<typeof ownIso>, { low?: number; high?: number }][] = [
      [ownIso(learned, 'Ostrel R45'), learned.iso.find(({ of }) => of === 'Ostrel R45')!],
      [ownStarsS(learned, 'Ostrel 20 f/1.8'), learned.stars[0]!],
      [ownPixels(learned, 'far'), learned.pixels[0]!],
    ];
    for (const [quantity, { low, high }] of known) {
      const { value, plusMinus, kind, why } = quantity!;
      expect(kind).toBe('measured');
      expect(value - plusMinus!).toBeLessThanOrEqual(low! + 1e-9);
      expect(value + plusMinus!).toBeGreaterThanOrEqual(high! - 1e-9);
      expect(why.source).toMatch(/\d+ of \d+ good: four of five .* between .* and /);
    }
    expect(ownRatio(learned)).toBeNull();
    expect(ownIso(learned, 'Quillon C26')).toBeNull();
    expect(ownPixels(learned, 'near')).toBeNull();
    expect(ownDistanceM(learned, 'Curlew')).toBeNull();
    expect(ownDistanceM(learned, 'Stonechat')).toMatchObject({ value: 9, unit: 'm' });
    // Two curlews and two redshanks: four waders.
    const kinds = learn(
      groups.map((group) => ({
        ...group,
        subjectKind: /Curlew|Redshank/.test(group.subjectName) ? 'Wader' : undefined,
      })),
    );
    expect(kinds.distances[0]).toMatchObject({ of: 'Wader, all', cases: 4, ofKind: true });
    const from = kinds.distances[0]!.from;
    expect([...from].sort((a, b) => a - b)).toEqual(from);
    expect(ownDistanceM(kinds, 'Curlew', 'Wader')!.value).toBeCloseTo((from[1]! + from[2]!) / 2, 9);
    expect(ownDistanceM(kinds, 'Curlew', 'Raptor in flight')).toBeNull();
    expect(ownHandS(NOTHING_LEARNED, 'A', 300)).toBeNull();
  });

  it('tells the share kept with a converter on its lens', () => {
    const [{ kept, found }] = ownConverters(learned, 'Ostrel 600 f/5.6', ['Ostrel ×2']) as [
      ReturnType<typeof ownConverters>[number],
    ];
    expect(kept.value).toBeCloseTo(found.with.share * 100, 9);
    expect(kept.why.inputs.map(({ quantity }) => quantity.value).slice(0, 2)).toEqual([0, 2]);
    expect(ownConverters(learned, 'Ostrel 600 f/5.6', ['Other'])).toEqual([]);
  });

  it('is put into a sentence', () => {
    const own = ownPixels(learned, 'far')!;
    expect(pixelsAgainstOwn(given(own.value * 2, 'px', 'p'), own)).toMatch(/^This has 2 times the [\d,]+\spx/);
    expect(pixelsAgainstOwn(given(own.value / 2, 'px', 'p'), own)).toMatch(/^This has only 50\s% of the/);
    const from = ownDistanceM(learned, 'Stonechat')!;
    expect(distanceAgainstOwn(9.2, from, 'metric')).toMatch(
      /^9\.2\sm is as far as you keep it from, mostly from 9\sm\.$/,
    );
    expect(distanceAgainstOwn(20, from, 'metric')).toMatch(/^20\sm is farther than nearly all/);
    expect(distanceAgainstOwn(4, from, 'metric')).toMatch(/^4\sm is nearer than nearly all/);
  });
});

describe('one’s own as a school', () => {
  const rule = given(1 / 300, 's', 'rule');
  const pixels = given(1 / 500, 's', 'pixels');
  const chosen = (quantity: { why: { schools?: { choice: string; chosen: boolean }[] } }) =>
    quantity.why.schools!.filter((each) => each.chosen).map(({ choice }) => choice);

  it('stands for the hand where it is known, else the pixels do; any can be chosen', () => {
    const ownS = ownHandS(learned, 'Quillon C26', 300);
    const by = (choice: 'own' | 'pixels' | 'rule', own = ownS) =>
      handInUse({ handHoldRuleS: rule, handHoldPixelS: pixels, ownS: own }, choice);
    expect(by('own').value).toBe(ownS!.value);
    expect(by('own')).toMatchObject({ kind: ownS!.kind, plusMinus: ownS!.plusMinus });
    expect(by('rule').value).toBe(1 / 300);
    expect(by('own', null).value).toBe(1 / 500);
    expect(chosen(by('own', null))).toEqual(['pixels']);
    expect(by('own').why.schools!.map(({ choice }) => choice)).toEqual(['own', 'pixels', 'rule']);
  });

  it('stands for the ratio by hand, which can be entered instead', () => {
    const own = given(1.3, ':1', 'own');
    expect(handRatioInUse(1, own, 'own').value).toBe(1.3);
    expect(handRatioInUse(1, own, 'entered').value).toBe(1);
    expect(chosen(handRatioInUse(1, own, 'entered'))).toEqual(['entered']);
    expect(handRatioInUse(1, null, 'own').value).toBe(1);
    expect(handRatioInUse(1, null, 'own').why.schools).toBeUndefined();
  });

  it('stands for the ISO; what is not known leaves 10 : 1', () => {
    const body = demoBodies.ostrel.data;
    const along = given(4, '1', 'k');
    const own = ownIso(learned, body.name);
    expect(isoInUse(body, along, own, 'own')!.value).toBe(own!.value);
    const acceptable = isoInUse(body, along, null, 'own')!;
    expect(chosen(acceptable)).toEqual(['acceptable']);
    const excellent = isoInUse(body, along, own, 'excellent')!;
    expect(excellent.value).toBeLessThan(acceptable.value);
    // Cleaner than any ISO of a pixel seen alone: that school knows none.
    expect(isoInUse(body, given(1e-3, '1', 'k'), null, 'excellent')).toBeNull();
  });

  it('stands beside the rules of the stars, and leaves the frame where it is not known', () => {
    const system = foldSystem({ body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.wide20.data] });
    if (!system.ok) throw new Error(system.problem.message);
    const read = (known: boolean) =>
      readStars(
        starsFromPlain(system.value, {
          output: demoOutputs.web.data,
          rule: 'own',
          ...(known ? { ownTime: { seconds: 9, plusMinusS: 4, rests: '7 groups' } } : {}),
        }),
      );
    const own = read(true);
    expect(own.limitS).toMatchObject({ value: 9, plusMinus: 4, kind: 'measured' });
    expect(own.exposureS.value).toBe(9);
    expect(own.rules.find(({ rule: each }) => each === 'own')).toMatchObject({ chosen: true, seconds: 9 });
    expect(chosen(own.limitS)).toEqual(['own']);
    const unknown = read(false);
    expect(unknown.limitS.value).toBe(unknown.worstS.value);
    expect(chosen(unknown.limitS)).toEqual(['worst']);
    expect(unknown.rules.some(({ rule: each }) => each === 'own')).toBe(false);
  });
});
