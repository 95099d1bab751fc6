import { inputsOf } from '../../../tests/support/recompute';
import type { AdapterPart, LensSpec, Part, ScopeSpec } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import type { Quantity } from '../quantity/quantity';
import { foldSystem, type EffectiveSystem, type SystemInput } from './foldSystem';

const body: BodySpec = {
  name: 'Body',
  flangeMm: 18,
  sensor: { widthMm: 35.2, heightMm: 19.8, columns: 8000, rows: 4500 },
  antiAliasFilter: 'standard',
  cropModes: [{ id: 'fast', name: 'Fast', factor: 1.5, framesPerSecond: 31, fileSizeMb: 13 }],
  framesPerSecond: 11,
  weightG: 700,
  price: 2100,
};
const zoom: LensSpec = {
  kind: 'lens',
  name: 'Zoom',
  focalWideMm: 100,
  focalTeleMm: 400,
  fNumberWide: 4,
  fNumberTele: 5.6,
  imageCircleWideMm: 44,
  detailClass: 'good',
  autofocus: true,
  flangeMm: 18,
  weightG: 1350,
  price: 1900,
};
const prime: LensSpec = {
  ...zoom,
  name: 'Prime',
  focalWideMm: 100,
  focalTeleMm: 100,
  fNumberWide: 2,
  fNumberTele: 2,
  lens50LpPerMm: 80,
};
const x14: AdapterPart = { kind: 'converter', name: '×1.4', factor: 1.4, autofocus: true, weightG: 190 };
const x20: AdapterPart = { kind: 'converter', name: '×2', factor: 2, autofocus: true, lens50LpPerMm: 120 };
const tubes = (...usedMm: number[]): AdapterPart => ({
  kind: 'tubes',
  name: `Tubes ${usedMm.join('+')}`,
  lengthsMm: usedMm,
  autofocus: true,
});
const scope: ScopeSpec = {
  kind: 'scope',
  name: 'Scope',
  objectiveMm: 80,
  magnificationLow: 25,
  magnificationHigh: 50,
  detailClass: 'fair',
  apparentFieldDeg: 50,
} as ScopeSpec;
const finite: Part = {
  kind: 'objective',
  name: 'Finite',
  magnification: 4,
  numericalAperture: 0.1,
  correction: 'finite',
  tubeLengthMm: 160,
  detailClass: 'good',
} as unknown as Part;
const infinity: Part = {
  kind: 'objective',
  name: 'Infinity',
  magnification: 5,
  numericalAperture: 0.14,
  correction: 'infinity',
  designTubeFocalMm: 200,
} as unknown as Part;

function fold(chain: Part[], change: Partial<SystemInput> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain, ...change });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
const symbols = (quantity: Quantity | undefined): string[] => quantity!.why.inputs.map((each) => each.symbol);

describe('a zoom between its ends', () => {
  it('has an f-number good to a quarter of what lies between them, and at the ends the stated one', () => {
    const middle = fold([zoom, x14], { focalMm: 200 });
    // 200 is half way from 100 to 400 in the logarithm: the geometric mean of 4 and 5.6, times 1.4.
    expect(middle.fNumber.value).toBeCloseTo(Math.sqrt(4 * 5.6) * 1.4, 9);
    expect(middle.fNumber.plusMinus).toBeCloseTo(((5.6 - 4) / 4) * 1.4, 9);
    expect(symbols(middle.fNumber.why.inputs[0]!.quantity).length).toBeGreaterThan(1);
    for (const [focalMm, n] of [
      [100, 4],
      [400, 5.6],
      [900, 5.6],
      [20, 4],
    ] as const) {
      const end = fold([zoom], { focalMm });
      expect([end.fNumber.value, end.fNumber.plusMinus]).toEqual([n, undefined]);
    }
    expect(fold([prime]).fNumber.plusMinus).toBeUndefined();
  });

  it('takes a measured ratio at the focal length it was measured at, and at no other', () => {
    const measured = [{ at: 'infinity' as const, ratio: 0.31, plusMinus: 0.01, focalMm: 100 }];
    const chain = [zoom, tubes(25)];
    expect(fold(chain, { focalMm: 100.3, measured }).ratioAtInfinity).toMatchObject({ value: 0.31, kind: 'measured' });
    expect(fold(chain, { focalMm: 101, measured }).ratioAtInfinity!.value).toBeCloseTo(25 / 101, 9);
    expect(fold(chain, { focalMm: 101, measured }).ratioAtInfinity!.kind).toBe('computed');
    expect(
      fold(chain, { focalMm: 300, measured: [{ at: 'infinity', ratio: 0.31, plusMinus: 0.01 }] }).ratioAtInfinity!
        .value,
    ).toBe(0.31);
  });
});

