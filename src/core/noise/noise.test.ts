import fc from 'fast-check';
import { expectRecomputed } from '../../../tests/support/recompute';
import { demoBodies, demoOptics, demoOutputs } from '@/demo/kit';
import type { BodySpec } from '../kit/body';
import { foldSystem } from '../optics/foldSystem';
import { noiseAgainst } from './noiseAgainst';
import { sensorLight } from './sensorLight';
import { signalToNoise } from './signalToNoise';

/** A sensor whose pixels are 5 µm wide and 4 µm high, 36 × 24 mm. */
const plain: BodySpec = {
  name: 'Plain',
  sensor: { widthMm: 36, heightMm: 24, columns: 7200, rows: 6000 },
  antiAliasFilter: 'none',
  cropModes: [],
};
const used = { columns: 7200, rows: 6000, widthMm: 36, heightMm: 24 };
const web = { kind: 'screen', name: 'Web page', longSidePx: 1800, subjectShare: 0.5 } as const;
const measuredBody: BodySpec = {
  ...plain,
  light: [
    { iso: 1600, fullWellE: 2500, readNoiseE: 2, fullWellPlusMinusE: 25, readNoisePlusMinusE: 0.05 },
    { iso: 100, fullWellE: 40_000, readNoiseE: 8 },
  ],
};

describe('light of a sensor', () => {
  it('is that of its class where nothing was measured: by the area of a pixel, and told so', () => {
    const { fullWellE, readNoiseE, known } = sensorLight(plain, 100);
    expect(known).toBe('class');
    expect(fullWellE.value).toBeCloseTo(2500 * 20, 6);
    expect(fullWellE.plusMinus).toBeCloseTo(0.4 * 2500 * 20, 6);
    // 2.25 of the pixel and 50,000/14,000 of what makes codes of it.
    expect(readNoiseE.value).toBeCloseTo(Math.hypot(2.25, 50_000 / 14_000), 6);
    expect(readNoiseE.why.source).toMatch(/class value.*not measured/);
    expect(sensorLight(plain, 3200).fullWellE.value).toBeCloseTo(50_000 / 32, 6);
    expect(sensorLight(plain, 50).fullWellE.value).toBeCloseTo(50_000, 6);
  });
  it('grows noisier with the age of the design, and holds what sensors of today have', () => {
    const at = (designYear?: number) => sensorLight({ ...plain, designYear }, 6400).readNoiseE;
    expect(at(2004).value).toBeGreaterThan(at(2010).value);
    expect(at(2010).value).toBeGreaterThan(at(2020).value);
    expect(at(2015).value).toBe(at().value);
    const { value, plusMinus = 0 } = at(2020);
    expect(value - plusMinus).toBeLessThan(1.55);
    expect(value + plusMinus).toBeGreaterThan(2.95);
  });
  it('is what was measured, between two ISO evenly in stops, beyond them as light goes', () => {
    const at = (iso: number) => sensorLight(measuredBody, iso);
    expect([at(100).fullWellE.value, at(100).readNoiseE.value]).toEqual([40_000, 8]);
    expect(at(1600).readNoiseE.plusMinus).toBeCloseTo(0.05, 6);
    expect(at(400).fullWellE.value).toBeCloseTo(10_000, 6);
    expect(at(400).readNoiseE.value).toBeCloseTo(4, 6);
    expect(at(6400).fullWellE.value).toBeCloseTo(625, 6);
    expect(at(6400).readNoiseE.value).toBeCloseTo(2, 6);
    expect(at(50).fullWellE.value).toBeCloseTo(40_000, 6);
    // Away from what was measured less is known.
    expect(at(6400).readNoiseE.plusMinus ?? 0).toBeGreaterThan(at(1600).readNoiseE.plusMinus ?? 0);
    expect(at(400).known).toBe('measured');
  });
  it('is recomputed from what its reasons name', () => {
    for (const iso of [50, 100, 700, 1600, 25_600])
      expectRecomputed(
        { fullWellE: sensorLight(measuredBody, iso).fullWellE, readNoiseE: sensorLight(measuredBody, iso).readNoiseE },
        Object.fromEntries(
          ['fullWellE', 'readNoiseE'].map((name) => [
            name,
            (at: (symbol: string) => number, { why }: { why: { formula: string } }) =>
              why.formula === 'x₁'
                ? at('x₁')
                : why.formula === 'x₁ · ISO₁ / ISO'
                  ? (at('x₁') * at('ISO₁')) / at('ISO')
                  : at('x₁') * (at('x₂') / at('x₁')) ** at('s'),
          ]),
        ),
      );
  });
});

