import fc from 'fast-check';
import { demoBodies, demoOptics, demoOutputs } from '@/demo/kit';
import { foldSystem, type EffectiveSystem } from '../optics/foldSystem';
import type { Part } from '../chain/parts';
import { starsFromPlain, plainStarsResult } from './plainStars';
import { readStars, starLimits, starsAt, type StarsInput } from './readStars';
import { starLevers } from './starLevers';
import { isStarRule } from './starRules';
import { toleranceOf } from './tolerance';

const systemOf = (chain: Part[] = [demoOptics.wide20.data], modeId = 'whole'): EffectiveSystem => {
  const system = foldSystem({ body: demoBodies.ostrel.data, modeId, chain });
  if (!system.ok) throw new Error(system.problem.message);
  return system.value;
};
const wide = systemOf();
const input = (change: Partial<StarsInput> = {}): StarsInput => ({
  system: wide,
  output: demoOutputs.web.data,
  projection: 'rectilinear',
  pointing: { declinationDeg: 0, rollDeg: 0 },
  tolerance: { kind: 'output', count: 1.5 },
  rule: 'worst',
  ceilingS: 15,
  ...change,
});

describe('a kept reading of the stars', () => {
  it('holds a run that has no end as a number, so that it can be kept', () => {
    const reading = readStars(input());
    const endless = { ...reading.worstDriftPx, value: Infinity };
    const kept = plainStarsResult({ ...reading, worstDriftPx: endless });
    expect(kept).toMatchObject({
      centreRunPx: reading.centreDriftPx.value,
      worstRunPx: 1e9,
      limitS: reading.limitS.value,
    });
    expect(plainStarsResult({ ...reading, centreDriftPx: endless }).centreRunPx).toBe(1e9);
  });

  it('knows a school by its name, and nothing else by it', () => {
    for (const { rule } of readStars(input()).rules) expect(isStarRule(rule)).toBe(true);
    expect(isStarRule('own')).toBe(true);
    for (const other of ['', 'Worst', 'constructor', 'toString', 'c600 ']) expect(isStarRule(other)).toBe(false);
  });
});

describe('what passes for a point', () => {
  const own = { centrePx: 3, cornerPx: 5, smallCentrePx: 6, smallCornerPx: 9, pictures: 7 };
  const px = (
    kind: 'pixels' | 'output' | 'eye' | 'own',
    output = demoOutputs.web.data,
    ownPx: typeof own | undefined = own,
  ) => {
    const { centre, corner } = toleranceOf({ kind, count: 2, ownPx, output, longSidePx: 8000 });
    return [centre.value, corner.value];
  };

  it('is a count of pixels, of the output’s pixels, of arcminutes, or one’s own', () => {
    expect(px('pixels')).toEqual([2, 2]);
    // The web page is 1600 px long: two of its pixels are ten of the sensor's.
    expect(px('output')).toEqual([10, 10]);
    // An eye tells no more apart on it than its pixels.
    expect(px('eye')).toEqual([10, 10]);
    expect(px('own')).toEqual([6, 9]);
  });

  it('is stricter for a print one looks at closely than for a small web page', () => {
    const print = px('output', demoOutputs.print.data)[0]!;
    expect(print).toBeLessThan(10);
    // What passes small does not count on a print.
    expect(px('own', demoOutputs.print.data)).toEqual([3, 5]);
    expect(
      px('own', demoOutputs.web.data, { ...own, smallCentrePx: undefined as never, smallCornerPx: undefined as never }),
    ).toEqual([3, 5]);
  });

  it('falls back on pixels while nothing was learned, and says where it comes from', () => {
    expect(toleranceOf({ kind: 'own', count: 4, output: demoOutputs.web.data, longSidePx: 8000 }).centre.value).toBe(4);
    const learned = toleranceOf({
      kind: 'own',
      count: 4,
      ownPx: own,
      output: demoOutputs.web.data,
      longSidePx: 8000,
    }).corner;
    expect(learned.kind).toBe('measured');
    expect(learned.why.source).toMatch(/7 pictures with this lens; “Web page” is shown small/);
  });
});

