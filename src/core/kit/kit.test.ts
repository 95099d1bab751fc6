import { checksOf, stepsOf } from '../../../tests/support/chain';
import fc from 'fast-check';
import { demoAdapters, demoBodies, demoOptics, demoOutputs } from '@/demo/kit';
import { foldSystem } from '../optics/foldSystem';
import { focalStops, focalTable } from './focalTable';
import { modeTable } from './modeTable';
import type { AdapterPart, LensSpec, Part } from '../chain/parts';
import type { BodySpec } from './body';

const body = demoBodies.ostrel.data;
const outputs = Object.values(demoOutputs).map((row) => row.data);
const table = (change: Partial<BodySpec> = {}, cardGb = 128) =>
  modeTable({ body: { ...body, ...change }, cardGb, pixelsPerInch: 240, outputs });
const codes = (chain: Part[], withBody: BodySpec = body) =>
  checksOf(
    { body: withBody, modeId: 'whole', chain },
    Object.values(demoAdapters).map((row) => row.data as AdapterPart),
  ).map((check) => check.code);
const message = (chain: Part[], code: string, withBody: BodySpec = body) =>
  checksOf(
    { body: withBody, modeId: 'whole', chain },
    Object.values(demoAdapters).map((row) => row.data as AdapterPart),
  ).find((check) => check.code === code)?.message;
const lens = demoOptics.tele600.data;

describe('mode table', () => {
  it('divides the megapixels by the factor squared, and names the usual mistake', () => {
    const row = table().find((each) => each.mode.id === 'c15')!;
    expect(row.megapixels.value).toBeCloseTo((8256 * 5504) / 2.25 / 1e6, 2);
    expect(row.megapixels.why.source).toMatch(
      /Divided once, 45\.4 ÷ 1\.5 = 30\.3 MP: the usual mistake, 1\.5 times too many/,
    );
  });

  it('counts whole pictures on a card of millions of bytes', () => {
    expect(table()[0]!.picturesOnCard!.value).toBe(Math.floor(128_000 / 48));
  });

  it('estimates the file of a mode from its pixels when it was not entered, and says so with an error', () => {
    const row = table({ cropModes: [{ id: 'x', name: 'Crop 2', factor: 2 }] })[1]!;
    expect(row.fileSizeMb!.value).toBeCloseTo(12, 2);
    expect(row.fileSizeMb!.plusMinus).toBeGreaterThan(1);
    const raw = table({ fileSizeMb: undefined, bitsPerSample: 14 })[0]!;
    expect(raw.fileSizeMb!.value).toBeCloseTo((8256 * 5504 * 14) / 8e6, 6);
    expect(table({ fileSizeMb: undefined, bitsPerSample: undefined, cropModes: [] })[0]!.fileSizeMb).toBeUndefined();
  });

  it('fills the buffer with what the card cannot take', () => {
    const whole = table()[0]!;
    expect(whole.burstSeconds!.value).toBeCloseTo(3400 / (9 * 48 - 260), 9);
    // 9 a second for 19.77 s, of which 177 are whole.
    expect(whole.burstPictures!.value).toBe(177);
    expect(table({ cardWriteMbPerS: 2000 })[0]).toMatchObject({ endlessBurst: true });
    expect(table({ burstBufferMb: undefined })[0]!.burstSeconds).toBeUndefined();
  });

  it('prints as long as the pixels reach, and judges every output that has a size', () => {
    const whole = table()[0]!;
    expect(whole.printLongMm.value).toBeCloseTo((8256 / 240) * 25.4, 9);
    expect(whole.verdicts.map((each) => each.verdict)).toEqual(['more', 'more', null]);
    expect(
      table({ cropModes: [{ id: 'x', name: 'Tiny', pixels: { columns: 1500, rows: 1000 } }] })[1]!.verdicts[0]!.verdict,
    ).toBe('notEnough');
  });

  it('never shows NaN whatever a body lacks', () => {
    fc.assert(
      fc.property(
        fc.record({
          fileSizeMb: fc.option(fc.double({ min: 0.1, max: 300, noNaN: true }), { nil: undefined }),
          burstBufferMb: fc.option(fc.double({ min: 1, max: 9000, noNaN: true }), { nil: undefined }),
          framesPerSecond: fc.option(fc.double({ min: 0.5, max: 240, noNaN: true }), { nil: undefined }),
          cardWriteMbPerS: fc.option(fc.double({ min: 1, max: 3000, noNaN: true }), { nil: undefined }),
        }),
        (change) => {
          for (const row of table(change)) {
            for (const quantity of [
              row.megapixels,
              row.fileSizeMb,
              row.picturesOnCard,
              row.burstSeconds,
              row.burstPictures,
              row.printLongMm,
            ])
              if (quantity) expect(Number.isFinite(quantity.value)).toBe(true);
          }
        },
      ),
    );
  });
});

