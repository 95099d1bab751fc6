import type { AdapterPart, LensSpec, MountAdapterSpec, Part, ScopeSpec } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import { arrange } from '../chain/arrangement';
import { focusSpan, settingForDistance, settingForRatio } from '../chain/chainFocus';
import { subjectDistanceM } from '../chain/opticState';
import { coverage } from './coverage';
import { foldSystem, type EffectiveSystem, type SystemInput } from './foldSystem';
import { distanceAtRatio, gapOf, lensFocus, ratioAtDistance, ratioPerMm } from '../chain/lensFocus';
import { adaptersFor, misfits } from '../chain/mountPath';

const body: BodySpec = {
  name: 'Body',
  mount: 'A',
  flangeMm: 18,
  sensor: { widthMm: 35.2, heightMm: 19.8, columns: 8000, rows: 4500 },
  antiAliasFilter: 'none',
  cropModes: [],
};
const macro: LensSpec = {
  kind: 'lens',
  name: 'Macro',
  mount: 'A',
  focalWideMm: 105,
  focalTeleMm: 105,
  fNumberWide: 2.8,
  fNumberTele: 2.8,
  closestFocusM: 0.31,
  closestRatio: 1,
  imageCircleWideMm: 44,
  detailClass: 'excellent',
  autofocus: true,
  flangeMm: 18,
};
const { closestFocusM: _, closestRatio: __, ...plain } = macro;
const tubes = (mm: number): AdapterPart => ({ kind: 'tubes', name: 'Tubes', lengthsMm: [mm], autofocus: true });
const factor = (t: number): AdapterPart => ({
  kind: t > 1 ? 'converter' : 'reducer',
  name: `×${t}`,
  factor: t,
  autofocus: true,
});
const closeUp: AdapterPart = { kind: 'closeUp', name: '+3', dioptres: 3 };
const ring: AdapterPart = { kind: 'reversing', name: 'Ring' };
const coupling: AdapterPart = { kind: 'coupling', name: 'Coupling' };
const scope: ScopeSpec = {
  kind: 'scope',
  name: 'Scope',
  objectiveMm: 80,
  magnificationLow: 30,
  magnificationHigh: 30,
  detailClass: 'good',
};
const infinite: Part = {
  kind: 'objective',
  name: 'Objective',
  magnification: 10,
  numericalAperture: 0.25,
  correction: 'infinity',
} as Part;

function fold(chain: Part[], change: Partial<SystemInput> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain, ...change });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}

/** The nearer root of T = f·(2 + m + 1/m), by the quadratic in m. */
function thin(f: number, T: number): number {
  const b = T - 2 * f;
  return (b - Math.sqrt(b * b - 4 * f * f)) / (2 * f);
}

