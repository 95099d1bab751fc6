import * as fc from 'fast-check';
import type { BodySpec } from '../kit/body';
import type { LensSpec, Part } from '../chain/parts';
import { foldSystem, type EffectiveSystem } from '../optics/foldSystem';
import { bareSetting, throughExtension, throughFactor, throughFrontLens, type OpticState } from '../chain/opticState';
import { apertureCurve, thirdStops } from './apertureCurve';
import { compareSensors } from './compareSensors';
import { impliedByTubesMm, impliedFocalMm, measureByMarks, measureByRuler, nominalRatio } from './measureRatio';
import { nearDepth } from './nearDepth';
import { nearLevers } from './nearLevers';
import { nearState, ratioRange } from './nearState';
import { objectiveCircleMm, objectiveSampling } from './objective';
import { readNear } from './readNear';
import { cameraScreenWidthMm, threeSizes } from './sizes';
import { stackPlan } from './stackPlan';
import vectors from '../vectors/physics.json';

const body: BodySpec = {
  name: 'R45',
  flangeMm: 19,
  sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
  antiAliasFilter: 'none',
  cropModes: [],
  fileSizeMb: 48,
  screenDiagonalMm: 81,
};
const crop: BodySpec = { ...body, name: 'C26', sensor: { widthMm: 23.4, heightMm: 15.6, columns: 6240, rows: 4160 } };
const macro: LensSpec = {
  kind: 'lens',
  name: '100 macro',
  focalWideMm: 100,
  focalTeleMm: 100,
  fNumberWide: 2.8,
  fNumberTele: 2.8,
  closestFocusM: 0.3,
  closestRatio: 1,
  detailClass: 'excellent',
  lens50LpPerMm: 92,
  autofocus: true,
  lengthMm: 142,
  flangeMm: 19,
};
const tubes = (mm: number): Part => ({ kind: 'tubes', name: `tubes ${mm}`, lengthsMm: [mm], autofocus: true });
const closeUp = (dioptres: number): Part => ({ kind: 'closeUp', name: `+${dioptres}`, dioptres });
const doubler: Part = { kind: 'converter', name: '×2', factor: 2, autofocus: true };
const beetle = { name: 'Beetle', kind: 'beetle', sizeMm: 14 } as const;
const subject = { ...beetle, distanceM: 0.3 };
const web = { kind: 'screen', name: 'Web page', longSidePx: 1600, subjectShare: 0.5 } as const;

function system(chain: Part[], change: Partial<Parameters<typeof foldSystem>[0]> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain, ...change });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
function read(
  chain: Part[],
  change: Partial<Parameters<typeof readNear>[0]> = {},
  setup: Partial<Parameters<typeof foldSystem>[0]> = {},
) {
  const reading = readNear({ system: system(chain, setup), subject, output: web, ...change });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value;
}

