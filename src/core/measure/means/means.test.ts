import { foldSystem } from '../../optics/foldSystem';
import { given, measured, type Quantity } from '../../quantity/quantity';
import { whosePicture, type SetupSeen } from '../whosePicture';
import { pictureScale } from '../pictureScale';
import { discMeans } from './discMeans';
import { lengthMeans } from './lengthMeans';
import { rulerMeans } from './rulerMeans';
import { pitchGiven } from './shares';

const sensor = { widthMm: 35.9, heightMm: 24.1, columns: 7180, rows: 4820 };
const folded = foldSystem({
  body: { name: 'Body', sensor, antiAliasFilter: 'none', cropModes: [{ id: 'c15', name: 'Crop 1.5', factor: 1.5 }] },
  modeId: 'whole',
  chain: [
    {
      kind: 'lens',
      name: 'Long',
      focalWideMm: 500,
      focalTeleMm: 500,
      fNumberWide: 5.6,
      fNumberTele: 5.6,
      closestFocusM: 4,
      closestRatio: 0.15,
      imageCircleWideMm: 44,
      detailClass: 'good',
      autofocus: true,
    },
  ],
});
if (!folded.ok) throw new Error(folded.problem.message);
const system = folded.value;
const pitchUm = pitchGiven(5, 'for the test');
const px = (value: number, plusMinus: number): Quantity =>
  measured(value, 'px', () => ({ name: 'Length', formula: '', inputs: [], source: 'test' }), plusMinus);

/** Every derivation can be worked out again from what it names. */
const inputsOf = (quantity: Quantity) =>
  Object.fromEntries(quantity.why.inputs.map(({ symbol, quantity: q }) => [symbol, q.value]));

describe('a ruler means', () => {
  const found = {
    pxPerMm: 84,
    pxPerMmError: 0.02,
    tickNormalDeg: 2,
    tickNormalError: 0.02,
    finestTickMm: 1,
    ticks: 60,
    lines: [],
    divisions: [],
  };
  it('a ratio by the pitch, and a field by the picture’s width', () => {
    const { ratio, fieldWidthMm, nominal } = rulerMeans(found, 4200, pitchUm);
    expect(ratio!.value).toBeCloseTo(0.42, 12);
    const named = inputsOf(ratio!);
    expect((named['px/mm']! * named.p!) / 1000).toBeCloseTo(ratio!.value, 12);
    // A ruler is itself good to 0.05 %: more is never told by it.
    expect(ratio!.plusMinus! / ratio!.value).toBeGreaterThanOrEqual(0.0005);
    expect(fieldWidthMm.value).toBeCloseTo(50, 12);
    expect(nominal).toBeUndefined();
    expect(rulerMeans({ ...found, pxPerMm: 100.02 }, 4200, pitchUm).nominal).toBe(0.5);
    expect(rulerMeans(found, 4200, null).ratio).toBeUndefined();
  });
});

describe('a length means', () => {
  const known = { lengthPx: px(900, 3), pitchUm, system, sizeMm: null, distanceM: null };
  const sizeMm = given(300, 'mm', 'Real size');
  it('the third of size, distance and set-up from the other two', () => {
    const size = lengthMeans({ ...known, sizeMm });
    expect(size.onSensorMm!.value).toBeCloseTo(4.5, 12);
    expect(size.ratio!.value).toBeCloseTo(0.015, 12);
    // And back: from that distance the thing has its size again.
    const back = lengthMeans({ ...known, distanceM: given(size.distanceM!.value, 'm', 'Distance') });
    expect(back.realMm!.value).toBeCloseTo(300, 3);
    // Far away a lens draws at about f ÷ (D − 2f).
    expect(size.distanceM!.value).toBeCloseTo(0.5 / 0.015 + 1, 0);
  });
  it('what the set-up was expected to draw, and how far off that is', () => {
    const all = lengthMeans({ ...known, sizeMm, distanceM: given(34.35, 'm', 'Distance') });
    const { m, y, p } = inputsOf(all.predictedPx!);
    expect((1000 * m! * y!) / p!).toBeCloseTo(all.predictedPx!.value, 9);
    expect(all.offPercent!.value).toBeCloseTo((900 / all.predictedPx!.value - 1) * 100, 9);
    const focal = inputsOf(all.effectiveFocalMm!);
    expect((focal.D! * 1000) / (2 + focal.m! + 1 / focal.m!)).toBeCloseTo(all.effectiveFocalMm!.value, 6);
    expect(lengthMeans({ ...known, pitchUm: null })).toEqual({});
  });
});

