import { checksOf, stepsOf } from '../../../tests/support/chain';
import * as fc from 'fast-check';
import { expectNamedUnits, expectRecomputed, has, type Formula } from '../../../tests/support/recompute';
import type { AdapterPart, LensSpec, Part } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import { measureByRuler } from '../near/measureRatio';
import { nearState } from '../near/nearState';
import { readNear } from '../near/readNear';
import { readFar } from '../far/readFar';
import { foldSystem, type EffectiveSystem, type SystemInput } from './foldSystem';
import { settingForDistance } from '../chain/chainFocus';
import { subjectDistanceM } from '../chain/opticState';
import { workingFNumberAt } from './workingFNumber';

const body: BodySpec = {
  name: 'Body',
  mount: 'A',
  flangeMm: 18,
  sensor: { widthMm: 35.2, heightMm: 19.8, columns: 8000, rows: 4500 },
  antiAliasFilter: 'none',
  cropModes: [{ id: 'tall', name: 'Tall', aspect: 0.8 }],
  autofocusLimitFNumber: 8,
  weightG: 700,
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
  lengthMm: 140,
  flangeMm: 18,
  weightG: 720,
};
const long: LensSpec = {
  ...macro,
  name: 'Long',
  focalWideMm: 400,
  focalTeleMm: 400,
  fNumberWide: 4,
  fNumberTele: 4,
  closestFocusM: 2.6,
  closestRatio: 0.17,
};
const tubes = (...usedMm: number[]): AdapterPart => ({
  kind: 'tubes',
  name: 'Tubes',
  lengthsMm: usedMm,
  autofocus: true,
});
const closeUp = (dioptres: number): AdapterPart => ({ kind: 'closeUp', name: `+${dioptres}`, dioptres });
const converter = (factor: number): AdapterPart => ({ kind: 'converter', name: `×${factor}`, factor, autofocus: true });
const beetle = { name: 'Beetle', kind: 'beetle', sizeMm: 11, distanceM: 0.4 } as const;
const web = { kind: 'screen', name: 'Web', longSidePx: 1600, subjectShare: 0.5 } as const;

function fold(chain: Part[], change: Partial<SystemInput> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain, ...change });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
function read(chain: Part[], change: Partial<Parameters<typeof readNear>[0]> = {}, setup: Partial<SystemInput> = {}) {
  const reading = readNear({ system: fold(chain, setup), subject: beetle, output: web, ...change });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value;
}

const SYSTEM: Record<string, Formula> = {
  focalMm: (at, q) =>
    (has(q, 'M') ? at('M') : 1) * (has(q, 'Φ') ? at('t') / (1 / at('f') + at('Φ') / 1000) : at('f') * at('t')),
  fNumber: (at, q) => {
    if (has(q, 'E')) return (at('M') * at('f') * at('t')) / (at('M') * Math.min(at('E'), at('f') / at('N')));
    return has(q, 'F') ? ((at('N') * at('F')) / at('f')) * at('t') : at('N') * at('t');
  },
  entrancePupilMm: (at) => at('f') / at('N'),
  converterFactor: (_, q) => q.why.inputs.reduce((product, each) => product * each.quantity.value, 1),
  pitchUm: (at) => (1000 * at('W')) / at('Nx'),
  // 16 : 9 and 4 : 5 are no stills formats: the reference is cut to the aspect, lying.
  cropFactor: (at) => {
    const [long, short] = [Math.max(at('W'), at('H')), Math.min(at('W'), at('H'))];
    return long / short >= 1.5 ? 36 / long : 24 / short;
  },
  systemCropFactor: (at) => at('k') * at('t'),
  equivalentFocalMm: (at) => at('f') * at('k'),
  equivalentFNumber: (at) => at('N') * at('k'),
  equivalentIso: (at) => 100 * at('k') ** 2,
  imageCircleMm: (at) => at('I') * at('c'),
  closestFocusM: (_, q) => q.value,
  farthestFocusM: (_, q) => q.value,
  ratioAtClosest: (_, q) => q.value,
  ratioAtInfinity: (_, q) => q.value,
  lens50LpPerMm: (at, q) =>
    q.why.inputs.reduce((nu, each, i, all) => {
      if (each.symbol === 'ν₃') return 1 / Math.hypot(1 / nu, 1 / each.quantity.value);
      if (each.symbol !== 't') return nu;
      const own = all[i + 1]?.symbol === 'ν₂' ? all[i + 1]!.quantity.value : Infinity;
      return 1 / Math.hypot(each.quantity.value / nu, 1 / own);
    }, at('ν')),
  weightG: (_, q) => q.why.inputs.reduce((sum, each) => sum + each.quantity.value, 0),
  price: (_, q) => q.why.inputs.reduce((sum, each) => sum + each.quantity.value, 0),
};