describe('thin lenses', () => {
  const start = (focalMm: number, ratio: number): OpticState => {
    return {
      far: bareSetting(focalMm, 0),
      near: bareSetting(focalMm, ratio),
      fNumber: 4,
      factor: 1,
      lens50LpPerMm: 80,
    };
  };
  const focal = fc.double({ min: 15, max: 600, noNaN: true });
  const ratio = fc.double({ min: 0.05, max: 5, noNaN: true });
  const length = fc.double({ min: 1, max: 150, noNaN: true });
  const power = fc.double({ min: 0.5, max: 20, noNaN: true });

  it('tubes and close-up lenses give the same ratio in either order, and tubes add up', () => {
    fc.assert(
      fc.property(focal, ratio, length, length, power, (f, m, e1, e2, phi) => {
        const a = throughFrontLens(throughExtension(start(f, m), e1), phi).near!.ratio;
        const b = throughExtension(throughFrontLens(start(f, m), phi), e1).near!.ratio;
        expect(Math.abs(a / b - 1)).toBeLessThan(1e-9);
        const twice = throughExtension(throughExtension(start(f, m), e1), e2).near!.ratio;
        expect(Math.abs(twice / throughExtension(start(f, m), e1 + e2).near!.ratio - 1)).toBeLessThan(1e-9);
      }),
    );
  });

  it('agrees with m = (v0 + e)·(1/f + Φ/1000) − 1 everywhere', () => {
    fc.assert(
      fc.property(focal, ratio, length, power, (f, m, e, phi) => {
        const expected = (f * (1 + m) + e) * (1 / f + phi / 1000) - 1;
        expect(
          Math.abs(throughExtension(throughFrontLens(start(f, m), phi), e).near!.ratio / expected - 1),
        ).toBeLessThan(1e-9);
      }),
    );
  });

  it('goes over into the lens alone as power and extension vanish, and grows without bound with the extension', () => {
    fc.assert(
      fc.property(focal, ratio, (f, m) => {
        expect(throughFrontLens(start(f, m), 1e-9).near!.ratio).toBeCloseTo(m, 6);
        expect(throughExtension(start(f, m), 1e-9).near!.ratio).toBeCloseTo(m, 6);
        const far = throughExtension(start(f, m), 1e6).near!.ratio;
        expect(far / (1e6 / f)).toBeCloseTo(1, 1);
      }),
    );
  });

  it('a converter multiplies what the lens draws, tubes behind it act on the whole', () => {
    const state = throughExtension(throughFactor(start(100, 1), 2), 20);
    // Thin converters of −50 to −150 mm, traced: the picture 20 mm farther back is spread by 2 + 20/g, and stands where the
    // lens's own picture has moved by 20/(2·(2 + 20/g)).
    for (const g of [50, 60, 100, 150]) {
      const spread = 2 + 20 / g;
      const traced = (1 + 20 / (2 * spread) / 100) * spread;
      expect(Math.abs(traced - state.near!.ratio)).toBeLessThanOrEqual(state.near!.ratioUnsure);
    }
    expect(state.near!.ratioUnsure).toBeLessThan(0.15);
    expect(throughExtension(throughFactor(start(100, 1), 2), 20).far.ratio).toBeCloseTo(20 / 200, 12);
  });
});

describe('the state of a set-up', () => {
  it('reaches from its infinity to its closest focus, and is exact at both ends', () => {
    const with36 = system([closeUp(8), macro, tubes(36)]);
    const range = ratioRange(with36)!;
    // Infinity: v = 100 + 36, 1/F = 1/100 + 8/1000; closest: f' = 75, v = 186.
    expect(range.lowest).toBeCloseTo(136 * 0.018 - 1, 9);
    expect(range.highest).toBeCloseTo(186 * (1 / 75 + 0.008) - 1, 9);
    const low = nearState(with36, 0.0001, 8);
    expect(low.ok && [low.value.turned, low.value.ratio]).toEqual([0, range.lowest]);
    const high = nearState(with36, undefined, 8);
    expect(high.ok && [high.value.turned, high.value.ratio]).toEqual([1, range.highest]);
  });

  it('knows the working f-number of tubes, close-up lenses and converters from the cone of light', () => {
    // Independent: N_w = image distance ÷ opening, times what a converter spreads.
    const cone = (chain: Part[], imageMm: number, openingMm: number, spread = 1) => {
      const state = nearState(system(chain), undefined, 8);
      if (!state.ok) throw new Error();
      expect(state.value.workingFNumber).toBeCloseTo((spread * imageMm) / openingMm, 9);
    };
    const bare = { ...macro, closestFocusM: 0.4, closestRatio: 1 };
    // Effective focal length 100 at life size as well: the opening at f/8 is 12.5 mm.
    cone([bare], 200, 12.5);
    cone([bare, tubes(50)], 250, 12.5);
    cone([closeUp(5), bare], 200, 12.5);
    cone([bare, doubler], 200, 12.5, 2);
  });

  it('says what is missing instead of a number', () => {
    const plain = system([{ ...macro, closestFocusM: undefined, closestRatio: undefined }]);
    const state = nearState(plain, 1, 8);
    expect(!state.ok && state.problem.message).toMatch(/Enter its closest focus/);
    const turned = nearState(
      system([
        { ...macro, lengthMm: undefined },
        { kind: 'reversing', name: 'Ring' },
      ]),
      1,
      8,
    );
    expect(!turned.ok && turned.problem.message).toMatch(/Measure it with a ruler/);
  });
});

