import fc from 'fast-check';
import type { BodySpec } from '../kit/body';
import type { ConverterSpec, LensSpec } from '../chain/parts';
import type { SubjectSpec } from '../kit/subjects';
import { foldSystem, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { focalForPixels } from './imaging';
import { farLevers, type FarSituation } from './levers';
import { nearestDistanceM } from './focusAt';
import { readFar, type FarReading } from './readFar';

const body: BodySpec = {
  name: 'Test body',
  sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
  antiAliasFilter: 'none',
  cropModes: [
    { id: 'c15', name: 'Crop 1.5', factor: 1.5, framesPerSecond: 15, fileSizeMb: 20 },
    { id: 'wide', name: 'Wide', aspect: 16 / 9 },
  ],
  framesPerSecond: 12,
  fileSizeMb: 45,
  autofocusLimitFNumber: 8,
  slowAutofocusLimitFNumber: 11,
};
const lens: LensSpec = {
  kind: 'lens',
  name: 'Test 600',
  focalWideMm: 600,
  focalTeleMm: 600,
  fNumberWide: 5.6,
  fNumberTele: 5.6,
  lens50LpPerMm: 80,
  detailClass: 'good',
  autofocus: true,
};
const zoom: LensSpec = {
  ...lens,
  name: 'Test zoom',
  focalWideMm: 100,
  focalTeleMm: 400,
  fNumberWide: 4.5,
  fNumberTele: 6.3,
};
const x14: ConverterSpec = { kind: 'converter', name: '×1.4', factor: 1.4, autofocus: true };
const reducer: ConverterSpec = { kind: 'converter', name: '×0.71', factor: 0.71, autofocus: true };
const bird: SubjectSpec = { name: 'Bird', kind: 'wader', sizeMm: 500, distanceM: 40 };
const web: OutputSpec = { kind: 'screen', name: 'Web', longSidePx: 2000, subjectShare: 0.5 };

function system(setup: Partial<SystemInput> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain: [lens], ...setup });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}

function read(setup: Partial<SystemInput> = {}, distanceM = 40, subject = bird, output = web): FarReading {
  const reading = readFar({ system: system(setup), subject, distanceM, output });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value;
}

const distances = fc.double({ min: 3, max: 500, noNaN: true });

describe('a far reading', () => {
  it('gives the same pixels on the subject in every crop mode, and a larger share of the frame', () => {
    fc.assert(
      fc.property(distances, (distanceM) => {
        const whole = read({}, distanceM);
        const crop = read({ modeId: 'c15' }, distanceM);
        expect(crop.pixelsOnSubject.value).toBe(whole.pixelsOnSubject.value);
        expect(crop.resolvedPixels.value).toBe(whole.resolvedPixels.value);
        expect(crop.shareOfFrame.value / whole.shareOfFrame.value).toBeCloseTo(1.5, 3);
      }),
    );
  });

  it('depends on the pitch, not on the size of the sensor', () => {
    const small: BodySpec = { ...body, sensor: { widthMm: 18, heightMm: 12, columns: 4128, rows: 2752 } };
    fc.assert(
      fc.property(distances, (distanceM) => {
        expect(read({ body: small }, distanceM).pixelsOnSubject.value).toBeCloseTo(
          read({}, distanceM).pixelsOnSubject.value,
          6,
        );
      }),
    );
  });

  it('falls with the distance and grows with the subject', () => {
    fc.assert(
      fc.property(distances, (distanceM) => {
        expect(read({}, distanceM * 1.01).pixelsOnSubject.value).toBeLessThan(
          read({}, distanceM).pixelsOnSubject.value,
        );
        expect(read({}, distanceM, { ...bird, sizeMm: 1000 }).pixelsOnSubject.value).toBeCloseTo(
          2 * read({}, distanceM).pixelsOnSubject.value,
          6,
        );
      }),
    );
  });

  it('never resolves more pixels than there are', () => {
    fc.assert(
      fc.property(distances, (distanceM) => {
        const reading = read({}, distanceM);
        expect(reading.resolvedPixels.value).toBeLessThanOrEqual(reading.pixelsOnSubject.value);
      }),
    );
  });

  it('carries the spread of sizes into its error', () => {
    const reading = read({}, 40, { ...bird, sizePlusMinusMm: 50 });
    expect(reading.pixelsOnSubject.plusMinus! / reading.pixelsOnSubject.value).toBeCloseTo(0.1, 6);
  });

  it('has a class default’s uncertainty in what is resolved', () => {
    const unknown = read({ chain: [{ ...lens, lens50LpPerMm: undefined }] });
    expect(unknown.resolvedPixels.plusMinus).toBeGreaterThan(0);
    expect(read().resolvedPixels.plusMinus).toBeUndefined();
  });

  it('knows what stands in the way', () => {
    const near = readFar({
      system: system({ chain: [{ ...lens, closestFocusM: 4.5 }] }),
      subject: bird,
      distanceM: 3,
      output: web,
    });
    expect(near).toMatchObject({ ok: true, value: { obstacle: { code: 'focus.closest' } } });
    expect(readFar({ system: system(), subject: bird, distanceM: 2, output: web })).toMatchObject({
      ok: false,
      problem: { code: 'distance.tooNear' },
    });
  });

  it('uses a macro lens’s own data nearer than four focal lengths', () => {
    const macro: LensSpec = { ...lens, focalWideMm: 100, focalTeleMm: 100, closestFocusM: 0.3, closestRatio: 1 };
    expect(read({ chain: [macro] }, 0.3).ratio.value).toBeCloseTo(1, 9);
    expect(nearestDistanceM(system({ chain: [macro] }))).toBe(0.3);
  });

  it('explains every number with values that give it', () => {
    const reading = read();
    const { inputs } = reading.pixelsOnSubject.why;
    const by = Object.fromEntries(inputs.map((each) => [each.symbol, each.quantity.value]));
    expect((1000 * by.m! * by.L!) / by.p!).toBeCloseTo(reading.pixelsOnSubject.value, 9);
    for (const quantity of Object.values(reading)) {
      if (typeof quantity !== 'object' || !('why' in quantity)) continue;
      expect(quantity.why.source.length).toBeGreaterThan(3);
      expect(Number.isFinite(quantity.value)).toBe(true);
    }
  });
});