describe('the laws of a lens’s focus', () => {
  it('spaced: the focal length stays and the principal planes stand apart', () => {
    // 20 mm that draws 1 : 2 from 200 mm: by its focal length alone that would be from 90 mm.
    const lens = lensFocus(20, 200, 0.5);
    expect(lens.law).toBe('spaced');
    expect(gapOf(lens)).toBeCloseTo(110, 9);
    for (const m of [0.05, 0.2, 0.4]) {
      const T = 20 * (2 + m + 1 / m) + 110;
      expect(distanceAtRatio(lens, m)).toBeCloseTo(T, 9);
      const found = ratioAtDistance(lens, T)!;
      expect(found.ratio).toBeCloseTo(m, 9);
      expect(found.plusMinus).toBeCloseTo((Math.abs(thin(20, T) - m) / 2) * Math.min(1, 2 * (1 - m / 0.5)), 9);
      expect(ratioPerMm(lens, m)).toBeCloseTo((m * m) / (20 * (1 - m * m)), 6);
    }
    expect(ratioAtDistance(lens, 150)!.ratio).toBe(0.5);
  });

  it('shortening: even in the ratio, and unsure by half the way to the thin lens', () => {
    const lens = lensFocus(105, 310, 1);
    expect(lens.law).toBe('shortening');
    expect(gapOf(lens)).toBe(0);
    for (const m of [0.03, 0.3, 0.49, 0.8]) {
      const f = 105 - 27.5 * m;
      const T = f * (2 + m + 1 / m);
      const found = ratioAtDistance(lens, T)!;
      expect(found.ratio).toBeCloseTo(m, 9);
      const alone = T >= 420 ? thin(105, T) : 1;
      expect(found.plusMinus).toBeCloseTo((Math.abs(alone - m) / 2) * Math.min(1, 2 * (1 - m)), 8);
      // By hand: dT/dm = f′·(1 − 1/m²) + (f₀ − f)·(2 + m + 1/m).
      expect(ratioPerMm(lens, m)).toBeCloseTo(1 / Math.abs(f * (1 - 1 / m ** 2) - 27.5 * (2 + m + 1 / m)), 7);
    }
  });

  it('a lens that seems to lengthen a little may have its planes apart instead: the ± reaches there', () => {
    // 35 mm, 1 : 5 from 300 mm: 41.7 mm there.
    const lens = lensFocus(35, 300, 0.2);
    expect(lens.law).toBe('shortening');
    for (const T of [350, 600, 2000]) {
      const { ratio, plusMinus } = ratioAtDistance(lens, T)!;
      const apart = thin(35, T - (300 - 35 * 7.2));
      expect(plusMinus).toBeGreaterThanOrEqual(Math.abs(apart - ratio) - 1e-12);
      const half = (Math.abs(thin(35, T) - ratio) / 2) * Math.min(1, 2 * (1 - ratio / 0.2));
      expect(plusMinus).toBeCloseTo(Math.max(half, Math.abs(apart - ratio)), 10);
    }
  });

  it('without data it is the thin lens, to four focal lengths and no nearer', () => {
    const lens = lensFocus(50);
    expect(ratioAtDistance(lens, 200)).toEqual({ ratio: 1, plusMinus: 0 });
    expect(ratioAtDistance(lens, 199.9)).toBeUndefined();
    expect(ratioAtDistance(lens, 450)!.ratio).toBeCloseTo(thin(50, 450), 12);
  });
});

describe('a chain turned to a distance or a ratio', () => {
  it('is held at both ends of what it reaches', () => {
    const { optics } = fold([macro, tubes(25)]);
    // At infinity e/f, at closest 1 + e/77.5.
    expect(settingForRatio(optics, 0.01).ratio).toBeCloseTo(25 / 105, 9);
    expect(settingForRatio(optics, 9).ratio).toBeCloseTo(1 + 25 / 77.5, 9);
    expect(settingForDistance(optics, 20_000).ratio).toBeCloseTo(25 / 105, 9);
    expect(settingForRatio(optics, 0.9).ratio).toBeCloseTo(0.9, 9);
  });

  it('of one ratio is always set the same', () => {
    const { optics } = fold([{ ...macro, lengthMm: 120 }, ring]);
    expect(optics.fixedRatio).toBe(true);
    const only = optics.state.far.ratio;
    expect([
      settingForRatio(optics, 0.1).ratio,
      settingForRatio(optics, 8).ratio,
      settingForDistance(optics, 900).ratio,
    ]).toEqual([only, only, only]);
  });
});