describe('depth per frame', () => {
  const cases = (
    vectors.cases as unknown as {
      what: string;
      input: Record<string, number>;
      expect: Record<string, number>;
      relative_tolerance: number;
    }[]
  ).filter((each) => each.what === 'near depth of field per frame');
  it.each(cases)('agrees with the reference $input', ({ input, expect: wanted, relative_tolerance }) => {
    const working = input.fNumber! * (1 + input.ratio! / input.pupilFactor!);
    const depth = nearDepth(input.ratio!, working, input.cocMm!, input.wavelengthUm!);
    for (const [key, value] of [
      ['workingFNumber', working],
      ['objectNA', depth.numericalAperture],
      ['geometricMm', depth.geometricMm],
      ['waveMm', depth.waveMm],
      ['totalMm', depth.totalMm],
    ] as const) {
      expect(Math.abs(value / wanted[key]! - 1)).toBeLessThan(relative_tolerance);
    }
  });

  it('its geometry is that of rays: a point at the edge of it fills the circle of confusion', () => {
    // Lens f 75 at life size, opening 10 mm: u = 150, v = 150. A point nearer by half the depth is drawn behind the sensor.
    const f = 75;
    const opening = 5;
    const { geometricMm } = nearDepth(1, 150 / opening, 0.02);
    const u = 150 - geometricMm / 2;
    const v = 1 / (1 / f - 1 / u);
    expect((opening * (v - 150)) / v).toBeCloseTo(0.02, 3);
  });
});

describe('measuring', () => {
  it('takes a ruler across the frame, with its error and the round ratio it agrees with', () => {
    const found = measureByRuler(36, 22.5);
    expect(found.ok && found.value.ratio).toBeCloseTo(1.6, 12);
    expect(found.ok && found.value.plusMinus).toBeCloseTo((1.6 * 0.5) / 22.5, 12);
    expect(found.ok && found.value.nominal).toBeCloseTo(1.6, 12);
    // Both errors together.
    const both = measureByRuler(36, 24, 0.5, 0.1);
    expect(both.ok && both.value.plusMinus / both.value.ratio).toBeCloseTo(Math.hypot(0.5 / 24, 0.1 / 36), 12);
  });

  it('takes two marks in pixels', () => {
    const found = measureByMarks(3000, 4.36, 10);
    expect(found.ok && found.value.ratio).toBeCloseTo(1.308, 9);
    expect(measureByMarks(0, 4.36, 10).ok).toBe(false);
    expect(measureByRuler(36, 0).ok).toBe(false);
    expect(measureByRuler(36, 0.4).ok).toBe(false);
  });

  it('prefers the roundest ratio within the error, both ways round', () => {
    expect(nominalRatio(0.985, 0.02)).toBe(1);
    expect(nominalRatio(2.16, 0.05)).toBeCloseTo(2.2, 12);
    expect(nominalRatio(0.712, 0.01)).toBeCloseTo(1 / 1.4, 12);
    expect(nominalRatio(1.513, 0.001)).toBeUndefined();
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 10, noNaN: true }),
        fc.double({ min: 0.0001, max: 0.5, noNaN: true }),
        (m, error) => {
          const nominal = nominalRatio(m, error);
          if (nominal !== undefined) expect(Math.abs(nominal - m)).toBeLessThanOrEqual(error);
        },
      ),
    );
  });

  it('implies a focal length from distance or tubes', () => {
    expect(impliedFocalMm(1, 300)).toBe(75);
    expect(impliedByTubesMm(1.48, 1, 36)).toBeCloseTo(75, 9);
    expect(impliedByTubesMm(0.9, 1, 36)).toBeNull();
  });

  it('replaces the estimate everywhere: ratio, field, pixels, depth, error', () => {
    const before = read([macro, tubes(36)]);
    expect(before.ratio.kind).toBe('computed');
    expect(before.ratio.value).toBeCloseTo(1.48, 9);
    expect(before.ratio.plusMinus).toBeCloseTo(0.05 * 0.48, 9);
    const after = read(
      [macro, tubes(36)],
      {},
      { measured: [{ at: 'closest', ratio: 1.6, plusMinus: 0.035, how: 'ruler' }] },
    );
    expect([after.ratio.kind, after.ratio.value, after.ratio.plusMinus]).toEqual(['measured', 1.6, 0.035]);
    expect(after.fieldWidthMm.value).toBeCloseTo(22.5, 9);
    expect(after.pixelsOnSubject.value / before.pixelsOnSubject.value).toBeCloseTo(1.6 / 1.48, 9);
    expect(after.depthMm.value).toBeLessThan(before.depthMm.value);
    expect(after.ratio.why.source).toBe('ruler');
  });

  it('makes a reversed lens of unknown length readable', () => {
    const turned: Part[] = [
      { ...macro, lengthMm: undefined },
      { kind: 'reversing', name: 'Ring' },
    ];
    const after = read(turned, {}, { measured: [{ at: 'closest', ratio: 1.9, plusMinus: 0.04, how: 'ruler' }] });
    expect(after.ratio.value).toBe(1.9);
    expect(after.subjectPixelUm.value).toBeCloseTo(4.36047 / 1.9, 4);
  });
});

