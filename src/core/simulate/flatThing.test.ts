import { pictureSeed } from '../../../tests/support/pictureSeed';
import { comparePair } from '../measure/pair/comparePair';
import { photonTransfer } from '../measure/light/photonTransfer';
import type { Grey } from '../picture/grey';
import { enlargedTo } from './flatThing';
import { take, type Order } from './take';

const seed = pictureSeed();
const base: Order = {
  scene: 'flat',
  columns: 420,
  rows: 320,
  pitchUm: 5,
  ratio: 1,
  discMm: 1,
  fNumber: 5.6,
  lens50LpPerMm: 80,
  defocusMm: 0,
  shakeMm: 0,
  fullWell: 30_000,
  subject: { kind: 'wader', sizeMm: 140 },
  sky: { exposureS: 1, focalMm: 50, declinationDeg: 0, rollDeg: 0 },
  seed,
};
const thing = { seed, pxPerMm: 10, turnDeg: 0, middleMm: [0, 0] as [number, number], shakenPx: 0, enlarged: 1 };
const greyOf = (order: Order): Grey => ({
  width: order.columns,
  height: order.rows,
  data: take(order).light,
  step: 1 / 65_535,
});

describe('a flat thing taken twice', () => {
  it('is larger by the scale, and turned and moved as the camera was', () => {
    const second = {
      ...base,
      seed: seed + 5,
      thing: { ...thing, pxPerMm: 12, turnDeg: 1, middleMm: [0.5, -0.3] as [number, number] },
    };
    const found = comparePair(greyOf({ ...base, thing }), greyOf(second));
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.scale).toBeCloseTo(1.2, 2);
    expect(found.value.rotationDeg).toBeCloseTo(1, 1);
    expect(found.value.lightRatio).toBeCloseTo(1, 1);
  }, 120_000);
  it('enlarged by the camera shows it larger and nothing more', () => {
    const zoomed = { ...base, seed: seed + 5, thing: { ...thing, enlarged: 1.5 } };
    const found = comparePair(greyOf({ ...base, thing }), greyOf(zoomed));
    if (!found.ok) throw new Error(found.problem.message);
    expect(found.value.scale).toBeCloseTo(1.5, 1);
    expect(found.value.detail?.more).not.toBe('b');
  }, 120_000);
  it('is blurred by a hand that moves', () => {
    const variation = (shakenPx: number) => {
      const { data, width } = greyOf({ ...base, thing: { ...thing, shakenPx } });
      let sum = 0;
      for (let i = width + 1; i < data.length; i++)
        sum += (data[i]! - data[i - 1]!) ** 2 + (data[i]! - data[i - width]!) ** 2;
      return sum;
    };
    expect(variation(8)).toBeLessThan(0.8 * variation(0));
  });
});

describe('an enlargement', () => {
  it('keeps what is even, and a slope', () => {
    const slope = Float32Array.from({ length: 40 }, (_, i) => (i % 8) / 10);
    const out = enlargedTo(slope, { width: 8, height: 5 }, { width: 16, height: 10 });
    expect(out).toHaveLength(160);
    expect(out[4 * 16 + 8]! - out[4 * 16 + 7]!).toBeCloseTo(0.05, 5);
  });
});

describe('an even surface and a cap', () => {
  it('give the noise of reading and the electrons a code back', () => {
    const frame = (exposure: number, own: number) => {
      const order = { ...base, scene: 'even' as const, seed: own, even: { exposure, readNoise: 6, sensorSeed: 3 } };
      const { light, truth } = take(order);
      return {
        truth,
        codes: { width: 420, height: 320, white: 65_535, data: light.map((v) => Math.round(v * 65_535)) },
      };
    };
    const frames = [frame(0.5, 1), frame(0.5, 2), frame(0, 3), frame(0, 4)];
    const found = photonTransfer(frames.map(({ codes }) => codes));
    if (!found.ok) throw new Error(found.problem.message);
    const { electronsPerCode = NaN, readNoiseE = NaN } = frames[0]!.truth;
    expect(found.value.gain.value / electronsPerCode).toBeCloseTo(1, 1);
    expect(found.value.readNoise.value / readNoiseE).toBeCloseTo(1, 1);
  });
});
