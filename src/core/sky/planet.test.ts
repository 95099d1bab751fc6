import fc from 'fast-check';
import vectors from '../vectors/physics.json';
import { demoBodies, demoOptics } from '@/demo/kit';
import { foldSystem } from '../optics/foldSystem';
import { planCapture, rateOf } from './capture';
import { criticalFNumber, discPx, longestCaptureS, readPlanet, standOf } from './planet';
import { spreadChoices } from './spread';

const body = {
  ...demoBodies.ostrel.data,
  readoutWindows: [
    { columns: 2688, rows: 1520, framesPerSecond: 60 },
    { columns: 640, rows: 480, framesPerSecond: 230 },
    { columns: 320, rows: 240, framesPerSecond: 440 },
  ],
};

describe('a planet', () => {
  it.each(
    vectors.cases
      .filter((each) => each.what === 'planet')
      .map((each) => [each.input, each.expect] as unknown as [Record<string, number>, Record<string, number>]),
  )('agrees with the shipped values for %j', (from, wanted) => {
    const disc = discPx(from.discArcsec!, from.focalMm!, from.pitchUm!);
    expect(disc / wanted.discPx!).toBeCloseTo(1, 6);
    expect((206.265 * from.pitchUm!) / from.focalMm! / wanted.arcsecPerPx!).toBeCloseTo(1, 6);
    expect(longestCaptureS(from.blurPx!, from.rotationSeconds!, disc) / wanted.longestCaptureSeconds!).toBeCloseTo(
      1,
      6,
    );
    expect(criticalFNumber(from.pitchUm!) / wanted.criticalFNumber!).toBeCloseTo(1, 6);
    expect(from.focalMm! / from.apertureMm! / from.pitchUm! / wanted.fNumberOverPitch!).toBeCloseTo(1, 6);
  });

  it('has about as many pixels as the telescope has millimetres, at five times the pixel, when its disc is 41.25″', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 400, noNaN: true }),
        fc.double({ min: 1.5, max: 8, noNaN: true }),
        (apertureMm, pitchUm) => {
          expect(discPx(41.253, 5 * pitchUm * apertureMm, pitchUm) / apertureMm).toBeCloseTo(1, 5);
        },
      ),
    );
  });

  it('is read through a chain, with every number’s reason', () => {
    const system = foldSystem({ body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] });
    if (!system.ok) throw new Error(system.problem.message);
    const reading = readPlanet({ system: system.value, planet: 'Jupiter', discArcsec: 45, blurPx: 1 });
    // 45″ · 600 mm / (206.265 · 4.3605 µm)
    expect(reading.discPx.value).toBeCloseTo(30.02, 2);
    expect(reading.discPx.why.inputs.map((each) => each.symbol)).toEqual(['θ', 'f', 'p']);
    expect(reading.stand).toBe('coarse');
    expect(reading.longestCaptureS.value).toBeCloseTo(35_730 / Math.PI / reading.discPx.value, 6);
  });

  it('names where the focal ratio stands', () => {
    expect([2.9, 3, 5, 5.1, 7, 7.1].map(standOf)).toEqual([
      'coarse',
      'customary',
      'customary',
      'fineSeeing',
      'fineSeeing',
      'empty',
    ]);
  });
});

it('shows what each Barlow makes of the disc, and that it only spreads the light', () => {
  const choices = spreadChoices(
    { focalMm: 1800, fNumber: 10 },
    2,
    [
      { id: 'b2', name: '×2', factor: 2 },
      { id: 'r', name: '×0.8', factor: 0.8 },
    ],
    2.9,
    45,
  );
  expect(choices.map((each) => each.id)).toEqual(['r', 'bare', 'b2']);
  expect(choices.find((each) => each.present)?.id).toBe('b2');
  const [reducer, bare, barlow] = choices as [(typeof choices)[0], (typeof choices)[0], (typeof choices)[0]];
  expect(barlow.discPx).toBeCloseTo(2 * bare.discPx, 9);
  expect(bare.pixelLightStops).toBeCloseTo(2, 9);
  expect(reducer.pixelLightStops).toBeCloseTo(2 * Math.log2(2.5), 9);
});

describe('a recording', () => {
  const plan = (change: Partial<Parameters<typeof planCapture>[0]> = {}) =>
    planCapture({
      body,
      discPx: 160,
      margin: 1.4,
      exposureS: 0.008,
      linkMbPerS: 350,
      durationS: 100,
      bits: 8,
      cardGb: 64,
      ...change,
    });
  it('takes the smallest window that holds the disc, and is held by the slowest of exposure, link and read-out', () => {
    expect(plan()).toMatchObject({
      columns: 320,
      rows: 240,
      fits: true,
      framesPerSecond: 125,
      limit: 'exposure',
      frames: 12_500,
    });
    expect(plan({ exposureS: 0.001 })).toMatchObject({ framesPerSecond: 440, limit: 'readout' });
    expect(plan({ exposureS: 0.001, linkMbPerS: 20 })).toMatchObject({
      framesPerSecond: 20e6 / (320 * 240),
      limit: 'link',
    });
    expect(plan({ discPx: 200 })).toMatchObject({ columns: 640, rows: 480 });
    expect(plan({ discPx: 3000 })).toMatchObject({ columns: 2688, fits: false });
  });

  it('weighs what the open layout weighs: a header, the frames, their times', () => {
    const { frames, fileBytes } = plan();
    expect(fileBytes).toBe(178 + frames * (320 * 240 + 8));
    expect(plan({ bits: 16 }).fileBytes).toBe(178 + plan({ bits: 16 }).frames * (320 * 240 * 2 + 8));
    expect(plan().cardMinutes).toBeCloseTo(64e9 / (125 * (320 * 240 + 8)) / 60, 6);
  });

  it('cuts an even square where the body has no table, and says that the read-out is not known', () => {
    const none = planCapture({
      body: demoBodies.ostrel.data,
      discPx: 101,
      margin: 1.5,
      exposureS: 0.02,
      linkMbPerS: 1000,
      durationS: 10,
      bits: 16,
      cardGb: 64,
    });
    expect(none).toMatchObject({ columns: 152, rows: 152, framesPerSecond: 50, limit: 'unknown' });
  });

  it('tells for every window what holds its rate', () => {
    const order = { exposureS: 0.005, linkMbPerS: 100, bits: 8 as const };
    expect(rateOf(order, 2688, 1520, 60)).toEqual({ limit: 'link', framesPerSecond: 100e6 / (2688 * 1520) });
    expect(rateOf(order, 640, 480, 230)).toEqual({ limit: 'exposure', framesPerSecond: 200 });
    expect(rateOf({ ...order, exposureS: 0.001 }, 640, 480, 230)).toEqual({ limit: 'readout', framesPerSecond: 230 });
    expect(rateOf(order, 640, 480, undefined).limit).toBe('unknown');
  });

  it('never runs faster than any of its limits', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 1400, noNaN: true }),
        fc.double({ min: 0.0005, max: 0.2, noNaN: true }),
        fc.double({ min: 5, max: 800, noNaN: true }),
        (disc, exposureS, linkMbPerS) => {
          const { framesPerSecond, columns, rows } = plan({ discPx: disc, exposureS, linkMbPerS });
          expect(framesPerSecond).toBeLessThanOrEqual(1 / exposureS + 1e-9);
          expect(framesPerSecond * columns * rows).toBeLessThanOrEqual(linkMbPerS * 1e6 + 1e-3);
        },
      ),
    );
  });
});