const scope: Part = {
  kind: 'scope',
  name: 'Scope',
  objectiveMm: 82,
  magnificationLow: 25,
  magnificationHigh: 60,
  magnificationSet: 30,
  detailClass: 'good',
  closestFocusM: 5,
};
const phone: LensSpec = {
  ...macro,
  name: 'Phone',
  focalWideMm: 7,
  focalTeleMm: 7,
  fNumberWide: 1.8,
  fNumberTele: 1.8,
  closestFocusM: undefined,
  closestRatio: undefined,
};
const chains: [string, Part[]][] = [
  ['a bare lens', [macro]],
  ['a converter', [long, converter(1.4)]],
  ['two converters', [long, converter(1.4), converter(2)]],
  ['tubes', [macro, tubes(12, 25)]],
  ['a close-up lens', [closeUp(4), long]],
  ['all of them', [closeUp(3), macro, tubes(20), converter(1.4)]],
  ['a scope', [scope, { kind: 'afocal', name: 'Clamp' }, phone]],
];

describe('a system as it is put together', () => {
  it.each(chains)('of %s: every number from the inputs its Why names', (_, chain) => {
    for (const modeId of ['whole', 'tall']) {
      const system = fold(chain, { modeId });
      expectRecomputed(system, SYSTEM);
      expectNamedUnits(system);
      expect(system.used.widthMm).not.toBeCloseTo(system.used.heightMm, 1);
    }
  });

  it('has the same usual crop factor upright and lying, and by the same aspect for video', () => {
    const of = (widthMm: number, heightMm: number) =>
      fold([macro], {
        body: {
          ...body,
          sensor: { widthMm, heightMm, columns: Math.round(widthMm * 200), rows: Math.round(heightMm * 200) },
          cropModes: [],
        },
      });
    expect(of(24, 36).cropFactor.value).toBeCloseTo(1, 9);
    expect(of(24, 36).convention).toBe('diagonal');
    expect([of(17.3, 13).convention, of(6.2, 4.6).convention, of(23.5, 15.6).convention]).toEqual([
      'diagonal',
      'diagonal',
      'diagonal',
    ]);
    // 16 : 9 and 1.9 : 1 are compared with the reference cut to their shape: 36 mm wide.
    expect(of(26.4, 14.85).convention).toBe('sameAspect');
    expect(of(26.4, 14.85).cropFactor.value).toBeCloseTo(36 / 26.4, 9);
    expect(of(25.1, 13.2).cropFactor.value).toBeCloseTo(36 / 25.1, 9);
    expect(of(11.3, 11.3).cropFactor.value).toBeCloseTo(24 / 11.3, 9);
  });
});