describe('the three sizes', () => {
  it('tells sensor, frame and screen apart', () => {
    expect(threeSizes(1, 1.54, 23.4, 300)).toEqual({ onSensor: 1, framed: 1.54, onScreen: 300 / 23.4 });
    const large = read([macro]);
    const small = read([macro], {}, { body: crop });
    expect(small.ratio.value).toBe(large.ratio.value);
    expect(small.framedMagnification.value / large.framedMagnification.value).toBeCloseTo(36 / 23.4, 9);
    expect(small.screenMagnification.value / large.screenMagnification.value).toBeCloseTo(36 / 23.4, 9);
    // The pixels go with the pitch alone.
    expect(small.pixelsOnSubject.value / large.pixelsOnSubject.value).toBeCloseTo(
      small.subjectPixelUm.value ** -1 / large.subjectPixelUm.value ** -1,
      9,
    );
  });

  it('fits the frame into the camera’s own screen', () => {
    const { mm: width, plusMinusMm } = cameraScreenWidthMm({ screenDiagonalMm: 81 }, 1.5)!;
    expect(Math.hypot(width, width / 1.5)).toBeCloseTo(81, 9);
    expect(cameraScreenWidthMm({ screenDiagonalMm: 81 }, 1)!.mm).toBeCloseTo(width / 1.5, 9);
    // Screens are not always 3 : 2: of one of 4 : 3 or 16 : 9 the same frame fills 64.8 or 59.57 mm.
    for (const aspect of [4 / 3, 16 / 9]) {
      const height = 81 / Math.hypot(aspect, 1);
      expect(Math.abs(Math.min(aspect * height, 1.5 * height) - width)).toBeLessThanOrEqual(plusMinusMm + 1e-9);
    }
    expect(cameraScreenWidthMm({ screenWidthMm: 64, screenHeightMm: 48, screenDiagonalMm: 81 }, 1.5)).toEqual({
      mm: 64,
      plusMinusMm: 0,
    });
    expect(cameraScreenWidthMm({ screenWidthMm: 71, screenHeightMm: 40 }, 1.5)).toEqual({ mm: 60, plusMinusMm: 0 });
    expect(cameraScreenWidthMm({}, 1.5)).toBeUndefined();
  });
});