describe('what a whole is made of', () => {
  it('names each converter, and multiplies them', () => {
    const { converterFactor, converterStops, lens50LpPerMm, systemCropFactor } = fold([prime, x14, x20]);
    expect(converterFactor.why.formula).toBe('t1 · t2');
    expect(symbols(converterFactor)).toEqual(['t1', 't2']);
    expect(converterFactor.value).toBeCloseTo(2.8, 12);
    expect(converterStops).toBeCloseTo(-2 * Math.log2(2.8), 9);
    // 80 lp/mm spread by 1.4, then by 2, beside the 120 of the second; the first has none of its own.
    expect(lens50LpPerMm.value).toBeCloseTo(1 / Math.hypot(2.8 / 80, 1 / 120), 6);
    expect(symbols(lens50LpPerMm)).toEqual(['ν', 't', 't', 'ν₂']);
    expect(lens50LpPerMm.why.neglects).toMatch(/not known/);
    expect(fold([prime, x20]).lens50LpPerMm.why.neglects).toBeUndefined();
    expect(lens50LpPerMm.plusMinus).toBeUndefined();
    const byClass = fold([zoom]).lens50LpPerMm;
    expect(byClass.plusMinus! / byClass.value).toBeCloseTo(0.2, 9);
    const parts = inputsOf(systemCropFactor);
    expect(systemCropFactor.value).toBeCloseTo(parts('k') * parts('t'), 9);
    for (const way of ['k·t', 't·k']) {
      const reckoned = systemCropFactor.why.inputs.find((each) => each.symbol === way)!.quantity;
      expect(reckoned.value).toBeCloseTo(inputsOf(reckoned)('k') * inputsOf(reckoned)('t'), 9);
    }
  });

  it('tells the crop factor by every school, and which one counts', () => {
    const { why, value } = fold([prime]).cropFactor;
    const byHand = {
      diagonal: Math.hypot(36, 24) / Math.hypot(35.2, 19.8),
      width: 36 / 35.2,
      height: 24 / 19.8,
      sameAspect: 36 / 35.2,
    };
    expect(Object.fromEntries(why.schools!.map((each) => [each.choice, each.value]))).toEqual(
      Object.fromEntries(Object.entries(byHand).map(([name, k]) => [name, expect.closeTo(k, 9)])),
    );
    expect(why.schools!.filter((each) => each.chosen).map((each) => [each.choice, each.value])).toEqual([
      ['sameAspect', value],
    ]);
  });

  it('weighs body, parts and support, and says where a part is not known', () => {
    const { weightG, price } = fold([zoom, x14], { supportWeightG: 1700 });
    expect(weightG).toMatchObject({ value: 700 + 1350 + 190 + 1700 });
    expect(fold([zoom, x14]).weightG!.value).toBe(700 + 1350 + 190);
    // The converter's price nobody entered.
    expect(price).toMatchObject({ value: 4000, note: 'atLeast' });
  });

  it('has the rate and file of its mode, or none where none is entered', () => {
    expect(fold([prime], { modeId: 'fast' })).toMatchObject({ framesPerSecond: 31, fileSizeMb: 13 });
    expect(fold([prime]).framesPerSecond).toBe(11);
    expect(fold([prime])).not.toHaveProperty('fileSizeMb');
    const none = foldSystem({ body, modeId: 'gone', chain: [prime] });
    expect(none.ok ? '' : none.problem.code).toBe('mode.unknown');
  });

  it('loses the light of an obstruction, of a lens or a telescope', () => {
    const { fNumber, lightFNumber, obstruction } = fold([{ ...prime, obstructionShare: 0.4 }]);
    expect([fNumber.value, obstruction]).toEqual([2, 0.4]);
    // The ring that is left is 0.84 of the area.
    expect((fNumber.value / lightFNumber) ** 2).toBeCloseTo(0.84, 12);
    const reflector = fold([
      {
        kind: 'telescope',
        name: 'Reflector',
        focalMm: 800,
        apertureMm: 200,
        obstructionShare: 0.25,
        detailClass: 'good',
      } as unknown as Part,
    ]);
    expect([reflector.fNumber.value, reflector.obstruction]).toEqual([4, 0.25]);
    expect(fold([prime]).lightFNumber).toBe(2);
  });
});

