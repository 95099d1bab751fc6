import fc from 'fast-check';
import type { AdapterPart, LensSpec, OpticPart, Part } from './parts';
import type { BodySpec } from '../kit/body';
import { readFar } from '../far/readFar';
import { foldSystem, type EffectiveSystem } from '../optics/foldSystem';
import { settingForDistance } from './chainFocus';
import { subjectDistanceM } from './opticState';

const body: BodySpec = {
  name: 'Body',
  mount: 'A',
  flangeMm: 20,
  sensor: { widthMm: 36, heightMm: 24, columns: 6000, rows: 4000 },
  antiAliasFilter: 'none',
  cropModes: [],
  autofocusLimitFNumber: 8,
};
const macro: LensSpec = {
  kind: 'lens',
  name: 'Macro',
  focalWideMm: 100,
  focalTeleMm: 100,
  fNumberWide: 2.8,
  fNumberTele: 2.8,
  closestFocusM: 0.3,
  closestRatio: 1,
  imageCircleWideMm: 44,
  detailClass: 'excellent',
  autofocus: true,
  lengthMm: 120,
  flangeMm: 20,
};
const long: LensSpec = {
  ...macro,
  name: 'Long',
  focalWideMm: 200,
  focalTeleMm: 200,
  fNumberWide: 4,
  fNumberTele: 4,
  closestFocusM: 1.5,
  closestRatio: 0.2,
};
const tubes = (...usedMm: number[]): AdapterPart => ({
  kind: 'tubes',
  name: `Tubes ${usedMm.join('+')}`,
  lengthsMm: usedMm,
  autofocus: true,
});
const closeUp = (dioptres: number): AdapterPart => ({ kind: 'closeUp', name: `Close-up ${dioptres}`, dioptres });
const converter = (factor: number): AdapterPart =>
  factor > 1
    ? { kind: 'converter', name: `×${factor}`, factor, autofocus: true }
    : { kind: 'reducer', name: `×${factor}`, factor, autofocus: true };

function fold(...chain: Part[]): EffectiveSystem {
  const system = foldSystem({ body, modeId: 'whole', chain });
  if (!system.ok) throw new Error(system.problem.message);
  return system.value;
}
const closest = (system: EffectiveSystem) => system.ratioAtClosest!.value;
const atInfinity = (system: EffectiveSystem) => system.ratioAtInfinity?.value ?? 0;
const problem = (...chain: Part[]) => {
  const system = foldSystem({ body, modeId: 'whole', chain });
  return system.ok ? 'works' : system.problem.code;
};

const length = fc.double({ min: 5, max: 120, noNaN: true });
const power = fc.double({ min: 0.5, max: 12, noNaN: true });
const factor = fc.oneof(fc.double({ min: 1.1, max: 3, noNaN: true }), fc.double({ min: 0.5, max: 0.95, noNaN: true }));