describe('the inverse problems', () => {
  it('find the focal length that gives a count', () => {
    fc.assert(
      fc.property(distances, fc.double({ min: 50, max: 700, noNaN: true }), (distanceM, focalMm) => {
        if (distanceM * 1000 < 5 * focalMm) return;
        const pixels = read({ chain: [{ ...lens, focalWideMm: focalMm, focalTeleMm: focalMm }] }, distanceM)
          .pixelsOnSubject.value;
        const pitch = system().pitchUm.value;
        const focal = focalForPixels(distanceM * 1000, pitch, 500, pixels);
        if (!focal.ok) throw new Error('not found');
        expect(focal.value / focalMm).toBeCloseTo(1, 9);
      }),
    );
  });

  it('say when no place would do', () => {
    expect(focalForPixels(40_000, 4, 500, 1e9).ok).toBe(false);
  });
});

describe('folding', () => {
  it('multiplies converters and reducers in whichever order', () => {
    const one = system({ chain: [lens, x14, reducer] });
    const other = system({ chain: [lens, reducer, x14] });
    expect(one.focalMm.value).toBeCloseTo(600 * 1.4 * 0.71, 9);
    expect(one.focalMm.value).toBeCloseTo(other.focalMm.value, 9);
    expect(one.fNumber.value).toBeCloseTo(other.fNumber.value, 9);
    expect(one.lens50LpPerMm.value).toBeCloseTo(other.lens50LpPerMm.value, 9);
    expect(one.equivalentFocalMm.value).toBeCloseTo(other.equivalentFocalMm.value, 9);
  });

  it('keeps the entrance pupil behind any converter', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.4, max: 3, noNaN: true }), (factor) => {
        expect(system({ chain: [lens, { ...x14, factor }] }).entrancePupilMm.value).toBeCloseTo(600 / 5.6, 9);
      }),
    );
  });

  it('judges autofocus at the combined f-number', () => {
    expect(system().autofocus.state).toBe('works');
    expect(system({ chain: [lens, x14] }).autofocus.state).toBe('works');
    expect(system({ chain: [lens, { ...x14, factor: 1.9 }] }).autofocus.state).toBe('slow');
    expect(system({ chain: [lens, { ...x14, factor: 2 }] }).autofocus.state).toBe('off');
    expect(system({ chain: [{ ...lens, autofocus: false }] }).autofocus.state).toBe('off');
    expect(system({ body: { ...body, autofocusLimitFNumber: undefined } }).autofocus.state).toBe('unknown');
  });

  it('warns of dark corners and names the crop that is clean', () => {
    const small = system({ chain: [{ ...lens, imageCircleWideMm: 28.5 }] });
    expect(small.warnings.map((warning) => warning.code)).toEqual(['coverage.dark']);
    expect(system({ modeId: 'c15', chain: [{ ...lens, imageCircleWideMm: 28.9 }] }).warnings).toEqual([]);
    expect(system({ chain: [{ ...lens, imageCircleWideMm: 32 }, x14] }).warnings).toEqual([]);
  });

  it('uses the usual convention of each kind of mode, or the one chosen', () => {
    expect(system().convention).toBe('diagonal');
    expect(system({ modeId: 'wide' }).convention).toBe('sameAspect');
    const wide = foldSystem({ body, modeId: 'wide', chain: [lens] }, 'width');
    expect(wide).toMatchObject({ ok: true, value: { convention: 'width' } });
  });

  it('holds the focal length to the lens', () => {
    expect(system({ chain: [zoom], focalMm: 1e9 }).focalMm.value).toBe(400);
    expect(system({ chain: [zoom], focalMm: 1 }).focalMm.value).toBe(100);
    expect(system({ chain: [zoom] }).focalMm.value).toBe(400);
  });

  it.each([
    [{ chain: [] }, 'chain.noLens'],
    [{ chain: [lens, lens] }, 'chain.twoLenses'],
    [{ chain: [x14, lens] }, 'chain.order'],
    [{ modeId: 'gone' }, 'mode.unknown'],
  ] as [Partial<SystemInput>, string][])('refuses %j with %s', (setup, code) => {
    expect(foldSystem({ body, modeId: 'whole', chain: [lens], ...setup })).toMatchObject({
      ok: false,
      problem: { code },
    });
  });

  it('adds weight and says what it does not know', () => {
    const heavy = system({
      body: { ...body, weightG: 900 },
      chain: [{ ...lens, weightG: 2000 }, x14],
      supportWeightG: 1500,
    });
    expect(heavy.weightG?.value).toBe(4400);
    expect(heavy.weightG?.why.neglects).toContain('×1.4');
    expect(system().price).toBeUndefined();
  });
});