describe('ends of the focus', () => {
  it('tubes in several pieces are their sum, named one by one', () => {
    const system = fold([prime, tubes(12, 20), tubes(36)]);
    expect(system.ratioAtInfinity!.value).toBeCloseTo(68 / 100, 9);
    const pieces = system
      .ratioAtInfinity!.why.inputs.filter((each) => each.symbol === 'e')
      .map((each) => each.quantity.value);
    expect(pieces).toEqual([32, 36]);
    // A twentieth of what they add is not known.
    expect(system.ratioAtInfinity!.plusMinus).toBeCloseTo(0.05 * 0.68, 9);
    expect(system.ratioAtClosest).toBeUndefined();
  });

  it('an eyepiece limits the picture to its round field, and the smaller pupil stops the light', () => {
    const system = fold([scope, { ...prime, focalWideMm: 40, focalTeleMm: 40 }]);
    expect(system.imageCircleMm!.value).toBeCloseTo(2 * 40 * Math.tan((25 * Math.PI) / 180), 9);
    // 80 mm ÷ 25 is a pupil of 3.2 mm; the camera's 40 mm f/2 has 20.
    expect(system.fNumber.value).toBeCloseTo(40 / 3.2, 9);
    const at = inputsOf(system.fNumber);
    expect((at('M') * at('f') * at('t')) / (at('M') * Math.min(at('E'), at('f') / at('N')))).toBeCloseTo(
      system.fNumber.value,
      9,
    );
    expect(system.lens50LpPerMm.value).toBeCloseTo(1 / Math.hypot(1 / 80, 1 / 50), 6);
  });

  it('objectives draw by their own data, on their tube or on a lens', () => {
    const on = fold([finite, tubes(142)]);
    // 18 mm of flange and 142 mm of tubes are its tube of 160 mm.
    expect(on.optics.state.far.ratio).toBeCloseTo(4, 9);
    const farther = fold([finite, tubes(182)]);
    // 40 mm more: Δm = e/F with F = L/M.
    expect(farther.optics.state.far.ratio).toBeCloseTo(4 + 40 / (160 / 4), 1);
    expect(inputsOf(on.fNumber)('m') / (2 * inputsOf(on.fNumber)('NA') * (1 + inputsOf(on.fNumber)('m')))).toBeCloseTo(
      on.fNumber.value,
      6,
    );
    // 5 · 100 / 200 on a lens of 100 mm, stopped by its aperture.
    const coupled = fold([infinity, prime]);
    expect(coupled.optics.state.far.ratio).toBeCloseTo(2.5, 9);
    expect(coupled.optics.numericalAperture).toBe(0.14);
  });

  it('a lens stands where its flange, the adapters and the body put it', () => {
    const adapter = (addsMm: number): Part =>
      ({ kind: 'mountAdapter', name: 'Adapter', lensMount: 'B', addsMm, electronic: false }) as unknown as Part;
    const deep = { ...prime, flangeMm: 44 };
    expect(fold([deep, adapter(26)]).optics.flangeErrorMm).toBe(0);
    expect(fold([deep, adapter(27.5)]).optics.flangeErrorMm).toBeCloseTo(1.5, 9);
    expect(fold([deep, adapter(27.5)]).ratioAtInfinity!.value).toBeCloseTo(1.5 / 100, 9);
    const { flangeMm: _, ...unknown } = deep;
    expect(fold([unknown]).optics.flangeErrorMm).toBe(0);
  });
});