describe('extension and close-up lenses', () => {
  // f' = T/(2 + m + 1/m) = 75 mm for the macro lens at its closest.
  it('follow their closed forms at the closest focus', () => {
    fc.assert(fc.property(length, (e) => expect(closest(fold(macro, tubes(e)))).toBeCloseTo(1 + e / 75, 9)));
    fc.assert(
      fc.property(power, (phi) =>
        expect(closest(fold(closeUp(phi), macro))).toBeCloseTo(1 + ((phi * 75) / 1000) * 2, 9),
      ),
    );
    fc.assert(
      fc.property(length, power, (e, phi) =>
        expect(closest(fold(closeUp(phi), macro, tubes(e)))).toBeCloseTo((150 + e) * (1 / 75 + phi / 1000) - 1, 9),
      ),
    );
  });

  it('follow their closed forms at infinity, and agree with the thin lens on the distance', () => {
    fc.assert(
      fc.property(length, power, (e, phi) => {
        const system = fold(closeUp(phi), long, tubes(e));
        const focal = 1 / (1 / 200 + phi / 1000);
        const m = (200 + e) / focal - 1;
        expect(atInfinity(system)).toBeCloseTo(m, 9);
        expect(subjectDistanceM(system.optics.state.far)! * 1000).toBeCloseTo(focal * (2 + m + 1 / m), 6);
      }),
    );
  });

  it('add up: two tubes are one of their length, two close-up lenses one of their power', () => {
    fc.assert(
      fc.property(length, length, power, power, (a, b, p, q) => {
        expect(closest(fold(macro, tubes(a), tubes(b)))).toBeCloseTo(closest(fold(macro, tubes(a + b))), 9);
        expect(closest(fold(closeUp(p), closeUp(q), macro))).toBeCloseTo(closest(fold(closeUp(p + q), macro)), 9);
        expect(closest(fold(macro, tubes(a, b)))).toBeCloseTo(closest(fold(macro, tubes(b, a))), 12);
      }),
    );
  });

  it('vanish with their size', () => {
    expect(closest(fold(closeUp(1e-9), macro, tubes(1e-9)))).toBeCloseTo(1, 8);
  });

  it('keep the light a close-up lens gives, and lose what a tube takes', () => {
    const lens = fold(closeUp(5), long);
    // At the infinity setting the image distance is unchanged, and so is the working f-number.
    expect(lens.fNumber.value * (1 + atInfinity(lens))).toBeCloseTo(4, 9);
    const tube = fold(long, tubes(100));
    expect(tube.fNumber.value * (1 + atInfinity(tube))).toBeCloseTo(4 * 1.5, 9);
  });
});

describe('converters and reducers', () => {
  it('multiply, in whichever order, and so does the system crop factor', () => {
    fc.assert(
      fc.property(factor, factor, (t, s) => {
        const [a, b] = [fold(long, converter(t), converter(s)), fold(long, converter(s), converter(t))];
        for (const system of [a, b]) {
          expect(system.focalMm.value).toBeCloseTo(200 * t * s, 9);
          expect(system.fNumber.value).toBeCloseTo(4 * t * s, 9);
          expect(closest(system)).toBeCloseTo(0.2 * t * s, 9);
          expect(system.systemCropFactor.value).toBeCloseTo(system.cropFactor.value * t * s, 9);
        }
        expect(a.entrancePupilMm.value).toBeCloseTo(50, 9);
        expect(a.systemCropFactor.value).toBeCloseTo(b.systemCropFactor.value, 12);
      }),
    );
  });

  it('are the product of the two when combined, whatever stands in front', () => {
    fc.assert(
      fc.property(factor, factor, power, (t, s, phi) => {
        fc.pre(Math.abs(t * s - 1) > 0.02);
        const two = fold(closeUp(phi), macro, converter(t), converter(s));
        const one = fold(closeUp(phi), macro, { kind: 'converter', name: 'both', factor: t * s, autofocus: true });
        expect(closest(two)).toBeCloseTo(closest(one), 9);
        expect(two.focalMm.value).toBeCloseTo(one.focalMm.value, 9);
      }),
    );
  });

  it('behind tubes multiply what the tubes made; tubes behind them add by the longer focal length', () => {
    const m = 1 + 25 / 75;
    expect(closest(fold(macro, tubes(25), converter(2)))).toBeCloseTo(2 * m, 9);
    // Behind it: e/(f′·t), and e·m/g for a converter of −g, which is not published: 50 to 150 mm must lie within the ±.
    const behind = fold(macro, converter(2), tubes(25)).ratioAtClosest!;
    for (const g of [50, 75, 100, 150])
      expect(Math.abs(2 + 25 / 150 + 25 / g - behind.value)).toBeLessThanOrEqual(behind.plusMinus!);
    expect(behind.plusMinus).toBeLessThan(0.2);
  });
});