describe('a reading of the stars', () => {
  it('lets the worst point run just as far as it may, and the centre less', () => {
    const reading = readStars(input());
    expect(reading.worstDriftPx.value).toBeCloseTo(reading.cornerTolerancePx.value, 4);
    expect(reading.centreDriftPx.value).toBeLessThan(reading.worstDriftPx.value);
    expect(reading.verdict).toBe('points');
    expect(Math.abs(reading.worst.xMm)).toBe(18);
    expect(Math.abs(reading.worst.yMm)).toBe(12);
  });

  it('goes from points over running corners to strokes as the exposure grows, and never back', () => {
    const limits = starLimits(input());
    const order = { points: 0, cornersRun: 1, strokes: 2 };
    let before = 0;
    for (let seconds = 1; seconds < 60; seconds += 1) {
      const { verdict } = starsAt(limits, seconds);
      expect(order[verdict]).toBeGreaterThanOrEqual(before);
      before = order[verdict];
      expect(verdict === 'points').toBe(seconds <= limits.worstS.value);
      expect(verdict === 'strokes').toBe(seconds > limits.centreS.value);
    }
    expect(before).toBe(2);
  });

  it('is the same whether worked out at once or from limits kept over a drag', () => {
    const limits = starLimits(input({ pointing: { declinationDeg: 33, rollDeg: 20 } }));
    const [once, kept] = [
      readStars(input({ pointing: { declinationDeg: 33, rollDeg: 20 }, exposureS: 9 })),
      starsAt(limits, 9),
    ];
    expect(plainStarsResult(kept)).toEqual(plainStarsResult(once));
  });

  it('allows longer with a larger tolerance, and longer in the centre than in the whole frame', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 10, noNaN: true }),
        fc.double({ min: 1.05, max: 3, noNaN: true }),
        fc.double({ min: -85, max: 85, noNaN: true }),
        (count, more, declinationDeg) => {
          const at = (each: number) =>
            starLimits(input({ tolerance: { kind: 'pixels', count: each }, pointing: { declinationDeg, rollDeg: 0 } }));
          const [strict, loose] = [at(count), at(count * more)];
          expect(loose.worstS.value).toBeGreaterThan(strict.worstS.value);
          expect(strict.centreS.value).toBeGreaterThanOrEqual(strict.worstS.value);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('shortens the whole frame’s time where the lens draws its corners out, not the centre’s, and never to nothing', () => {
    const [plain, stretched, ruined] = [0, 4, 400].map((cornerStretchPx) => starLimits(input({ cornerStretchPx }))) as [
      ReturnType<typeof starLimits>,
      ReturnType<typeof starLimits>,
      ReturnType<typeof starLimits>,
    ];
    expect(stretched.cornerTolerancePx.value).toBeCloseTo(plain.cornerTolerancePx.value - 4, 9);
    expect(stretched.worstS.value).toBeLessThan(plain.worstS.value);
    expect(stretched.centreS.value).toBeCloseTo(plain.centreS.value, 9);
    expect(ruined.cornerTolerancePx.value).toBeCloseTo(plain.cornerTolerancePx.value / 4, 9);
    expect(stretched.cornerTolerancePx.why.inputs.map((each) => each.symbol)).toEqual(['b', 's']);
  });

  it('follows the school chosen, marks it alone, and tells what each would really give', () => {
    const reading = readStars(input({ rule: 'c500' }));
    expect(reading.limitS.value).toBe(25);
    expect(reading.rules.filter((rule) => rule.chosen).map((rule) => rule.rule)).toEqual(['c500']);
    expect(reading.verdict).toBe('strokes');
    const rule500 = reading.rules.find((rule) => rule.rule === 'c500')!;
    expect(rule500.centrePx).toBeCloseTo(reading.centreDriftPx.value, 9);
    expect(reading.limitS.why.schools!.filter((school) => school.chosen)).toHaveLength(1);
    expect(reading.limitS.why.schools!.map((school) => school.choice)).toEqual(reading.rules.map((rule) => rule.rule));
    expect(readStars(input({ rule: 'ceiling', ceilingS: 8 })).limitS.value).toBe(8);
  });

  it('counts the f-number that is set, but none wider than the lens opens', () => {
    const shortRule = (fNumber?: number) =>
      readStars(input({ fNumber })).rules.find((rule) => rule.rule === 'pitchShort')!.seconds;
    expect(shortRule(4)).toBeCloseTo((35 * 4 + 30 * wide.pitchUm.value) / 20, 9);
    expect(shortRule(1)).toBe(shortRule());
    // What is computed from the drift does not depend on it.
    expect(readStars(input({ fNumber: 4 })).worstS.value).toBeCloseTo(readStars(input()).worstS.value, 9);
  });

  it('gives a reason for every number, with finite values in it', () => {
    const reading = readStars(input({ exposureS: 20 }));
    for (const quantity of [
      reading.limitS,
      reading.centreS,
      reading.worstS,
      reading.centreDriftPx,
      reading.worstDriftPx,
      reading.centreTolerancePx,
      reading.pixelScaleArcsec,
    ]) {
      expect(quantity.why.name.length).toBeGreaterThan(3);
      for (const each of quantity.why.inputs) expect(Number.isFinite(each.quantity.value)).toBe(true);
    }
  });

  it('reads a crop mode’s corners nearer to the centre', () => {
    const crop = readStars(
      input({ system: systemOf([demoOptics.wide20.data], 'c15'), tolerance: { kind: 'pixels', count: 6 } }),
    );
    const whole = readStars(input({ tolerance: { kind: 'pixels', count: 6 } }));
    expect(crop.worstS.value).toBeGreaterThan(whole.worstS.value);
    expect(crop.centreS.value).toBeCloseTo(whole.centreS.value, 6);
  });

  it('takes what a file leaves out as the desk starts', () => {
    const reading = readStars(starsFromPlain(wide, { output: demoOutputs.web.data }));
    expect(plainStarsResult(reading)).toEqual(plainStarsResult(readStars(input())));
  });
});