describe('a disc means', () => {
  const found = {
    equatorialDiameterPx: 400,
    polarDiameterPx: 374,
    diameterError: 0.4,
    polarError: 0.4,
    equatorDeg: 10,
    equatorError: 0.5,
    centre: [0, 0] as [number, number],
    centreError: 0.1,
    phase: false,
    clipped: false,
    blurPx: 2,
    evidence: { samples: 180, agreeing: 176, logFalseAlarms: -190, evenOutside: 1, evenAround: 1 },
  };
  it('the focal length at work, by the width in the sky', () => {
    const arcsec = given(44, '″', 'Width in the sky');
    const means = discMeans({ found, pitchUm, system, arcsec, sizeMm: null });
    // Small angle: d·p = f·θ.
    const focal = (400 * 0.005) / ((44 / 3600) * (Math.PI / 180));
    expect(means.effectiveFocalMm!.value / focal).toBeCloseTo(1, 5);
    expect(means.barlowFactor!.value / (focal / 500)).toBeCloseTo(1, 5);
    expect(means.pixelScaleArcsec!.value).toBeCloseTo(0.11, 12);
    expect(means.effectiveFocalMm!.plusMinus! / focal).toBeCloseTo(0.001, 5);
    expect(means.offPercent!.value).toBeCloseTo((400 / means.predictedPx!.value - 1) * 100, 9);
  });
  it('the ratio of a thing', () => {
    expect(
      discMeans({ found, pitchUm, system, arcsec: null, sizeMm: given(8, 'mm', 'Width') }).ratio!.value,
    ).toBeCloseTo(0.25, 12);
  });
});

describe('whose picture it is', () => {
  const setups: SetupSeen[] = [
    { id: 'a', bodyName: 'Ostrel R45', lensNames: ['Ostrel 600 f/5.6'], focalMm: [600, 600], sizes: [[8256, 5504]] },
    {
      id: 'b',
      bodyName: 'Ostrel R45',
      lensNames: ['Ostrel 100 f/2.8 macro'],
      focalMm: [100, 100],
      sizes: [[8256, 5504]],
    },
    { id: 'c', bodyName: 'Quillon C26', lensNames: ['Quillon 70–300'], focalMm: [70, 300], sizes: [[6240, 4160]] },
  ];
  const size = { width: 8256, height: 5504 };
  it('is told by body, lens and focal length', () => {
    expect(whosePicture({ model: 'Ostrel R45', lensModel: 'Ostrel 100 f/2.8 macro' }, size, setups)?.id).toBe('b');
    expect(whosePicture({ maker: 'Ostrel', model: 'R45', focalLengthMm: 600 }, size, setups)?.id).toBe('a');
    expect(whosePicture({ model: 'Merrow T20' }, size, setups)).toBeNull();
  });
  it('is of several that agree as well the one in hand, and the others are named', () => {
    const rail: SetupSeen = { ...setups[1]!, id: 'rail', lensNames: ['Ostrel 100 f/2.8 macro', 'Rail'] };
    const tags = { model: 'Ostrel R45', lensModel: 'Ostrel 100 f/2.8 macro' };
    expect(whosePicture(tags, size, [...setups, rail])).toEqual({ id: 'b', others: ['rail'] });
    expect(whosePicture(tags, size, [...setups, rail], 'rail')).toEqual({ id: 'rail', others: ['b'] });
    // What is in hand and agrees less is not thought of.
    expect(whosePicture(tags, size, setups, 'a')).toEqual({ id: 'b', others: [] });
  });
  it('is told by its pixels only where they are of one set-up', () => {
    expect(whosePicture(null, { width: 4160, height: 6240 }, setups)?.id).toBe('c');
    expect(whosePicture(null, size, setups)).toBeNull();
  });
});

describe('what a pixel of a picture stands for', () => {
  const modes = [
    { id: 'whole', name: 'Whole sensor' },
    { id: 'c15', name: 'Crop 1.5', factor: 1.5 },
  ];
  const scale = (width: number, height: number) => pictureScale(sensor, modes, 'whole', { width, height });
  it('is the pitch, in every mode; upright too', () => {
    for (const [w, h, mode] of [
      [7180, 4820, 'whole'],
      [4820, 7180, 'whole'],
      [4787, 3213, 'c15'],
    ] as const) {
      const told = scale(w, h);
      expect(told.ok && [told.value.modeId, told.value.resized]).toEqual([mode, 1]);
      expect(told.ok && told.value.pitchUm).toBeCloseTo(5, 12);
    }
  });
  it('is more in a picture made smaller, and not told of one that was cut', () => {
    const half = scale(3590, 2410);
    expect(half.ok && half.value.pitchUm).toBeCloseTo(10, 2);
    expect(half.ok && half.value.resized).toBeCloseTo(0.5, 6);
    const cut = scale(3000, 2700);
    expect(cut.ok ? '' : cut.problem.message).toMatch(/cut afterwards/);
  });
});
