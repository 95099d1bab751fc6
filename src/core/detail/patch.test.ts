import { grayBmp } from '../formats/grayBmp';
import { detailLimit } from './detailLimit';
import { PATCH_SIZE, detailPatches, patchSideMm, scene, type PatchSystem } from './patch';
import { systemResponse } from './response';
import { SUBJECT_KINDS, type SubjectKind } from '../kit/subjects';
import { textureOf } from './textures/texture';

const parts = { pitchUm: 4, workingFNumber: 5.6, lens50LpPerMm: 80, antiAliasPx: 0 };
const system = (change: Partial<PatchSystem['parts']> = {}, pixelMm = 0.4): PatchSystem => ({
  pixelMm,
  ratio: 0.004 / pixelMm,
  parts: { ...parts, ...change },
});
const wader = { kind: 'wader', sizeMm: 550 } as const;
const spread = (values: Float64Array) => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length);
};

it('shows the same piece to all, as wide as the finest set-up’s pixels allow', () => {
  expect(patchSideMm([system(), system({}, 0.8)])).toBeCloseTo((PATCH_SIZE / 2) * 0.4, 12);
});

it('keeps brightness and loses contrast, the more the weaker the lens', () => {
  const [sharp, soft, softer] = detailPatches(
    [system(), system({ lens50LpPerMm: 30 }), system({ lens50LpPerMm: 12 })],
    wader,
  );
  const original = scene(patchSideMm([system()]), wader);
  const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length;
  expect(mean(soft!)).toBeCloseTo(mean(original), 1);
  expect(spread(original)).toBeGreaterThan(spread(sharp!));
  expect(spread(sharp!)).toBeGreaterThan(spread(soft!));
  expect(spread(soft!)).toBeGreaterThan(spread(softer!));
});

it('gives the same picture for the same set-up, and values that can be shown', () => {
  const [a, b] = detailPatches([system(), system()], wader);
  expect(a!.every((value, i) => Math.abs(value - b![i]!) < 1e-12 && value >= 0 && value <= 1)).toBe(true);
});

/** Independent: a slanted edge blurred by direct convolution with the line spread function, the inverse cosine transform of the response. */
it('the detail limit is where an edge blurred by convolution keeps the contrast', () => {
  const { limitLpPerMm } = detailLimit(parts, 0.15);
  const step = 0.0005;
  const reach = 400;
  // Line spread: ∫ response · cos(2πνx) dν.
  const spreadAt = (x: number) => {
    let sum = 0;
    for (let f = 0; f < 330; f += 1)
      sum += (f === 0 ? 0.5 : 1) * systemResponse(f, parts) * Math.cos(2 * Math.PI * f * x);
    return 2 * sum;
  };
  const lsf = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => spreadAt((i - reach) * step));
  const total = lsf.reduce((sum, value) => sum + value, 0);
  // A grating of the limit's frequency, convolved: its contrast is the threshold.
  const grating = (x: number) => Math.cos(2 * Math.PI * limitLpPerMm * x);
  let kept = 0;
  for (let i = 0; i < lsf.length; i++) kept += (lsf[i]! / total) * grating((i - reach) * step);
  expect(kept).toBeCloseTo(0.15, 2);
  // The edge: its spread function is the integral; from 10 to 90 % it rises faster for the better lens.
  const rise = (values: Float64Array) => {
    let sum = 0;
    let low = 0;
    for (let i = 0; i < values.length; i++) {
      sum += values[i]! / total;
      if (sum < 0.1) low = i;
      if (sum >= 0.9) return (i - low) * step;
    }
    return Infinity;
  };
  expect(rise(lsf)).toBeLessThan(0.02);
});

it('is written as a bitmap with the palette asked for', () => {
  const file = grayBmp(Float64Array.from([0, 1, 0.5, 0.25, 0, 1]), 3, 2, [10, 20, 30], [210, 220, 230]);
  const view = new DataView(file.buffer);
  expect(String.fromCharCode(file[0]!, file[1]!)).toBe('BM');
  expect([view.getUint32(2, true), view.getInt32(18, true), view.getInt32(22, true)]).toEqual([file.length, 3, 2]);
  expect([...file.slice(54, 57), ...file.slice(54 + 255 * 4, 54 + 255 * 4 + 3)]).toEqual([30, 20, 10, 230, 220, 210]);
  // The last row stands first; rows are padded to four bytes.
  expect([...file.slice(1078, 1082)]).toEqual([64, 0, 255, 0]);
});

it('covers every kind of subject with a texture of its own grain, in values that can be shown', () => {
  for (const kind of Object.keys(SUBJECT_KINDS) as SubjectKind[]) {
    const { at, drawnForMm, name } = textureOf(kind);
    // A piece a fiftieth of the subject across shows light and dark, each place always the same.
    const side = drawnForMm / 50;
    const piece = () =>
      Float64Array.from({ length: 2500 }, (_, i) => at(((i % 50) * side) / 50, (Math.floor(i / 50) * side) / 50));
    const picture = piece();
    expect([name, spread(picture) > 0.04]).toEqual([name, true]);
    expect(picture.every((value) => value >= 0 && value <= 1)).toBe(true);
    expect(piece()).toEqual(picture);
  }
  expect(textureOf('deer').name).toBe('fur');
});

it('draws a subject twice as large with everything twice as coarse', () => {
  const small = scene(10, { kind: 'smallMammal', sizeMm: 240 });
  const large = scene(20, { kind: 'smallMammal', sizeMm: 480 });
  expect(small.every((value, i) => Math.abs(value - large[i]!) < 1e-9)).toBe(true);
});