describe('signal to noise of a mid-tone', () => {
  it('is that of the electrons in it, and of so many pixels put together', () => {
    const reading = signalToNoise({ body: measuredBody, used, output: web, iso: 1600 });
    const signal = 0.18 * 2500;
    expect(reading.signalE.value).toBeCloseTo(signal, 6);
    expect(reading.perPixel.value).toBeCloseTo(signal / Math.sqrt(signal + 4), 6);
    expect(reading.perOutputPixel.value).toBeCloseTo((signal / Math.sqrt(signal + 4)) * 4, 6);
    expect(reading.rangeStops.value).toBeCloseTo(Math.log2(1250), 6);
    const over = signalToNoise({ body: measuredBody, used, output: web, iso: 1600, overStops: 1 });
    expect(over.signalE.value).toBeCloseTo(2 * signal, 6);
  });
  it('is recomputed from what its reasons name', () => {
    const {
      known: _,
      fullWellE: __,
      readNoiseE: ___,
      ...numbers
    } = signalToNoise({ body: plain, used, output: web, iso: 640 });
    expectRecomputed(numbers, {
      signalE: (at) => 0.18 * at('FW') * 2 ** at('s'),
      perPixel: (at) => at('S') / Math.sqrt(at('S') + at('r') ** 2),
      perOutputPixel: (at) => at('SNR') * at('k'),
      rangeStops: (at) => Math.log2(at('FW') / at('r')),
    });
  });
  it('agrees with noise that is drawn', () => {
    let state = 12_345;
    const random = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
    const normal = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
    const { signalE, readNoiseE, perPixel } = signalToNoise({ body: measuredBody, used, output: web, iso: 1600 });
    const drawn = Array.from(
      { length: 40_000 },
      () => signalE.value + Math.sqrt(signalE.value) * normal() + readNoiseE.value * normal(),
    );
    const mean = drawn.reduce((sum, each) => sum + each, 0) / drawn.length;
    const variance = drawn.reduce((sum, each) => sum + (each - mean) ** 2, 0) / drawn.length;
    expect(mean / Math.sqrt(variance) / perPixel.value).toBeCloseTo(1, 1.7);
  });
  it('has an error that holds what a sensor of its class may have', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 1.4, noNaN: true }),
        fc.double({ min: 1.5, max: 3, noNaN: true }),
        fc.constantFrom(800, 3200, 12_800),
        (full, read, iso) => {
          const told = signalToNoise({ body: plain, used, output: web, iso }).perPixel;
          const true_ = {
            ...plain,
            light: [{ iso, fullWellE: (50_000 * 100 * full) / iso, readNoiseE: read }],
          };
          const truth = signalToNoise({ body: true_, used, output: web, iso }).perPixel;
          expect(Math.abs(told.value - truth.value)).toBeLessThanOrEqual(told.plusMinus ?? 0);
        },
      ),
    );
  });
});

const systemOf = (body: BodySpec, modeId = 'whole') => {
  const folded = foldSystem({ body, modeId, chain: [demoOptics.tele300.data] });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
};
const [ostrel, quillon] = [demoBodies.ostrel.data, demoBodies.quillon.data];
const output = Object.values(demoOutputs)[0]!.data;

describe('noise against other set-ups', () => {
  const chain = [demoOptics.tele300.data];
  const compare = (body: BodySpec, modeId: string, other: { body: BodySpec; modeId: string }, iso = 400) =>
    noiseAgainst({
      system: systemOf(body, modeId),
      output,
      iso,
      others: [{ id: 'o', name: 'the other', setup: { ...other, chain } }],
      convention: 'usual',
      lightFNumber: null,
    })[0]!;

  it('of one sensor cropped by k is 2·log₂ k stops, without an error', () => {
    const row = compare(ostrel, 'whole', { body: ostrel, modeId: 'c15' });
    expect(row.stops.value).toBeCloseTo(2 * Math.log2(1.5), 2);
    expect(row.stops.plusMinus).toBe(0);
    const same = compare(ostrel, 'whole', { body: ostrel, modeId: 'whole' });
    expect(same.stops.value).toBeCloseTo(0, 9);
    expect(same.alikeIso?.value).toBeCloseTo(400, 6);
  });
  it('tells the ISO at which both look alike: there both are as clean', () => {
    for (const iso of [100, 800, 6400]) {
      const row = compare(ostrel, 'whole', { body: quillon, modeId: 'whole' }, iso);
      const here = signalToNoise({ body: ostrel, used: systemOf(ostrel).used, output, iso });
      const alike = row.alikeIso?.value ?? NaN;
      const there = signalToNoise({ body: quillon, used: systemOf(quillon).used, output, iso: alike });
      if (row.alikeIso) expect(there.perOutputPixel.value / here.perOutputPixel.value).toBeCloseTo(1, 6);
      expect(Math.sign(row.stops.value)).toBe(Math.sign(iso - (alike || 0)));
    }
  });
  it('follows the light where both are open as far as they go', () => {
    const rows = noiseAgainst({
      system: systemOf(ostrel),
      output,
      iso: 400,
      others: [{ id: 'o', name: 'the other', setup: { body: ostrel, modeId: 'whole', chain } }],
      convention: 'usual',
      lightFNumber: systemOf(ostrel).lightFNumber * 2,
    });
    // In hand two stops are closed: the other is set to a quarter of the ISO.
    expect(rows[0]?.iso.value).toBeCloseTo(100, 6);
    expect(rows[0]?.stops.value).toBeLessThan(-1.8);
  });
  it('finds no ISO where none brings the small sensor there', () => {
    const tiny: BodySpec = { ...plain, sensor: { widthMm: 6, heightMm: 4, columns: 6000, rows: 4000 } };
    expect(compare(ostrel, 'whole', { body: tiny, modeId: 'whole' }, 100).alikeIso).toBeNull();
  });
  it('is recomputed from what its reasons name', () => {
    const { stops, iso } = compare(quillon, 'whole', { body: demoBodies.merrow.data, modeId: 'whole' });
    expectRecomputed(
      { stops, iso },
      {
        stops: (at) => 2 * Math.log2(at('SNR') / at('SNR₂')),
        iso: (at) => at('ISO'),
      },
    );
    expect(stops.plusMinus).toBeGreaterThan(0);
  });
});