describe('levers', () => {
  const situation = (change: Partial<FarSituation> = {}): FarSituation => ({
    setup: { body, modeId: 'whole', chain: [lens] },
    subject: bird,
    distanceM: 60,
    output: web,
    judgeBy: 'resolved',
    convention: 'usual',
    kit: {
      parts: [{ id: 'x14', part: x14 }],
      setups: [{ id: 'other', name: 'Other', setup: { body, modeId: 'whole', chain: [zoom] } }],
    },
    ...change,
  });
  const of = (change: Partial<FarSituation>, kind: string) =>
    farLevers(situation(change)).find((lever) => lever.kind === kind)!;

  it('come close enough, and not closer than the step one walks', () => {
    const lever = of({ distanceM: 90 }, 'distance');
    expect(lever.distanceChangeM).toBeLessThan(0);
    expect(lever.verdictAfter).toBe('enough');
    const target = lever.patch.distanceM!;
    expect(read({}, target).resolvedPixels.value).toBeGreaterThanOrEqual(1000);
    expect(read({}, target + 0.5).resolvedPixels.value).toBeLessThan(1000);
  });

  it('step back while it is still enough', () => {
    const lever = of({ distanceM: 20 }, 'distance');
    expect(lever.distanceChangeM).toBeGreaterThan(0);
    expect(lever.verdictAfter).toBe('enough');
  });

  it('step back to where the lens can focus', () => {
    const close = { ...lens, closestFocusM: 4.5 };
    const lever = farLevers(situation({ distanceM: 3, setup: { body, modeId: 'whole', chain: [close] } })).find(
      (each) => each.kind === 'distance',
    );
    expect(lever?.patch.distanceM).toBe(4.5);
  });

  it('tell the exact gain and price of a converter', () => {
    const lever = of({}, 'chain');
    expect(lever.pixelsRatio).toBeCloseTo(
      read({ chain: [lens, x14] }, 60).pixelsOnSubject.value / read({}, 60).pixelsOnSubject.value,
      9,
    );
    expect(lever.resolvedRatio).toBeLessThan(lever.pixelsRatio);
    expect(lever.stops).toBeCloseTo(-2 * Math.log2(1.4), 9);
    expect(
      of(
        {
          setup: {
            body,
            modeId: 'whole',
            chain: [
              { id: 'lens', part: lens },
              { id: 'x14', part: x14 },
            ],
          },
        },
        'chain',
      ),
    ).toMatchObject({ removes: true, patch: { chain: [{ id: 'lens' }] } });
  });

  it('tell that a crop mode changes no pixel, only what is seen, files and frames', () => {
    const lever = of({}, 'mode');
    expect(lever.pixelsRatio).toBe(1);
    expect(lever.surroundingsRatio).toBeCloseTo(1 / 2.25, 3);
    expect(lever.fileSizeRatio).toBeCloseTo(20 / 45, 9);
    expect([lever.framesPerSecondBefore, lever.framesPerSecondAfter]).toEqual([12, 15]);
  });

  it('zoom as far as needed, and back when the subject does not fit', () => {
    const zoomed = { body, modeId: 'whole', chain: [zoom], focalMm: 120 };
    expect(of({ setup: zoomed, distanceM: 15 }, 'focal').verdictAfter).toBe('enough');
    const tight = of({ setup: { ...zoomed, focalMm: 400 }, distanceM: 4, subject: { ...bird, sizeMm: 900 } }, 'focal');
    expect(tight.patch.focalMm).toBeLessThan(400);
  });

  it('compare other set-ups', () => {
    expect(of({}, 'setup')).toMatchObject({ name: 'Other', patch: { setupId: 'other' } });
    expect(of({}, 'setup').pixelsRatio).toBeCloseTo(400 / 600, 1);
  });

  it('offer nothing that cannot be read, and nothing for a situation that cannot', () => {
    expect(farLevers(situation({ distanceM: 0.5 }))).toEqual([]);
  });
});