describe('two lenses, objectives, scopes', () => {
  it('coupled front to front draw with the ratio of their focal lengths', () => {
    const system = fold(macro, { kind: 'coupling', name: 'Ring' }, long);
    expect(atInfinity(system)).toBeCloseTo(200 / 100, 9);
    expect(system.lens.name).toBe('Long');
    // Beyond life size the distance grows with the ratio: nearest is the infinity setting.
    expect(system.closestFocusM!.value).toBeLessThan(system.farthestFocusM!.value);
  });

  it('an infinity objective draws with M · tube lens ÷ design tube lens, stopped by its aperture', () => {
    const objective: OpticPart = {
      kind: 'objective',
      name: '10×',
      magnification: 10,
      numericalAperture: 0.25,
      correction: 'infinity',
      designTubeFocalMm: 200,
    };
    const onLens = fold(objective, { ...long, closestFocusM: undefined, closestRatio: undefined });
    expect(atInfinity(onLens)).toBeCloseTo(10, 9);
    expect(onLens.fNumber.value * (1 + 10)).toBeCloseTo(10 / (2 * 0.25), 9);
    const onTube = fold(objective, { kind: 'tubeLens', name: 'Tube lens', focalMm: 100 });
    expect(atInfinity(onTube)).toBeCloseTo(5, 9);
    expect(onTube.fNumber.value * 6).toBeCloseTo(5 / 0.5, 9);
  });

  it('a finite objective draws at its nominal ratio at its tube length, more beyond', () => {
    const objective: OpticPart = {
      kind: 'objective',
      name: '4×',
      magnification: 4,
      numericalAperture: 0.1,
      correction: 'finite',
      tubeLengthMm: 160,
    };
    expect(atInfinity(fold(objective, tubes(140)))).toBeCloseTo(4, 9);
    expect(atInfinity(fold(objective, tubes(180)))).toBeCloseTo(5, 9);
  });

  it('a scope multiplies the camera lens behind it, and the smaller pupil stops the light', () => {
    const scope: OpticPart = {
      kind: 'scope',
      name: 'Scope',
      objectiveMm: 65,
      magnificationLow: 20,
      magnificationHigh: 60,
      magnificationSet: 30,
      detailClass: 'fair',
      closestFocusM: 5,
    };
    const small: LensSpec = {
      ...long,
      name: 'Small',
      focalWideMm: 7,
      focalTeleMm: 7,
      fNumberWide: 1.8,
      fNumberTele: 1.8,
    };
    const system = fold(scope, { kind: 'afocal', name: 'Clamp' }, small);
    expect(system.focalMm.value).toBeCloseTo(210, 9);
    // Exit pupil 65/30 = 2.17 mm, camera pupil 7/1.8 = 3.89 mm: the scope stops it.
    expect(system.entrancePupilMm.value).toBeCloseTo(65, 9);
    expect(
      fold({ ...scope, magnificationSet: 20, objectiveMm: 200 } as OpticPart, small).entrancePupilMm.value,
    ).toBeCloseTo((20 * 7) / 1.8, 9);
    expect(system.closestFocusM!.value).toBe(5);
  });

  it('a reversed lens is estimated from its length and flange, and asks for them when they are missing', () => {
    const ring: AdapterPart = { kind: 'reversing', name: 'Ring', lengthMm: 0 };
    // v = flange + length + flange − f = 20 + 420 + 20 − 200
    const turned = fold({ ...long, lengthMm: 420 }, ring);
    expect(atInfinity(turned)).toBeCloseTo(260 / 200 - 1, 9);
    expect(turned.ratioAtInfinity!.plusMinus).toBeGreaterThan(0);
    expect(turned.warnings.map((warning) => warning.code)).not.toContain('ratio.unknown');
    const unknown = fold({ ...long, lengthMm: undefined }, ring);
    expect(unknown.warnings.map((warning) => warning.code)).toContain('ratio.unknown');
  });

  it('a telescope is a lens of its focal length and opening', () => {
    const telescope: OpticPart = { kind: 'telescope', name: 'T', apertureMm: 80, focalMm: 480, detailClass: 'good' };
    const system = fold(telescope, { kind: 'barlow', name: 'Barlow', factor: 2 });
    expect(system.focalMm.value).toBeCloseTo(960, 9);
    expect(system.fNumber.value).toBeCloseTo(12, 9);
    expect(system.autofocus.state).toBe('off');
  });
});