describe('the working f-number', () => {
  it('is that of the lens at its setting, times the factors behind, whatever stands in front', () => {
    // f′ at the closest focus, the cone behind the lens v/f′ = 1 + m₀, whether or not a close-up lens is in front.
    for (const dioptres of [0, 2, 5, 10]) {
      for (const t of [1, 1.4, 2]) {
        const chain = [...(dioptres ? [closeUp(dioptres)] : []), macro, ...(t > 1 ? [converter(t)] : [])];
        const reading = read(chain, { fNumber: 8 });
        expect(reading.workingFNumber.value).toBeCloseTo(8 * (1 + 1) * t, 9);
        expect(reading.lightLossStops.value).toBeCloseTo(2 * Math.log2(2 * t), 9);
      }
    }
    // With 30 mm of extension the cone is (v + e)/f′, v = 2·f′, f′ = 310/4.
    expect(read([closeUp(5), macro, tubes(30)], { fNumber: 8 }).workingFNumber.value).toBeCloseTo(
      (8 * (155 + 30)) / 77.5,
      9,
    );
  });

  it('follows the pupil factor of the lens', () => {
    const system = fold([macro, converter(2)]);
    const setting = system.optics.state.near!;
    expect(workingFNumberAt(system, system.fNumber.value, setting, 0.5)).toBeCloseTo(2 * 2.8 * (1 + 1 / 0.5), 9);
    expect(workingFNumberAt(system, system.fNumber.value, setting)).toBeCloseTo(2 * 2.8 * 2, 9);
  });
});

describe('a lens that stands too near to the sensor', () => {
  const slr = (lens: Partial<LensSpec>): Part => ({ ...macro, mount: undefined, flangeMm: 46.5, ...lens }) as Part;

  it('says which adapter is missing, and what is left of its focus; no impossible number leaves', () => {
    const system = fold([slr({})]);
    const warning = system.warnings.find((each) => each.code === 'focus.flange');
    expect(warning?.message).toMatch(/stands 28.5 mm too near.*An adapter 28.5 mm deep is missing/);
    // 105 mm macro: at its closest v = 155 mm, f′ 77.5: 28.5 mm less leaves (155 − 28.5)/77.5 − 1.
    expect(system.ratioAtClosest!.value).toBeCloseTo(126.5 / 77.5 - 1, 9);
    expect(system.optics.state.far.ratio).toBeCloseTo(0, 9);
    expect(system.imageCircleMm!.value).toBeGreaterThan(0);
    expect(system.closestFocusM!.value).toBeGreaterThan(0.31);
    expect(system.farthestFocusM).toBeUndefined();
  });

  it('focuses nowhere when its own focus cannot make up for it', () => {
    const folded = foldSystem({
      body,
      modeId: 'whole',
      chain: [slr({ focalWideMm: 20, focalTeleMm: 20, closestFocusM: 0.25, closestRatio: 0.15 })],
    });
    expect(folded).toMatchObject({
      ok: false,
      problem: {
        code: 'focus.flange',
        message: expect.stringMatching(/nothing comes to focus, near or far.*28.5 mm deep/) as string,
      },
    });
    expect(
      stepsOf({
        body,
        modeId: 'whole',
        chain: [slr({ focalWideMm: 20, focalTeleMm: 20, closestFocusM: 0.25, closestRatio: 0.15 })],
      }).ok,
    ).toBe(false);
  });

  it('is at home with its adapter', () => {
    const adapter: AdapterPart = {
      kind: 'mountAdapter',
      name: 'Adapter',
      mount: 'A',
      lensMount: 'B',
      addsMm: 28.5,
      autofocus: false,
    };
    const system = fold([slr({ mount: 'B' }), adapter]);
    expect(system.warnings).toEqual([]);
    expect(system.ratioAtClosest!.value).toBe(1);
    // An adapter half a millimetre short is not the right one.
    expect(
      fold([slr({ mount: 'B' }), { ...adapter, addsMm: 28 } as AdapterPart]).warnings.map((each) => each.code),
    ).toContain('focus.flange');
  });

  it('gives finite, positive numbers or a reason, for any lens on any body', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 800, noNaN: true }),
        fc.double({ min: 10, max: 90, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.option(fc.double({ min: 0.05, max: 2, noNaN: true }), { nil: undefined }),
        (focal, flange, bodyFlange, ratio) => {
          const lens = {
            ...macro,
            mount: undefined,
            focalWideMm: focal,
            focalTeleMm: focal,
            flangeMm: flange,
            closestRatio: ratio,
            closestFocusM: ratio && (0.9 * focal * (2 + ratio + 1 / ratio)) / 1000,
          };
          const folded = foldSystem({
            body: { ...body, flangeMm: bodyFlange },
            modeId: 'whole',
            chain: [lens as Part],
          });
          if (!folded.ok) return expect(folded.problem.message).toMatch(/adapter/);
          const { imageCircleMm, closestFocusM, ratioAtClosest, fNumber } = folded.value;
          for (const quantity of [imageCircleMm, closestFocusM, ratioAtClosest, fNumber]) {
            if (quantity) expect(quantity.value > 0 && Number.isFinite(quantity.value)).toBe(true);
          }
          return expect(folded.value.optics.state.far.ratio).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
    );
  });
});