describe('what each part changed', () => {
  it('starts from the lens and goes outwards, each step from where the last one ended', () => {
    const steps = stepsOf({
      body,
      modeId: 'whole',
      chain: [
        demoAdapters.closeUp.data,
        demoOptics.macro100.data,
        demoAdapters.tubes.data,
        demoAdapters.converter14.data,
      ],
    });
    if (!steps.ok) throw new Error(steps.problem.message);
    expect(steps.value.map((step) => step.kind)).toEqual(['lens', 'closeUp', 'tubes', 'converter']);
    for (let i = 1; i < steps.value.length; i++) expect(steps.value[i]!.before).toEqual(steps.value[i - 1]!.after);
    expect(steps.value[3]!.stops).toBeCloseTo(-2 * Math.log2(1.4), 9);
    expect(steps.value[3]!.after.ratio! / steps.value[3]!.before!.ratio!).toBeCloseTo(1.4, 9);
  });

  it('ends where the folded system is', () => {
    const chain = [demoOptics.macro100.data, demoAdapters.tubes.data, demoAdapters.converter14.data];
    const steps = stepsOf({ body, modeId: 'whole', chain });
    const system = foldSystem({ body, modeId: 'whole', chain });
    if (!steps.ok || !system.ok) throw new Error('did not fold');
    expect(steps.value.at(-1)!.after).toMatchObject({
      focalMm: system.value.focalMm.value,
      fNumber: system.value.fNumber.value,
      ratio: system.value.ratioAtClosest!.value,
      imageCircleMm: system.value.imageCircleMm!.value,
    });
  });
});

describe('along a zoom', () => {
  it('has both ends and steps between', () => {
    expect(focalStops(600, 600)).toEqual([600]);
    const stops = focalStops(70, 300);
    expect([stops[0], stops.at(-1), stops.length]).toEqual([70, 300, 5]);
    expect([...stops].sort((a, b) => a - b)).toEqual(stops);
  });

  it('tells at each focal length how much a small-format zoom covers', () => {
    const rows = focalTable({ body, modeId: 'whole', chain: [demoOptics.zoom70300.data] }, 'usual');
    expect(rows[0]!.coveredShare!).toBeLessThan(rows.at(-1)!.coveredShare!);
    expect(rows[0]!.cleanCropFactor!).toBeCloseTo(Math.hypot(36, 24) / 28.6, 9);
  });
});