describe('reading', () => {
  it('gives field, sampling, light loss and shutter', () => {
    const reading = read([macro], { fNumber: 8 });
    expect([reading.fieldWidthMm.value, reading.fieldHeightMm.value]).toEqual([36, 24]);
    expect(reading.workingFNumber.value).toBeCloseTo(16, 9);
    expect(reading.lightLossStops.value).toBeCloseTo(2, 9);
    expect(reading.airyUm.value).toBeCloseTo(2.44 * 0.55 * 16, 9);
    expect(reading.handHoldS.value).toBeCloseTo(1 / 200, 9);
    // 300 − 142 − 19.
    expect(reading.workingDistanceMm!.value).toBeCloseTo(139, 6);
  });

  it('warns of the shadow and of the hand', () => {
    const codes = (chain: Part[], change: Partial<Parameters<typeof readNear>[0]> = {}) =>
      read(chain, change).hints.map((hint) => hint.code);
    expect(codes([macro])).toEqual([]);
    expect(codes([closeUp(8), macro])).toEqual(['near.shy', 'near.hand']);
    expect(codes([closeUp(20), macro, tubes(68)])).toContain('near.shadow');
    expect(codes([closeUp(8), macro], { handHoldRatio: 3 })).toEqual(['near.shy']);
    expect(codes([macro], { ratio: 0.05 })).toEqual(['near.far']);
  });

  it('is the same picture however the numbers are reached: no NaN anywhere', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 90, noNaN: true }),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 20 }),
        (ratio, fNumber, mm, dioptres) => {
          const reading = read([...(dioptres ? [closeUp(dioptres)] : []), macro, ...(mm ? [tubes(mm)] : [])], {
            ratio,
            fNumber,
          });
          for (const value of Object.values(reading)) {
            if (typeof value === 'object' && value !== null && 'why' in value)
              expect(Number.isFinite((value as { value: number }).value)).toBe(true);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('f-number', () => {
  const input = {
    system: system([macro]),
    setting: system([macro]).optics.state.near!,
    subjectMm: 14,
    neededPixels: 800,
    judgeBy: 'resolved' as const,
    cocMm: 0.0288,
    threshold: 0.15,
  };

  it('counts in engraved thirds', () => {
    expect(thirdStops(2.8, 8)).toEqual([2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8]);
    expect(thirdStops(5.6, 5.6)).toEqual([5.6]);
  });

  it('gives up detail for depth, and the best is the last that is enough', () => {
    const curve = apertureCurve(input);
    const depths = curve.points.map((point) => point.depthMm);
    expect([...depths].sort((a, b) => a - b)).toEqual(depths);
    expect(curve.enough).toBe(true);
    const after = curve.points[curve.points.indexOf(curve.best) + 1];
    expect(curve.best.counted).toBeGreaterThanOrEqual(800);
    if (after) expect(after.counted).toBeLessThan(800);
    const hopeless = apertureCurve({ ...input, neededPixels: 1e6 });
    expect(hopeless.enough).toBe(false);
    expect(hopeless.best).toEqual(hopeless.sharpest);
  });
});

describe('stack', () => {
  const base = { coverMm: 5, depthMm: 0.5, overlap: 0.2, railStepUm: 10, secondsPerFrame: 3, fileSizeMb: 48 };

  it('covers the depth with the overlap asked for', () => {
    const plan = stackPlan(base);
    if (!plan.ok) throw new Error();
    expect(plan.value.stepMm).toBeCloseTo(0.4, 12);
    expect(plan.value.frames).toHaveLength(Math.ceil(5 / 0.4) + 1);
    expect(plan.value.frames.at(-1)!.positionMm).toBeGreaterThanOrEqual(5);
    expect(plan.value.seconds).toBe(14 * 3);
    expect(plan.value.cardMb).toBe(14 * 48);
  });

  it('never steps farther than the overlap allows, and always reaches the end', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        fc.double({ min: 0.02, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        fc.double({ min: 0.5, max: 1000, noNaN: true }),
        (coverMm, depthMm, overlap, railStepUm) => {
          const plan = stackPlan({ ...base, coverMm, depthMm, overlap, railStepUm });
          if (!plan.ok) return expect(plan.problem.code).toBe('stack.tooMany');
          expect(plan.value.stepMm).toBeLessThanOrEqual(depthMm * (1 - overlap) * (1 + 1e-9));
          expect(plan.value.frames.at(-1)!.positionMm).toBeGreaterThanOrEqual(coverMm * (1 - 1e-9));
        },
      ),
    );
  });

  it('refuses nothing to cover and too much', () => {
    expect(stackPlan({ ...base, coverMm: 0 }).ok).toBe(false);
    const many = stackPlan({ ...base, coverMm: 5000 });
    expect(!many.ok && many.problem.message).toMatch(/Stop down/);
  });
});

describe('sensors compared', () => {
  const compared = (stance: 'sameRatio' | 'sameField' | 'sameDepth') =>
    compareSensors({
      bodies: [body, crop],
      ratio: 1,
      fNumber: 8,
      workingFNumber: 16,
      subjectMm: 14,
      stance,
      cocSchool: 'diagonal',
      viewedPx: 1600,
    });

  it('at the same ratio the depth stays and the frame gets tighter', () => {
    const [a, b] = compared('sameRatio');
    expect(b!.depthMm).toBeCloseTo(a!.depthMm, 12);
    expect(b!.fieldWidthMm).toBeCloseTo(23.4, 9);
    expect(b!.framed / a!.framed).toBeCloseTo(36 / 23.4, 3);
  });

  it('at the same field the smaller sensor is deeper; opened by the crop factor, depth agrees', () => {
    const [a, b] = compared('sameField');
    expect(b!.fieldWidthMm).toBeCloseTo(a!.fieldWidthMm, 9);
    expect(b!.depthMm).toBeGreaterThan(a!.depthMm);
    const [c, d] = compared('sameDepth');
    expect(d!.depthMm / c!.depthMm).toBeCloseTo(1, 9);
    expect(c!.workingFNumber / d!.workingFNumber).toBeCloseTo(36 / 23.4, 9);
  });
});

it('compares sensors from the desk’s own numbers: with a chain whose cone is longer, depth and f-number are those of Near', () => {
  const reading = read([macro, doubler], { ratio: 1.6, fNumber: 11, cocSchool: 'output' });
  const [own] = compareSensors({
    bodies: [body, crop],
    ratio: reading.ratio.value,
    fNumber: 11,
    workingFNumber: reading.workingFNumber.value,
    subjectMm: 14,
    stance: 'sameRatio',
    cocSchool: 'output',
    viewedPx: 1600,
  });
  expect(own!.depthMm).toBeCloseTo(reading.depthMm.value, 12);
  expect(own!.fNumber).toBeCloseTo(11, 12);
  expect(own!.pixels).toBeCloseTo(reading.pixelsOnSubject.value, 9);
});

describe('objectives', () => {
  it('needs four pixels to the wavelength over the aperture, and more is empty', () => {
    const at = (ratio: number) => objectiveSampling(0.1, ratio, 4.36);
    expect(at(4).smallestDetailUm).toBeCloseTo(3.355, 9);
    expect(at(4).enoughUm).toBeCloseTo(1.375, 9);
    expect(at(2).verdict).toBe('tooCoarse');
    expect(at(3.3).verdict).toBe('enough');
    expect(at(6).verdict).toBe('empty');
    expect(at(at(1).usefulRatio).verdict).toBe('enough');
    expect(objectiveCircleMm(22, 4, 2)).toBe(11);
  });

  it('reads behind a photographic lens as tube lens: m = M·f/f_design, N_w = m/(2·NA)', () => {
    const objective: Part = {
      kind: 'objective',
      name: '4×',
      magnification: 4,
      numericalAperture: 0.1,
      correction: 'infinity',
      designTubeFocalMm: 200,
      workingDistanceMm: 30,
    };
    const reading = read([objective, { ...macro, closestFocusM: undefined, closestRatio: undefined }]);
    expect(reading.ratio.value).toBeCloseTo(2, 9);
    expect(reading.workingFNumber.value).toBeCloseTo(10, 9);
    expect(reading.workingDistanceMm!.value).toBe(30);
    expect(reading.state.fixedAperture).toBe(true);
  });
});

describe('levers', () => {
  it('offers filling the frame, the best f-number and the parts, each with what it changes', () => {
    const levers = nearLevers({
      setup: { body, modeId: 'whole', chain: [macro] },
      subject,
      output: web,
      judgeBy: 'resolved',
      cocSchool: 'diagonal',
      convention: 'usual',
      ratio: 0.4,
      fNumber: 4,
      kit: { parts: [{ id: 'set', part: tubes(36) }], setups: [] },
    });
    const byId = Object.fromEntries(levers.map((lever) => [lever.id, lever]));
    expect(byId.ratio!.ratioAfter).toBe(1);
    expect(byId.ratio!.patch).toEqual({ nearRatio: 1 });
    expect(byId.aperture!.fNumberAfter).toBeGreaterThan(4);
    expect(byId.aperture!.depthChange).toBeGreaterThan(1);
    expect(byId['chain:set:36']!.ratioAfter).toBeCloseTo(1.48, 9);
    expect(byId['chain:set:36']!.workingChangeMm).toBeLessThan(0);
    expect(byId['chain:set:36']!.stops).toBeLessThan(0);
  });
});
