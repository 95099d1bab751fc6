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
/** Side of the pictures drawn here, in points: what holds for them holds for larger ones. */
const N = 64;
const wader = { kind: 'wader', sizeMm: 550 } as const;
const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length;
const spread = (values: Float64Array) => {
  const middle = mean(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / values.length);
};

it('shows the same piece to all, as wide as the finest set-up’s pixels allow', () => {
  expect(patchSideMm([system(), system({}, 0.8)])).toBeCloseTo((PATCH_SIZE / 2) * 0.4, 12);
  expect(patchSideMm([system({}, 0.7), system()], N)).toBeCloseTo((N / 2) * 0.4, 12);
});

it('keeps brightness and loses contrast, the more the weaker the lens', () => {
  const [sharp, soft, softer] = detailPatches(
    [system(), system({ lens50LpPerMm: 30 }), system({ lens50LpPerMm: 12 })],
    wader,
    N,
  );
  const original = scene(patchSideMm([system()], N), wader, N);
  expect(mean(soft!)).toBeCloseTo(mean(original), 1);
  expect(spread(original)).toBeGreaterThan(spread(sharp!));
  expect(spread(sharp!)).toBeGreaterThan(spread(soft!));
  expect(spread(soft!)).toBeGreaterThan(spread(softer!));
});

it('gives the same picture for the same set-up, and values that can be shown', () => {
  const [a, b] = detailPatches([system(), system()], wader, N);
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
  const small = scene(10, { kind: 'smallMammal', sizeMm: 240 }, N);
  const large = scene(20, { kind: 'smallMammal', sizeMm: 480 }, N);
  expect(small.every((value, i) => Math.abs(value - large[i]!) < 1e-9)).toBe(true);
});

it('draws a small piece as the corner of a large one', () => {
  const large = scene(patchSideMm([system()]), wader);
  const small = scene(patchSideMm([system()], N), wader, N);
  expect([large.length, small.length]).toEqual([PATCH_SIZE ** 2, N ** 2]);
  expect(small.every((value, i) => value === large[Math.floor(i / N) * PATCH_SIZE + (i % N)])).toBe(true);
});

it('draws as large as is shown where no size is asked for, and what the mean of a piece tells stays', () => {
  const [patch] = detailPatches([system()], wader);
  const original = scene(patchSideMm([system()]), wader);
  expect(patch).toHaveLength(PATCH_SIZE ** 2);
  expect(mean(patch!)).toBeCloseTo(mean(original), 2);
});

/** As large as is shown too; the mutation trial, which runs this a thousand times, has the small ones. */
const SIZES = process.env.JAUGE_MUTATE ? [N] : [N, PATCH_SIZE];

/**
 * Independent: the scene taken apart and put together again by plain sums, each wave kept as the response at its own frequency
 * says, samples enlarged by the cubic that meets them with the slope of their neighbours.
 */