describe('checks of a set-up', () => {
  it('has nothing to say about what simply works', () => {
    expect(codes([lens])).toEqual([]);
  });

  it('says what does not mount, and which adapter of the kit would do', () => {
    expect(message([demoOptics.mirror500.data], 'mount.mismatch')).toBe(
      'Merrow mirror 500 f/8 does not mount: it has the mount Merrow SLR, Ostrel R45 takes Ostrel R. SLR onto Ostrel R of the kit would do: put it between the two.',
    );
    expect(codes([demoOptics.mirror500.data, demoAdapters.slrAdapter.data])).not.toContain('mount.mismatch');
    expect(message([demoOptics.tele300.data], 'mount.mismatch')).toMatch(/the kit has none/);
    expect(message([demoOptics.pocketLens.data], 'mount.mismatch')).toMatch(/built into its own camera/);
  });

  it('says what does not cover, and from which crop on it is clean', () => {
    expect(message([{ ...demoOptics.zoom70300.data, mount: undefined } as LensSpec], 'coverage.dark')).toMatch(
      /covers 9\d %.*A crop of 1\.2/,
    );
  });

  describe('offers the one move that mends it, and the move does', () => {
    const mendOf = (chain: Part[], code: string) =>
      checksOf(
        { body, modeId: 'whole', chain },
        Object.values(demoAdapters).map((row) => row.data as AdapterPart),
      ).find((check) => check.code === code)?.mend;

    it('an adapter of the kit where the mounts differ, nothing where the kit has none', () => {
      expect(mendOf([demoOptics.mirror500.data], 'mount.mismatch')).toEqual({
        does: 'add',
        name: demoAdapters.slrAdapter.data.name,
      });
      expect(mendOf([demoOptics.tele300.data], 'mount.mismatch')).toBeUndefined();
    });

    it('the largest mode that the image circle covers', () => {
      const small: Part = { ...demoOptics.zoom70300.data, mount: undefined };
      const mend = mendOf([small], 'coverage.dark');
      if (mend?.does !== 'mode') throw new Error('no mode');
      const clean = foldSystem({ body, modeId: mend.modeId, chain: [small] });
      const codesThere = clean.ok ? clean.value.warnings.map(({ code }) => code) : [clean.problem.code];
      expect(codesThere).not.toContain('coverage.dark');
      // Every mode of the body with more pixels than that one leaves dark corners.
      const area = (id: string) => {
        const there = foldSystem({ body, modeId: id, chain: [small] });
        if (!there.ok) throw new Error(there.problem.message);
        return {
          pixels: there.value.used.columns * there.value.used.rows,
          dark: there.value.warnings.some(({ code }) => code === 'coverage.dark'),
        };
      };
      const chosen = area(mend.modeId);
      for (const { id } of body.cropModes.filter((each) => area(each.id).pixels > chosen.pixels))
        expect(area(id).dark).toBe(true);
    });

    it('tubes and converter the other way round, which then reaches the other ratio', () => {
      const macro: Part = { ...demoOptics.macro100.data, takesConverters: true };
      const chain: Part[] = [macro, demoAdapters.tubes.data, demoAdapters.converter14.data];
      const mend = mendOf(chain, 'order.matters');
      if (mend?.does !== 'order') throw new Error('no order');
      expect(mend.order).toEqual([0, 2, 1]);
      expect(mend.words).toBe('Put the tubes behind the converter');
      const turned = mend.order.map((at) => chain[at]!);
      expect(message(turned, 'order.matters')).toMatch(/behind the converter it reaches 2\.95 : 1/);
      expect(mendOf(turned, 'order.matters')).toMatchObject({ order: [0, 2, 1] });
    });
  });

  it('asks of a reversed lens only what is missing', () => {
    const bare: Part = { ...demoOptics.wide20.data, lengthMm: undefined, flangeMm: undefined };
    const asked = (chain: readonly Part[], flangeMm: number | undefined) => {
      const there = foldSystem({ body: { ...demoBodies.ostrel.data, flangeMm }, modeId: 'whole', chain });
      return there.ok ? there.value.warnings.find(({ code }) => code === 'ratio.unknown')?.message : undefined;
    };
    const reversed = [bare, demoAdapters.reversing.data];
    expect(asked(reversed, 18)).toBe(
      'How large it draws cannot be worked out without the length of the lens. Enter it, or measure with a ruler.',
    );
    expect(asked([{ ...bare, lengthMm: 60 }, demoAdapters.reversing.data], undefined)).toMatch(
      /without the flange distance of the body\. Enter it/,
    );
    expect(asked(reversed, undefined)).toMatch(
      /without the length of the lens and the flange distance of the body\. Enter them/,
    );
  });

  it('says where autofocus ends', () => {
    expect(message([lens, demoAdapters.converter20.data], 'autofocus.off')).toMatch(/up to f\/11 only/);
    expect(
      message([{ ...lens, fNumberWide: 7, fNumberTele: 7 }, demoAdapters.converter14.data], 'autofocus.slow'),
    ).toMatch(/slow between f\/8 and f\/11/);
    expect(message([demoOptics.mirror500.data, demoAdapters.slrAdapter.data], 'autofocus.off')).toMatch(
      /has no autofocus/,
    );
  });

  it('says what no longer reaches infinity', () => {
    expect(message([demoOptics.macro100.data, demoAdapters.tubes.data], 'focus.noInfinity')).toMatch(
      /Does not reach infinity: focuses from .* to /,
    );
    expect(codes([{ ...lens, flangeMm: 15 }])).toContain('focus.flange');
    expect(codes([demoOptics.wide20.data, demoAdapters.reversing.data])).toContain('reversed.estimate');
  });

  it('says whether a converter goes in behind the lens, or that nobody knows', () => {
    expect(codes([demoOptics.macro100.data, demoAdapters.converter14.data])).toContain('converter.touches');
    expect(codes([{ ...lens, takesConverters: undefined }, demoAdapters.converter14.data])).toContain(
      'converter.unknown',
    );
    expect(codes([lens, demoAdapters.converter14.data])).not.toContain('converter.unknown');
  });

  it('warns of a reducer on a lens that throws too little', () => {
    const reducer: AdapterPart = {
      kind: 'reducer',
      name: 'Reducer',
      factor: 0.71,
      neededCircleMm: 42,
      autofocus: true,
    };
    expect(codes([{ ...lens, imageCircleWideMm: 29 }, reducer])).toContain('reducer.circle');
    expect(
      codes([
        { ...lens, imageCircleWideMm: undefined, madeFor: 'apsC' },
        { ...reducer, neededCircleMm: undefined },
      ]),
    ).toContain('reducer.format');
  });

  it('says when the order of tubes and converter counts, with both ratios', () => {
    expect(
      message(
        [
          { ...demoOptics.macro100.data, takesConverters: true },
          demoAdapters.tubes.data,
          demoAdapters.converter14.data,
        ],
        'order.matters',
      ),
    ).toMatch(/in front of the converter it reaches 2\.67 : 1, the other way round 2\.95 : 1/);
    expect(codes([lens, demoAdapters.converter14.data, demoAdapters.converter20.data])).not.toContain('order.matters');
  });

  it('says what a scope, a mirror lens and a short back focus bring with them', () => {
    expect(codes([demoOptics.scope.data, demoOptics.pocketLens.data], demoBodies.pocket.data)).toContain(
      'scope.noAdapter',
    );
    expect(codes([demoOptics.mirror500.data, demoAdapters.slrAdapter.data])).toEqual(
      expect.arrayContaining(['aperture.fixed', 'blur.ring']),
    );
    expect(codes([{ ...demoOptics.refractor.data, backFocusMm: 40 } as Part, demoAdapters.drawtube.data])).toContain(
      'focus.backFocus',
    );
  });

  it('is the problem itself where no picture is formed, most serious first otherwise', () => {
    expect(codes([])).toEqual(['chain.noLens']);
    const weights = checksOf(
      { body, modeId: 'whole', chain: [demoOptics.tele300.data, demoAdapters.converter14.data] },
      [],
    ).map((check) => check.weight);
    expect(weights).toEqual(
      [...weights].sort((a, b) => ['stop', 'caution', 'note'].indexOf(a) - ['stop', 'caution', 'note'].indexOf(b)),
    );
  });
});