describe('chains that form no picture', () => {
  it.each([
    ['no part', [], 'chain.noLens'],
    ['two lenses', [macro, long], 'chain.twoLenses'],
    ['a converter in front', [converter(2), macro], 'chain.order'],
    ['a tube in front', [tubes(10), macro], 'chain.order'],
    ['a close-up lens behind', [macro, closeUp(3)], 'chain.order'],
    [
      'a scope without a camera lens',
      [{ kind: 'scope', name: 'S', objectiveMm: 60, magnificationLow: 20, magnificationHigh: 20, detailClass: 'fair' }],
      'chain.scopeAlone',
    ],
    [
      'an infinity objective alone',
      [{ kind: 'objective', name: 'O', magnification: 10, numericalAperture: 0.25, correction: 'infinity' }],
      'chain.noTubeLens',
    ],
    ['a coupling ring with nothing behind', [macro, { kind: 'coupling', name: 'C' }], 'chain.couplingAlone'],
    ['a coupling ring with nothing in front', [{ kind: 'coupling', name: 'C' }, macro], 'chain.couplingAlone'],
    [
      'a reversed telescope',
      [
        { kind: 'telescope', name: 'T', apertureMm: 80, focalMm: 480, detailClass: 'good' },
        { kind: 'reversing', name: 'R' },
      ],
      'chain.reversing',
    ],
  ] as [string, Part[], string][])('%s', (_, chain, code) => {
    expect(problem(...chain)).toBe(code);
  });
});