describe('the range a chain focuses over', () => {
  const extreme: LensSpec = {
    ...macro,
    name: 'Extreme',
    focalWideMm: 65,
    focalTeleMm: 65,
    closestFocusM: 0.313,
    closestRatio: 5,
  };
  /** Nearest of many settings, and the farthest on the way to it from infinity; past it the ratio grows while one steps back. */
  function sampled(system: EffectiveSystem): { least: number; most: number } {
    const { optics } = system;
    const to = optics.lensTo ?? 1;
    const distances = Array.from(
      { length: 4001 },
      (_, i) =>
        (subjectDistanceM(optics.settingAt(optics.lensFrom + ((to - optics.lensFrom) * i) / 4000)) ?? Infinity) * 1000,
    );
    const least = Math.min(...distances);
    const turn = distances.indexOf(least);
    return { least, most: Math.max(...(turn === 0 ? distances : distances.slice(0, turn + 1))) };
  }

  it.each<[string, Part[]]>([
    ['a macro lens on tubes', [macro, tubes(25)]],
    ['the same with a converter behind', [macro, tubes(25), factor(2)]],
    ['a close-up lens in front', [closeUp, macro]],
    ['beyond life size all the way', [macro, tubes(20), tubes(36), tubes(68)]],
    ['a lens up to 5 : 1', [extreme]],
    ['the same on tubes', [extreme, tubes(25)]],
    [
      'a lens whose planes stand apart, on a short tube',
      [{ ...macro, focalWideMm: 20, focalTeleMm: 20, closestFocusM: 0.2, closestRatio: 0.5 }, tubes(6)],
    ],
  ])('%s', (_name, chain) => {
    const system = fold(chain);
    const { least, most } = sampled(system);
    const span = focusSpan(system.optics);
    expect(Math.min(span.closestMm!, span.farthestMm ?? Infinity) / least).toBeCloseTo(1, 4);
    if (most === Infinity) expect(span.farthestMm).toBeUndefined();
    else expect(Math.max(span.closestMm!, span.farthestMm!) / most).toBeCloseTo(1, 4);
    // A distance within it is reached, from wherever it is asked.
    const wanted = Math.min(2 * least, (least + Math.min(most, 1e5)) / 2);
    expect(subjectDistanceM(settingForDistance(system.optics, wanted))! * 1000).toBeCloseTo(wanted, 6);
  });
});

/** What a chain of lens, factors and extension really draws, traced from the sensor back through thin lenses of chosen powers. */
function traced(behind: (number | { t: number; g: number })[]): number {
  // From the lens outwards: where each part's picture lies by design, then the same back from a sensor moved by the extension.
  const parts = behind.map((part) =>
    typeof part === 'number'
      ? part
      : { ...part, s: part.t > 1 ? part.g * (1 - 1 / part.t) : part.g * (1 / part.t - 1) },
  );
  let moved = 0;
  let spread = 1;
  for (const part of [...parts].reverse()) {
    if (typeof part === 'number') moved += part;
    else {
      const image = part.t * part.s + moved;
      const object = 1 / (1 / image + (part.t > 1 ? 1 : -1) / part.g);
      spread *= image / object;
      moved = object - part.s;
    }
  }
  // The macro at life size: 77.5 mm, its picture 155 mm behind it.
  return ((155 + moved) / 77.5 - 1) * spread;
}

describe('extension among converters and reducers of unknown power', () => {
  it.each<[string, (number | { t: number })[]]>([
    ['two converters, tubes behind', [{ t: 1.4 }, { t: 2 }, 20]],
    ['tubes between two converters', [{ t: 2 }, 20, { t: 1.4 }]],
    ['tubes before and behind', [12, { t: 2 }, 20]],
    ['a reducer, tubes behind', [{ t: 0.71 }, 12]],
    ['a converter and a reducer', [{ t: 1.4 }, { t: 0.71 }, 12]],
  ])('%s: the ± holds the truth, and little more', (_name, plan) => {
    const chain = [macro, ...plan.map((part) => (typeof part === 'number' ? tubes(part) : factor(part.t)))];
    const found = fold(chain).ratioAtClosest!;
    const powers = [50, 60, 80, 110, 150];
    const truths = powers.flatMap((g1) =>
      powers.map((g2) => {
        const order = [g1, g2];
        return traced(plan.map((part) => (typeof part === 'number' ? part : { t: part.t, g: order.shift()! })));
      }),
    );
    const [least, most] = [Math.min(...truths), Math.max(...truths)];
    expect(found.value - found.plusMinus!).toBeLessThanOrEqual(least);
    expect(found.value + found.plusMinus!).toBeGreaterThanOrEqual(most);
    // The rest of the ± is the tubes' own twentieth.
    const own = truths[0]! * 0.05;
    expect(found.plusMinus!).toBeLessThan(((most - least) / 2) * 1.6 + own);
  });
});