describe('dark corners close up', () => {
  it('are judged by the circle as it is there: widened by 1 + m', () => {
    // A circle of 30 mm on a frame of 40.4 mm: dark at infinity, clean from m = 0.346 on.
    const small: LensSpec = { ...macro, imageCircleWideMm: 30 };
    const frame = Math.hypot(35.2, 19.8);
    const codes = (ratio: number) => read([small], { ratio }).warnings.map((each) => each.code);
    expect(fold([small]).warnings.map((each) => each.code)).toEqual(['coverage.dark']);
    expect(codes(frame / 30 - 1 - 0.02)).toEqual(['coverage.dark']);
    expect(codes(frame / 30 - 1 + 0.02)).toEqual([]);
    // A converter spreads the circle as it spreads the picture.
    expect(read([small, converter(1.4)], { ratio: 0.05 }).warnings.map((each) => each.code)).not.toContain(
      'coverage.dark',
    );
    const far = readFar({ system: fold([small]), subject: beetle, distanceM: 0.6, output: web });
    if (!far.ok) throw new Error('a reading is expected');
    expect(far.value.warnings.map((each) => each.code)).toEqual(
      far.value.ratio.value > frame / 30 - 1 ? [] : ['coverage.dark'],
    );
  });
});

describe('distances and ratios of a chain', () => {
  const any = fc.record({
    dioptres: fc.option(fc.double({ min: 1, max: 10, noNaN: true }), { nil: 0 }),
    extension: fc.option(fc.double({ min: 5, max: 60, noNaN: true }), { nil: 0 }),
    factor: fc.constantFrom(1, 1.4, 2),
    tubesFirst: fc.boolean(),
    share: fc.double({ min: 0.02, max: 0.98, noNaN: true }),
  });
  const chainOf = ({
    dioptres,
    extension,
    factor,
    tubesFirst,
  }: {
    dioptres: number;
    extension: number;
    factor: number;
    tubesFirst: boolean;
  }): Part[] => {
    const tube = extension ? [tubes(extension)] : [];
    const behind = factor > 1 ? [converter(factor)] : [];
    return [
      ...(dioptres ? [closeUp(dioptres)] : []),
      macro,
      ...(tubesFirst ? [...tube, ...behind] : [...behind, ...tube]),
    ];
  };

  it('room in front never grows with the ratio, and behind Φ dioptres is at most 1000/Φ mm', () => {
    fc.assert(
      fc.property(any, (chain) => {
        const system = fold(chainOf(chain));
        const low = system.ratioAtInfinity?.value ?? 0.02;
        const high = system.ratioAtClosest!.value;
        let last = Infinity;
        for (let i = 0; i <= 12; i += 1) {
          const reading = readNear({ system, subject: beetle, output: web, ratio: low + ((high - low) * i) / 12 });
          if (!reading.ok) throw new Error(reading.problem.message);
          const room = reading.value.workingDistanceMm?.value;
          if (room === undefined) throw new Error('a room in front is expected: length and flange are known');
          expect(room).toBeLessThanOrEqual(last + 1e-9);
          if (chain.dioptres) expect(room).toBeLessThanOrEqual(1000 / chain.dioptres + 1e-6);
          last = room;
        }
      }),
      { numRuns: 60 },
    );
  });

  it('a ratio asked for is the ratio read, and its distance is reached again', () => {
    fc.assert(
      fc.property(any, (chain) => {
        const system = fold(chainOf(chain));
        const low = Math.max(0.02, system.ratioAtInfinity?.value ?? 0);
        const wanted = low + (system.ratioAtClosest!.value - low) * chain.share;
        const state = nearState(system, wanted, 8);
        if (!state.ok) throw new Error(state.problem.message);
        expect(state.value.setting.ratio).toBeCloseTo(wanted, 9);
        // A distance may be reached at two settings of the focus, on either side of the nearest; it is reached.
        const metres = subjectDistanceM(state.value.setting)!;
        fc.pre(metres >= system.closestFocusM!.value && metres <= (system.farthestFocusM?.value ?? Infinity));
        const found = settingForDistance(system.optics, metres * 1000);
        expect(subjectDistanceM(found)! / metres).toBeCloseTo(1, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('tubes behind a converter hold the truth for converters of 50 to 150 mm, traced', () => {
    for (const t of [1.4, 2]) {
      for (const e of [12, 30]) {
        const found = fold([macro, converter(t), tubes(e)]).ratioAtClosest!;
        for (const g of [50, 70, 100, 150]) {
          // The lens's own picture lies s before the converter's plane; e farther back the converter spreads by t + e/g.
          const spread = t + e / g;
          const moved = e / (t * spread);
          const lensRatio = 1 + moved / 77.5;
          expect(Math.abs(lensRatio * spread - found.value)).toBeLessThanOrEqual(found.plusMinus!);
        }
        expect(found.plusMinus! / found.value).toBeLessThan(0.15);
        expect(
          checksOf({ body, modeId: 'whole', chain: [macro, converter(t), tubes(e)] }, []).map((each) => each.code),
        ).toContain('ratio.behindConverter');
      }
    }
    // A lens at its infinity mark draws nothing for the converter to bend: e/(f·t), exactly.
    expect(fold([macro, converter(2), tubes(30)]).ratioAtInfinity!.value).toBeCloseTo(30 / 210, 9);
  });
});

describe('what was measured', () => {
  const measured = { at: 'closest' as const, ratio: 1.52, plusMinus: 0.03 };

  it('stands in the place of the estimate on every page, and not with another chain', () => {
    const chain = [macro, tubes(25)];
    expect(read(chain, {}, { measured: [measured] }).ratio).toMatchObject({
      value: 1.52,
      kind: 'measured',
      plusMinus: 0.03,
    });
    const steps = stepsOf({ body, modeId: 'whole', chain, measured: [measured] });
    if (!steps.ok) throw new Error(steps.problem.message);
    expect(steps.value.at(-1)!.after.ratio).toBe(1.52);
    expect(
      checksOf(
        { body, modeId: 'whole', chain: [macro, { kind: 'reversing', name: 'Ring' }], measured: [measured] },
        [],
      ).map((each) => each.code),
    ).not.toContain('reversed.estimate');
  });

  it('carries over between the ends, with the converter’s factor in it', () => {
    const chain = [macro, converter(2)];
    const system = fold(chain, { measured: [{ at: 'closest', ratio: 2.1, plusMinus: 0.02 }] });
    // The sensor stays: v = f·(spread + m)/spread, so f = v/(1 + m/t) with v = 155 mm.
    expect(system.optics.state.near!.frontFocalMm).toBeCloseTo(155 / (1 + 2.1 / 2), 9);
    const half = nearState(system, 1, 8);
    if (!half.ok) throw new Error(half.problem.message);
    expect(half.value.setting.ratio).toBeCloseTo(1, 9);
  });

  it('by a ruler is the frame’s width over what is seen, with its error', () => {
    const found = measureByRuler(35.2, 22);
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.ratio).toBeCloseTo(1.6, 12);
    expect(found.value.plusMinus).toBeCloseTo((1.6 * 0.5) / 22, 12);
  });
});

describe('a scope near by', () => {
  it('draws by the distance to the front focus of its objective, within a third of what is not known', () => {
    const system = fold([scope, { kind: 'afocal', name: 'Clamp' }, phone]);
    const reading = (distanceM: number) => {
      const found = readFar({ system, subject: beetle, distanceM, output: web });
      if (!found.ok) throw new Error(found.problem.message);
      return found.value;
    };
    // F = 30 · 7 mm; objective 5.5 × 82 mm; the whole as long as that and a camera.
    const front = 2 * 5.5 * 82 + 100;
    expect(reading(20).ratio.value).toBeCloseTo(210 / (20_000 - front), 12);
    for (const share of [2 / 3, 1, 4 / 3]) {
      const traced = 210 / (20_000 - front * share);
      expect(Math.abs(traced - reading(20).ratio.value)).toBeLessThanOrEqual(reading(20).ratio.plusMinus! * (1 + 1e-9));
    }
    // At 20 m some five per cent of the ratio; at a kilometre nothing.
    expect(reading(20).ratio.value / (210 / 20_000)).toBeGreaterThan(1.04);
    expect(reading(1000).ratio.value / (210 / 1_000_000)).toBeCloseTo(1, 2);
    expect(reading(20).workingFNumber.value).toBeCloseTo(system.fNumber.value, 9);
    expect(reading(3).obstacle?.code).toBe('focus.closest');
  });
});

describe('lens data that contradict themselves', () => {
  it('are told, and plausible ones are not', () => {
    const codes = (lens: Partial<LensSpec>) => fold([{ ...macro, ...lens }]).warnings.map((each) => each.code);
    expect(codes({})).toEqual([]);
    // 1 : 1 from 3 m would need 750 mm.
    expect(codes({ closestFocusM: 3 })).toContain('lens.contradiction');
    expect(codes({ closestFocusM: 0.3, closestRatio: 0.02 })).toContain('lens.contradiction');
    // A wide lens with spaced planes, a superzoom that shortens to a quarter: both exist.
    expect(codes({ focalWideMm: 20, focalTeleMm: 20, closestFocusM: 0.25, closestRatio: 0.19 })).toEqual([]);
    expect(codes({ focalWideMm: 18, focalTeleMm: 300, closestFocusM: 0.45, closestRatio: 0.33 })).toEqual([]);
  });

  it('up to planes 200 mm and half the focal length apart, and down to 0.15 of a thin lens’s distance', () => {
    const codes = (closestFocusM: number, closestRatio = 0.5) =>
      fold([{ ...macro, closestFocusM, closestRatio }]).warnings.map((each) => each.code);
    // A thin lens of 105 mm draws 1 : 2 from 105 · 4.5 = 472.5 mm; 200 + 52.5 more are left.
    expect(codes(0.7249)).toEqual([]);
    expect(codes(0.7251)).toEqual(['lens.contradiction']);
    expect(codes(0.0709)).toEqual([]);
    expect(codes(0.0708)).toEqual(['lens.contradiction']);
    const said = (closestFocusM: number, closestRatio: number) =>
      fold([{ ...macro, closestFocusM, closestRatio }]).warnings[0]!.message;
    expect(said(0.8, 0.5)).toMatch(/Macro do not go together: so near a ratio is not reached from so far/);
    expect(said(0.3, 0.02)).toMatch(/so small a ratio is not left so near/);
  });

  it('are not asked about where one of the two is missing, or the ratio was measured', () => {
    const codes = (lens: Partial<LensSpec>, change: Partial<SystemInput> = {}) =>
      fold([{ ...macro, closestFocusM: 3, ...lens }], change).warnings.map((each) => each.code);
    expect(codes({})).toEqual(['lens.contradiction']);
    expect(codes({ closestRatio: undefined })).toEqual([]);
    expect(codes({ closestFocusM: undefined })).toEqual([]);
    const measured: SystemInput['measured'] = [{ at: 'closest', ratio: 0.9, plusMinus: 0.01, how: 'ruler' }];
    expect(codes({}, { measured })).toEqual([]);
  });
});