describe('random chains', () => {
  const part: fc.Arbitrary<Part> = fc.oneof(
    fc.constantFrom<Part>(macro, long),
    length.map((e) => tubes(e)),
    power.map((p) => closeUp(p)),
    factor.map((t) => converter(t)),
    fc.constantFrom<Part>(
      { kind: 'coupling', name: 'Coupling' },
      { kind: 'reversing', name: 'Reversing', lengthMm: 3 },
      { kind: 'afocal', name: 'Clamp' },
      {
        kind: 'scope',
        name: 'Scope',
        objectiveMm: 65,
        magnificationLow: 20,
        magnificationHigh: 60,
        detailClass: 'fair',
      },
      { kind: 'telescope', name: 'T', apertureMm: 80, focalMm: 480, detailClass: 'good' },
      { kind: 'objective', name: 'O', magnification: 4, numericalAperture: 0.1, correction: 'finite' },
      { kind: 'mountAdapter', name: 'M', mount: 'A', lensMount: 'B', addsMm: 10, autofocus: false },
    ),
  );
  const numbers = (value: unknown, path = ''): [string, number][] =>
    typeof value === 'number'
      ? [[path, value]]
      : value && typeof value === 'object'
        ? Object.entries(value).flatMap(([key, each]) => numbers(each, `${path}.${key}`))
        : [];

  it('give a message or finite numbers, never NaN, at any distance', () => {
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 0, maxLength: 6 }),
        fc.double({ min: 0.02, max: 5000, noNaN: true }),
        (chain, distanceM) => {
          const folded = foldSystem({ body, modeId: 'whole', chain });
          if (!folded.ok) return expect(folded.problem.message.length).toBeGreaterThan(20);
          const { optics: _optics, chain: _chain, arrangement: _arrangement, ...system } = folded.value;
          for (const [path, value] of numbers(JSON.parse(JSON.stringify(system))))
            expect([path, Number.isFinite(value)]).toEqual([path, true]);
          const reading = readFar({
            system: folded.value,
            subject: { name: 'S', kind: 'beetle', sizeMm: 10 } as never,
            distanceM,
            output: { kind: 'screen', name: 'Web', longSidePx: 1000, subjectShare: 0.5 },
          });
          if (!reading.ok) return expect(reading.problem.message.length).toBeGreaterThan(20);
          expect(Number.isFinite(reading.value.pixelsOnSubject.value)).toBe(true);
          return expect(reading.value.resolvedPixels.value).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('never mix units: every quantity of a system has the unit of its name, whatever the chain', () => {
    const expected = {
      focalMm: 'mm',
      fNumber: 'f/',
      entrancePupilMm: 'mm',
      converterFactor: '×',
      pitchUm: 'µm',
      cropFactor: '×',
      systemCropFactor: '×',
      equivalentFocalMm: 'mm',
      equivalentFNumber: 'f/',
      equivalentIso: 'ISO',
      imageCircleMm: 'mm',
      closestFocusM: 'm',
      farthestFocusM: 'm',
      ratioAtClosest: ':1',
      ratioAtInfinity: ':1',
      lens50LpPerMm: 'lp/mm',
    } as const;
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 6 }), (chain) => {
        const folded = foldSystem({ body, modeId: 'whole', chain });
        // Drawn until enough chains form a picture; none at all fails.
        fc.pre(folded.ok);
        for (const [name, unit] of Object.entries(expected)) {
          const quantity = folded.value[name as keyof typeof expected];
          if (quantity) expect([name, quantity.unit]).toEqual([name, unit]);
        }
        // The pupil is what focal length and f-number say it is, in the same millimetres.
        expect(folded.value.entrancePupilMm.value * folded.value.fNumber.value).toBeCloseTo(
          folded.value.focalMm.value,
          6,
        );
      }),
    );
  });

  it('have the ratio at a distance that their own distance at that ratio says', () => {
    fc.assert(
      fc.property(length, factor, fc.double({ min: 0.001, max: 0.2, noNaN: true }), (e, t, lensRatio) => {
        const { optics } = fold(long, converter(t), tubes(e));
        const setting = optics.settingAt(lensRatio);
        const distanceMm = subjectDistanceM(setting)! * 1000;
        // Where the distance still falls as the lens is turned nearer, it has one ratio.
        fc.pre(subjectDistanceM(optics.settingAt(lensRatio * 1.001))! * 1000 < distanceMm);
        expect(settingForDistance(optics, distanceMm).ratio / setting.ratio).toBeCloseTo(1, 8);
      }),
    );
  });
});

it('reads nearer with tubes than the lens alone can, and says how far it reaches', () => {
  const system = fold(macro, tubes(25));
  const read = (distanceM: number) => {
    const reading = readFar({
      system,
      subject: { name: 'S', kind: 'beetle', sizeMm: 10, distanceM } as never,
      distanceM,
      output: { kind: 'screen', name: 'Web', longSidePx: 1000, subjectShare: 0.5 },
    });
    if (!reading.ok) throw new Error(reading.problem.message);
    return reading.value;
  };
  const nearest = system.closestFocusM!.value;
  // Its ratios go from 1 : 4 to 1.33 : 1. The lens shortens faster than the ratio passes life size, so its end is the nearest:
  // u + v = 75·(1 + 1/1.333) + 75·2 + 25 mm.
  expect(nearest).toBeCloseTo((75 * (1 + 3 / 4) + 175) / 1000, 9);
  expect(closest(system)).toBeCloseTo(1 + 25 / 75, 9);
  expect(read(nearest).ratio.value).toBeCloseTo(4 / 3, 6);
  expect(read(nearest).obstacle).toBeUndefined();
  expect(read(nearest * 0.97).obstacle?.message).toMatch(/Step back/);
  expect(read(2).obstacle?.code).toBe('focus.farthest');
  expect(read(system.farthestFocusM!.value).ratio.value).toBeCloseTo(0.25, 6);
});