describe('measured ratios', () => {
  it('at both ends are taken at both ends, and the picture stays where the sensor is', () => {
    const measured = [
      { at: 'closest' as const, ratio: 1.52, plusMinus: 0.03 },
      { at: 'infinity' as const, ratio: 0.29, plusMinus: 0.01 },
    ];
    const plainly = fold([macro, tubes(25)]).optics;
    const { optics } = fold([macro, tubes(25)], { measured });
    expect([optics.state.far.ratio, optics.state.near!.ratio]).toEqual([
      expect.closeTo(0.29, 9),
      expect.closeTo(1.52, 9),
    ]);
    for (const lensRatio of [0, 0.25, 0.5, 1]) {
      const [before, after] = [plainly.settingAt(lensRatio), optics.settingAt(lensRatio)];
      // v = F·(1 + m) before and after; Newton's 1/F with it.
      expect(after.focalMm * (1 + after.ratio)).toBeCloseTo(before.focalMm * (1 + before.ratio), 9);
      expect(after.perMm * after.focalMm).toBeCloseTo(1, 9);
      expect(after.lensFocalMm / before.lensFocalMm).toBeCloseTo(after.focalMm / before.focalMm, 9);
      expect(after.ratioUnsure).toBe(0);
      const [far, near] = [0.29 / (25 / 105), 1.52 / (1 + 25 / 77.5)];
      expect(after.ratio / before.ratio).toBeCloseTo(far + (near - far) * lensRatio, 9);
    }
  });

  it('tell how far a lens without data was turned out', () => {
    const { optics } = fold([plain, tubes(25)], { measured: [{ at: 'closest', ratio: 0.6, plusMinus: 0.02 }] });
    expect(optics.state.near!.ratio).toBeCloseTo(0.6, 9);
    // A thin lens of 105 mm behind which 25 mm were added: its own share is 0.6 − 25/105.
    expect(optics.lensTo).toBeCloseTo(0.6 - 25 / 105, 6);
  });

  it('let a reversed lens of unknown length be read', () => {
    const { flangeMm: _flange, ...bare } = macro;
    expect(fold([bare, ring]).optics.unknownRatio).toBeDefined();
    const { optics } = fold([bare, ring], { measured: [{ at: 'infinity', ratio: 0.9, plusMinus: 0.05 }] });
    expect(optics.unknownRatio).toBeUndefined();
    expect([optics.state.far.ratio, optics.state.near!.ratio, optics.lensFrom, optics.lensTo]).toEqual([
      0.9, 0.9, 0, 0,
    ]);
    expect(optics.state.far.imageMm).toBeCloseTo(105 * 1.9, 9);
  });
});

describe('mounts from the body to the lens', () => {
  const adapter = (lensMount: string, mount: string): MountAdapterSpec =>
    ({
      kind: 'mountAdapter',
      name: `${lensMount} on ${mount}`,
      lensMount,
      mount,
      addsMm: 10,
      electronic: false,
    }) as unknown as MountAdapterSpec;
  const b: LensSpec = { ...macro, name: 'Other', mount: 'B' };
  const turning: AdapterPart = { ...factor(0.71), name: 'Reducer', mount: 'A', lensMount: 'B' } as AdapterPart;
  it.each<[string, Part[], [string, string, string][]]>([
    ['the same mount, in other letters', [{ ...macro, mount: ' a ' }], []],
    ['another mount', [b], [['Other', 'Body', 'A']]],
    ['an adapter between', [b, adapter('B', 'A')], []],
    [
      'an adapter the wrong way round',
      [b, adapter('A', 'B')],
      [
        ['A on B', 'Body', 'A'],
        ['Other', 'A on B', 'A'],
      ],
    ],
    ['a reducer that changes the mount', [b, turning], []],
    ['a reducer that changes it, before a lens of the body’s', [macro, turning], [['Macro', 'Reducer', 'B']]],
    ['tubes of no mount pass on what is needed', [b, tubes(12)], [['Other', 'Tubes', 'A']]],
    ['nothing is held against what is not entered', [plain, { ...tubes(12) }], []],
    ['behind a reversing ring there is a thread', [b, { ...ring, mount: 'A' } as AdapterPart], []],
    ['nor in front of the lens', [{ ...closeUp, mount: 'C' } as AdapterPart, macro], []],
    ['nor before a coupling ring', [b, coupling, macro], []],
    ['the ring itself must fit', [b, { ...ring, mount: 'C' } as AdapterPart], [['Ring', 'Body', 'A']]],
  ])('%s', (_name, chain, expected) => {
    expect(misfits(body, chain).map(({ name, onto, needs }) => [name, onto, needs])).toEqual(expected);
  });

  it('are bridged by the adapters that take the one and give the other', () => {
    const all = [adapter('B', 'A'), adapter('A', 'B'), adapter('B', 'C'), adapter('C', 'A')];
    expect(adaptersFor(misfits(body, [b])[0]!, all).map((each) => each.name)).toEqual(['B on A']);
  });
});