describe('levers under the stars', () => {
  const body = demoBodies.ostrel.data;
  const candidates = [
    {
      id: 'tele',
      kind: 'setup' as const,
      name: 'Marsh hide',
      setup: { body, modeId: 'whole', chain: [demoOptics.tele600.data] },
      patch: 'tele',
    },
    {
      id: 'wide',
      kind: 'setup' as const,
      name: 'Dark sky',
      setup: { body, modeId: 'whole', chain: [demoOptics.wide20.data] },
      patch: 'wide',
    },
    {
      id: 'tubes',
      kind: 'setup' as const,
      name: 'Macro',
      setup: {
        body,
        modeId: 'whole',
        chain: [demoOptics.macro100.data, { kind: 'tubes' as const, name: 'T', lengthsMm: [20], autofocus: true }],
      },
      patch: 'tubes',
    },
    {
      id: 'centre',
      kind: 'centre' as const,
      name: 'Ask the centre only',
      ways: { rule: 'centre' as const },
      patch: 'centre',
    },
    {
      id: 'aim',
      kind: 'aim' as const,
      name: 'Point away',
      ways: { pointing: { declinationDeg: 60, rollDeg: 0 } },
      patch: 'aim',
    },
  ];

  it('are those that lengthen the time, longest first, each with its exact gain', () => {
    const present = input({ system: systemOf([demoOptics.macro100.data]) });
    const levers = starLevers(present, candidates, 'usual');
    expect(levers.map((lever) => lever.id)).not.toContain('tele');
    // Tubes keep the lens from focusing on the stars at all.
    expect(levers.map((lever) => lever.id)).not.toContain('tubes');
    expect(levers[0]!.id).toBe('wide');
    expect([...levers].sort((a, b) => b.limitS - a.limitS)).toEqual(levers);
    const now = starLimits(present).limitS.value;
    for (const lever of levers) {
      expect(lever.timeRatio).toBeCloseTo(lever.limitS / now, 9);
      expect(lever.gain.value).toBe(lever.timeRatio);
    }
    // Five times the field, and more light by both time and opening.
    const [first] = levers;
    expect(first!.fieldRatio).toBeCloseTo(5, 6);
    expect(first!.lightStops).toBeCloseTo(Math.log2(first!.timeRatio) + 2 * Math.log2(2.8 / 1.8), 6);
  });

  it('do not count the exposure that happens to be set', () => {
    const levers = (exposureS?: number) =>
      starLevers(input({ exposureS }), candidates, 'usual').map((lever) => [lever.id, lever.limitS]);
    expect(levers(2)).toEqual(levers());
  });
});