describe.each(SIZES)('a patch of %i points a side is the scene through the system', (size) => {
  const places = [
    [0, 0],
    [255, 255],
    [1, 254],
    [100, 31],
    [31, 100],
    [128, 129],
    [200, 77],
    [77, 200],
  ].map((place) => place.map((at) => Math.floor((at * size) / PATCH_SIZE)) as [number, number]);
  const turns = Float64Array.from({ length: 2 * size }, (_, i) =>
    i < size ? Math.cos((2 * Math.PI * i) / size) : Math.sin((2 * Math.PI * (i - size)) / size),
  );

  /** The waves of a picture of size × size: along every row, then along every column. */
  function apart(picture: Float64Array): [Float64Array, Float64Array] {
    const [re, im] = [Float64Array.from(picture), new Float64Array(size * size)];
    for (const [step, next] of [
      [1, size],
      [size, 1],
    ] as const)
      for (let line = 0; line < size; line++) {
        const [a, b] = [new Float64Array(size), new Float64Array(size)];
        for (let f = 0; f < size; f++)
          for (let x = 0; x < size; x++) {
            const [c, s] = [turns[(f * x) % size]!, -turns[size + ((f * x) % size)]!];
            const i = line * next + x * step;
            a[f] = a[f]! + re[i]! * c - im[i]! * s;
            b[f] = b[f]! + re[i]! * s + im[i]! * c;
          }
        for (let f = 0; f < size; f++) [re[line * next + f * step], im[line * next + f * step]] = [a[f]!, b[f]!];
      }
    return [re, im];
  }

  /** What the waves are together at single places, column by column as they are asked for. */
  function together(re: Float64Array, im: Float64Array): (x: number, y: number) => number {
    const columns = new Map<number, [Float64Array, Float64Array]>();
    const column = (x: number) => {
      const [a, b] = [new Float64Array(size), new Float64Array(size)];
      for (let fy = 0; fy < size; fy++)
        for (let fx = 0; fx < size; fx++) {
          const [c, s] = [turns[(fx * x) % size]!, turns[size + ((fx * x) % size)]!];
          a[fy] = a[fy]! + re[fy * size + fx]! * c - im[fy * size + fx]! * s;
          b[fy] = b[fy]! + re[fy * size + fx]! * s + im[fy * size + fx]! * c;
        }
      return [a, b] as [Float64Array, Float64Array];
    };
    return (x, y) => {
      if (!columns.has(x)) columns.set(x, column(x));
      const [a, b] = columns.get(x)!;
      return a.reduce(
        (sum, each, f) => sum + each * turns[(f * y) % size]! - b[f]! * turns[size + ((f * y) % size)]!,
        0,
      );
    };
  }

  /** A cubic from one sample to the next whose slope at each is half of what lies between its neighbours. Source: Hermite. */
  function between(values: (i: number) => number, count: number, place: number): number {
    const first = Math.floor(place);
    const t = place - first;
    const at = (i: number) => values(Math.max(0, Math.min(count - 1, i)));
    const [p, q] = [at(first), at(first + 1)];
    const [slopeP, slopeQ] = [(q - at(first - 1)) / 2, (at(first + 2) - p) / 2];
    return (
      p * (1 + 2 * t) * (1 - t) ** 2 + slopeP * t * (1 - t) ** 2 + q * t * t * (3 - 2 * t) + slopeQ * t * t * (t - 1)
    );
  }

  it('of two set-ups at once, one with coarser pixels and a softer lens', () => {
    const systems = [system(), system({ lens50LpPerMm: 20, workingFNumber: 11 }, 0.9)];
    const sideMm = patchSideMm(systems, size);
    const drawn = scene(sideMm, wader, size);
    const patches = detailPatches(systems, wader, size);
    const [re, im] = apart(drawn);
    systems.forEach(({ pixelMm, ratio, parts: own }, k) => {
      const [keptRe, keptIm] = [new Float64Array(size * size), new Float64Array(size * size)];
      for (let i = 0; i < size * size; i++) {
        const [fx, fy] = [i % size, Math.floor(i / size)].map((f) => (f < size / 2 ? f : f - size)) as [number, number];
        const kept = systemResponse(Math.hypot(fx, fy) / sideMm / ratio, own) / (size * size);
        keptRe[i] = re[i]! * kept;
        keptIm[i] = im[i]! * kept;
      }
      const light = together(keptRe, keptIm);
      const count = Math.round(sideMm / pixelMm);
      const sample = (x: number, y: number) =>
        light(Math.floor(((x + 0.5) * size) / count), Math.floor(((y + 0.5) * size) / count));
      for (const [x, y] of places) {
        const [px, py] = [((x + 0.5) * count) / size - 0.5, ((y + 0.5) * count) / size - 0.5];
        const cubic = between((row) => between((column) => sample(column, row), count, px), count, py);
        expect(patches[k]![y * size + x]).toBeCloseTo(Math.max(0, Math.min(1, cubic)), 3);
      }
    });
  });

  it('keeps within what can be shown where the cubic would overshoot', () => {
    for (const patch of detailPatches([system({ lens50LpPerMm: 400, workingFNumber: 2.8 })], wader, size))
      expect(patch.every((value) => value >= 0 && value <= 1)).toBe(true);
  });
});