describe('chains that cannot be', () => {
  const missing = (part: object, change: object): Part => ({ ...part, ...change }) as Part;
  it.each<[string, Part[], string]>([
    ['a zoom with its ends swapped', [{ ...macro, focalWideMm: 200 }], 'focal.swapped'],
    ['a swapped zoom behind good parts', [closeUp, { ...macro, focalWideMm: 200 }, tubes(12)], 'focal.swapped'],
    ['tubes the set does not have', [macro, missing(tubes(12), { usedMm: [36] })], 'tubes.notInSet'],
    ['a lens behind another', [macro, macro], 'chain.twoLenses'],
    ['two lenses and a coupling ring behind both', [macro, macro, coupling], 'chain.couplingAlone'],
    ['a coupling ring with nothing in front', [coupling, macro], 'chain.couplingAlone'],
    ['a coupling ring behind a close-up lens', [closeUp, coupling, macro], 'chain.couplingAlone'],
    ['a scope alone', [scope], 'chain.scopeAlone'],
    ['a scope behind the lens', [macro, scope], 'chain.scopeAlone'],
    ['two scopes', [scope, scope, macro], 'chain.twoLenses'],
    ['an infinity objective alone', [infinite], 'chain.noTubeLens'],
    ['nothing but tubes', [tubes(12)], 'chain.noLens'],
    ['a tube in front of the lens', [tubes(12), macro], 'chain.order'],
    ['a close-up lens behind it', [macro, closeUp], 'chain.order'],
    [
      'a reversed telescope',
      [missing({ kind: 'telescope', name: 'Newton', focalMm: 800, apertureMm: 200, detailClass: 'good' }, {}), ring],
      'chain.reversing',
    ],
  ])('%s', (_name, chain, code) => {
    const arranged = arrange(chain);
    if (arranged.ok) throw new Error('understood what cannot be');
    expect(arranged.problem.code).toBe(code);
    expect(arranged.problem.message).toMatch(/\.$/);
  });

  it('and those that can: each part at its place', () => {
    const coupled = arrange([{ ...macro, name: 'Front' }, coupling, macro, tubes(12)]);
    if (!coupled.ok) throw new Error(coupled.problem.message);
    expect(coupled.value).toMatchObject({
      mainIndex: 2,
      main: { name: 'Macro' },
      front: [{ kind: 'coupled', lens: { name: 'Front' } }],
      back: [{ kind: 'tubes' }],
      reversed: false,
    });
    const throughScope = arrange([scope, { ...macro, name: 'Eye' }]);
    if (!throughScope.ok) throw new Error(throughScope.problem.message);
    expect(throughScope.value).toMatchObject({ mainIndex: 1, scope: { name: 'Scope' }, main: { name: 'Eye' } });
    const within = arrange([macro, missing(tubes(12), { usedMm: [12] }), ring]);
    expect(within.ok && within.value.reversed).toBe(true);
  });
});

it('a circle’s share of the diagonal, and of the area where it reaches the long sides', () => {
  expect(coverage(20, 36, 24)).toMatchObject({
    covered: false,
    diagonalShare: expect.closeTo(20 / Math.hypot(36, 24), 12),
    areaShare: expect.closeTo((Math.PI * 100) / 864, 9),
  });
  expect(coverage(50, 36, 24)).toMatchObject({ covered: true, diagonalShare: 1, areaShare: 1 });
  // Exactly the diagonal covers.
  expect(coverage(Math.hypot(36, 24), 36, 24).covered).toBe(true);
});
