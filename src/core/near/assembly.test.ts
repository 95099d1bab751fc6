import { partsOf } from '../chain/link';
import { expectNamedUnits, expectRecomputed, has, inputsOf, type Formula } from '../../../tests/support/recompute';
import type { AdapterPart, LensSpec, Part } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import { foldSystem, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { aperturePoint } from './apertureCurve';
import { nearLevers } from './nearLevers';
import { readNear, type NearInput, type NearReading } from './readNear';
import { subjectDepthMm } from './subjectDepth';

// A frame of 31.2 × 17 mm, nothing square; the subject is measured by its height.
const body: BodySpec = {
  name: 'Odd',
  mount: 'A',
  flangeMm: 19,
  sensor: { widthMm: 31.2, heightMm: 17, columns: 7800, rows: 4250 },
  antiAliasFilter: 'standard',
  cropModes: [{ id: 'tall', name: 'Tall', aspect: 0.75 }],
  screenWidthMm: 66,
  screenHeightMm: 50,
  fileSizeMb: 40,
};
const macro: LensSpec = {
  kind: 'lens',
  name: 'Macro',
  mount: 'A',
  focalWideMm: 95,
  focalTeleMm: 95,
  fNumberWide: 2.8,
  fNumberTele: 2.8,
  closestFocusM: 0.29,
  closestRatio: 1,
  lens50LpPerMm: 88,
  detailClass: 'excellent',
  autofocus: true,
  lengthMm: 131,
  flangeMm: 19,
};
const tubes: AdapterPart = {
  kind: 'tubes',
  name: 'Tubes',
  mount: 'A',
  lengthsMm: [12, 25],
  usedMm: [25],
  autofocus: true,
};
const closeUp: AdapterPart = { kind: 'closeUp', name: '+3', dioptres: 3 };
const converter: AdapterPart = { kind: 'converter', name: '×1.4', mount: 'A', factor: 1.4, autofocus: true };
const objective: Part = {
  kind: 'objective',
  name: '5×',
  magnification: 5,
  numericalAperture: 0.14,
  correction: 'infinity',
  designTubeFocalMm: 200,
  workingDistanceMm: 31,
};
const beetle = { name: 'Beetle', kind: 'beetle', sizeMm: 9, sizePlusMinusMm: 1, distanceM: 0.3 } as const;
const web: OutputSpec = { kind: 'screen', name: 'Web', longSidePx: 1800, subjectShare: 0.6 };

function fold(chain: Part[], change: Partial<SystemInput> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain, ...change });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
function read(chain: Part[], change: Partial<NearInput> = {}, setup: Partial<SystemInput> = {}): NearReading {
  const reading = readNear({ system: fold(chain, setup), subject: beetle, output: web, screenWidthMm: 410, ...change });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value;
}

const NEAR: Record<string, Formula> = {
  // Between the ends of the focus the ratio is what was asked for; it is checked against the closed forms below.
  ratio: (_, quantity) => quantity.value,
  framedMagnification: (at) => at('m') * at('k'),
  screenMagnification: (at) => (at('m') * at('S')) / at('W'),
  cameraScreenMagnification: (at) => (at('m') * at('S')) / at('W'),
  fieldWidthMm: (at) => at('side') / at('m'),
  fieldHeightMm: (at) => at('side') / at('m'),
  subjectPixelUm: (at) => at('p') / at('m'),
  setFNumber: (_, quantity) => quantity.value,
  workingFNumber: (at, quantity) => (has(quantity, 'NA') ? at('m') / (2 * at('NA')) : at('N') * at('c')),
  lightLossStops: (at) => 2 * Math.log2(at('N_w') / at('N')),
  airyUm: (at) => 2.44 * at('λ') * at('N_w'),
  airyPixels: (at) => at('Airy') / at('p'),
  smallestDetailUm: (at) => 1000 / (2 * at('ν') * at('m')),
  cocMm: (at) => at('D') / 1500,
  depthMm: (at) => (2 * at('c') * at('N_w')) / at('m') ** 2 + at('λ/NA²'),
  waveDepthMm: (at) => at('λ') / 1000 / at('NA') ** 2,
  subjectDistanceM: (at) => (at('F') * (1 + at('s') / at('m')) + at('v') + at('d')) / 1000,
  workingDistanceMm: (_, quantity) => quantity.value,
  roomToCrop: (at) => at('px') / at('n'),
  handHoldS: (at) => 1 / (at('f_eq') * (1 + at('m'))),
  bestFNumber: (_, quantity) => quantity.value,
  pixelsOnSubject: (at) => (1000 * at('m') * at('L')) / at('p'),
  resolvedShare: (at) => Math.min(100, (100 * 2 * at('p') * at('ν')) / 1000),
  resolvedPixels: (at) => (at('px') * at('r')) / 100,
  neededPixels: (at) => (at('px') * at('s')) / 100,
  countedPixels: (at) => (at('px') * at('r')) / 100,
  shareOfFrame: (at) => (100 * at('m') * at('L')) / at('side'),
  smallestDetailMm: (at) => 1 / (2 * at('ν') * at('m')),
  megapixels: (at) => (at('columns') * at('rows')) / 1e6,
  resolvedMegapixels: (at) => at('MP') * (at('r') / 100) ** 2,
  detailLimitLpPerMm: (_, quantity) => quantity.value,
};

const chains: [string, Part[]][] = [
  ['a bare lens', [macro]],
  ['tubes', [macro, tubes]],
  ['a close-up lens', [closeUp, macro]],
  ['a converter', [macro, converter]],
  ['tubes behind a converter', [macro, converter, tubes]],
  ['everything', [closeUp, macro, tubes, converter]],
  ['an objective', [objective, { ...macro, closestFocusM: undefined, closestRatio: undefined }]],
];

describe('a near reading as it is put together', () => {
  it.each(chains)('of %s: every number from the inputs its Why names', (_, chain) => {
    for (const modeId of ['whole', 'tall']) {
      for (const ratio of [undefined, 0.5]) {
        const reading = read(chain, { ratio, fNumber: 7.1 }, { modeId });
        expectRecomputed(reading, NEAR);
        expectNamedUnits(reading);
      }
    }
  });

  it('takes width for width and height for height', () => {
    for (const [modeId, widthMm, heightMm] of [
      ['whole', 31.2, 17],
      ['tall', 12.752, 17],
    ] as const) {
      const reading = read([macro], { ratio: 0.8 }, { modeId });
      expect(reading.fieldWidthMm.value).toBeCloseTo(widthMm / 0.8, 3);
      expect(reading.fieldHeightMm.value).toBeCloseTo(heightMm / 0.8, 3);
      // The beetle is measured by its length, which stands upright.
      expect(reading.shareOfFrame.value).toBeCloseTo((100 * 0.8 * 9) / heightMm, 3);
      expect(reading.screenMagnification.value).toBeCloseTo((0.8 * 410) / widthMm, 3);
    }
    // 31.2 : 17 fills a screen of 66 × 50 mm to its width.
    expect(read([macro], { ratio: 0.8 }).cameraScreenMagnification!.value).toBeCloseTo((0.8 * 66) / 31.2, 9);
    expect(read([macro], { ratio: 0.8 }).cameraScreenMagnification!.plusMinus).toBeUndefined();
  });

  it('stands at the ratio of the closed forms', () => {
    // f′ = 290/4 = 72.5 mm, v = 145 mm at the closest focus.
    expect(read([macro]).ratio.value).toBeCloseTo(1, 12);
    expect(read([macro, tubes]).ratio.value).toBeCloseTo(1 + 25 / 72.5, 9);
    expect(read([closeUp, macro]).ratio.value).toBeCloseTo(145 * (1 / 72.5 + 0.003) - 1, 9);
    expect(read([macro, converter]).ratio.value).toBeCloseTo(1.4, 9);
    expect(read([closeUp, macro, tubes, converter]).ratio.value).toBeCloseTo(1.4 * (170 * (1 / 72.5 + 0.003) - 1), 9);
    expect(read([objective, { ...macro, closestFocusM: undefined, closestRatio: undefined }]).ratio.value).toBeCloseTo(
      (5 * 95) / 200,
      9,
    );
  });

  it('has the room of its closest distance less what stands before the sensor', () => {
    const room = read([macro]).workingDistanceMm!;
    expect(room.value).toBeCloseTo(290 - 131 - 19, 9);
    expect(room.plusMinus).toBeCloseTo(29, 9);
    // Behind +3 dioptres the subject lies where 1/r = 1/140 + 0.003.
    expect(read([closeUp, macro]).workingDistanceMm!.value).toBeCloseTo(1 / (1 / 140 + 0.003), 9);
    expect(read([objective, { ...macro, closestFocusM: undefined }]).workingDistanceMm).toMatchObject({
      value: 31,
      kind: 'given',
    });
    const tube = read([macro, tubes]);
    // Nearer by what the subject comes nearer to the lens: f′·(1 + 1/m).
    expect(tube.workingDistanceMm!.value).toBeCloseTo(140 - (72.5 * 2 - 72.5 * (1 + 1 / tube.ratio.value)), 9);
  });

  it('reads the distance from the sensor to what is sharp', () => {
    expect(read([macro]).subjectDistanceM!.value).toBeCloseTo(0.29, 9);
    const tube = read([macro, tubes]);
    expect(tube.subjectDistanceM!.value * 1000).toBeCloseTo(72.5 * (1 + 1 / tube.ratio.value) + 145 + 25, 9);
    // The converter's own length is not known: the ± is at least three centimetres.
    expect(read([macro, converter]).subjectDistanceM!.plusMinus).toBeGreaterThanOrEqual(0.03);
  });

  it('warns by the room, the ratio held by hand, and what is not known', () => {
    const codes = (chain: Part[], change: Partial<NearInput> = {}) =>
      read(chain, change).hints.map((each) => each.code);
    expect(codes([macro], { ratio: 0.5, handHoldRatio: 1 })).not.toContain('near.hand');
    expect(codes([macro], { ratio: 0.5, handHoldRatio: 0.3 })).toContain('near.hand');
    expect(codes([macro], { ratio: 0.05 })).toContain('near.far');
    expect(codes([macro, converter, tubes])).toContain('near.behindConverter');
    const nearer: AdapterPart = { ...tubes, usedMm: [12, 25] };
    expect(codes([macro, nearer])).toContain('near.shy');
    const inches = read([macro, nearer], { units: 'imperial' }).hints.find((each) => each.code === 'near.shy')!;
    expect(inches.message).toMatch(/^About [\d.]+.in in front of the glass/);
  });

  it('takes the aperture as it is set, held to what the lens offers', () => {
    expect(read([macro], { fNumber: 1 }).setFNumber.value).toBe(2.8);
    expect(read([macro], { fNumber: 90 }).setFNumber.value).toBe(22);
    // Where it is entered, the smallest aperture of the lens itself.
    expect(read([{ ...macro, fNumberSmallest: 32 }], { fNumber: 90 }).setFNumber.value).toBe(32);
    expect(read([macro]).setFNumber.value).toBe(8);
    const fixed: LensSpec = { ...macro, fixedAperture: true };
    expect(read([fixed], { fNumber: 16 }).setFNumber.value).toBe(2.8);
  });

  it('draws the curve through the desk’s own numbers', () => {
    const reading = read([closeUp, macro, converter], { fNumber: 11, judgeBy: 'resolved' });
    const system = fold([closeUp, macro, converter]);
    const point = aperturePoint(
      {
        system,
        setting: reading.state.setting,
        subjectMm: 9,
        neededPixels: 1,
        judgeBy: 'resolved',
        cocMm: reading.cocMm.value,
        threshold: 0.15,
      },
      11,
    );
    expect(point.workingFNumber).toBeCloseTo(reading.workingFNumber.value, 12);
    expect(point.depthMm).toBeCloseTo(reading.depthMm.value, 12);
    expect(point.counted).toBeCloseTo(reading.resolvedPixels.value, 9);
    expect(point.smallestDetailUm).toBeCloseTo(reading.smallestDetailUm.value, 9);
    const sampled = aperturePoint(
      {
        system,
        setting: reading.state.setting,
        subjectMm: 9,
        neededPixels: 1,
        judgeBy: 'sampled',
        cocMm: 0.02,
        threshold: 0.15,
      },
      11,
    );
    expect(sampled.counted).toBeCloseTo(reading.pixelsOnSubject.value, 9);
  });

  it('follows the school chosen, and shows the others beside it', () => {
    for (const cocSchool of ['diagonal', 'output', 'pixel'] as const) {
      const reading = read([macro], { cocSchool });
      const chosen = reading.depthMm.why.schools!.filter((each) => each.chosen);
      expect(chosen.map((each) => each.choice)).toEqual([cocSchool]);
      expect(chosen[0]!.value).toBeCloseTo(reading.depthMm.value, 12);
      const c = { diagonal: Math.hypot(31.2, 17) / 1500, output: 31.2 / 1800, pixel: (2 * 31.2) / 7800 }[cocSchool];
      expect(inputsOf(reading.depthMm)('c')).toBeCloseTo(c, 12);
    }
  });
});

describe('levers close up as they are put together', () => {
  const levers = (chain: Part[], id: string) =>
    nearLevers({
      setup: { body, modeId: 'whole', chain },
      subject: beetle,
      output: web,
      judgeBy: 'resolved',
      cocSchool: 'diagonal',
      convention: 'usual',
      ratio: undefined,
      fNumber: 8,
      kit: { parts: [{ id: 'set', part: tubes }], setups: [] },
    }).find((each) => each.id === id)!;

  it('are both readings, one over the other', () => {
    const lever = levers([macro], 'chain:set:25');
    const [before, after] = [read([macro], { fNumber: 8 }), read([macro, tubes], { fNumber: 8 })];
    expect(lever.ratioAfter).toBeCloseTo(after.ratio.value, 12);
    expect(lever.ratioChange).toBeCloseTo(after.ratio.value / before.ratio.value, 12);
    expect(lever.resolvedChange).toBeCloseTo(after.resolvedPixels.value / before.resolvedPixels.value, 12);
    expect(lever.depthChange).toBeCloseTo(after.depthMm.value / before.depthMm.value, 12);
    expect(lever.fieldAfterMm).toBeCloseTo(after.fieldWidthMm.value, 12);
    expect(lever.stops).toBeCloseTo(-2 * Math.log2(after.workingFNumber.value / before.workingFNumber.value), 12);
    expect(lever.workingAfterMm).toBeCloseTo(after.workingDistanceMm!.value, 12);
    expect(lever.workingChangeMm).toBeCloseTo(after.workingDistanceMm!.value - before.workingDistanceMm!.value, 12);
    expect(lever.verdictAfter).toBe(after.verdict);
    expect(inputsOf(lever.gain)('r₁') / inputsOf(lever.gain)('r₀')).toBeCloseTo(lever.gain.value, 12);
    expect(partsOf(lever.patch.chain!)).toEqual([macro, tubes]);
  });

  it('name the school the depth is judged by', () => {
    expect(levers([macro], 'mode:tall').cocSchool).toBe('diagonal');
  });
});

it('takes every kind of subject to be some depth deep, never more than its size', () => {
  for (const kind of [
    'wader',
    'perchingBird',
    'raptor',
    'smallMammal',
    'deer',
    'butterfly',
    'beetle',
    'flower',
  ] as const) {
    expect(subjectDepthMm(kind, 10)).toBeGreaterThan(1);
    expect(subjectDepthMm(kind, 10)).toBeLessThan(10);
    expect(subjectDepthMm(kind, 20)).toBeCloseTo(2 * subjectDepthMm(kind, 10), 12);
  }
});

describe('a subject larger than the frame', () => {
  // The beetle is measured along the photo's height: 40 mm of it at 1 : 1 are too much for a sensor 31.2 × 17 mm either way.
  // With the camera rotated it lies along 31.2 mm.
  const large = { ...beetle, sizeMm: 40, sizePlusMinusMm: 0 };

  it('is said to be, with the ratio at which it fits, which then does', () => {
    const { overflow } = read([macro], { subject: large, ratio: 1 });
    expect(overflow?.code).toBe('frame.overflows');
    expect(overflow?.message).toContain('Beetle does not fit: it takes 129 % of the frame.');
    // 31.2 / 40 = 1 : 1.28, written as 1 : 1.3.
    expect(overflow?.message).toContain('1 : 1.3 or smaller');
    expect(read([macro], { subject: large, ratio: 1 / 1.3 }).overflow).toBeUndefined();
    expect(read([macro], { subject: large, ratio: 1 / 1.2 }).overflow).toBeDefined();
  });

  it('but not than its longer side fits with the camera rotated, and says so', () => {
    const rotated = read([macro], { subject: large, ratio: 1 / 1.3 });
    expect(rotated.rotated).toBe(true);
    expect(rotated.shareOfFrame.value).toBeCloseTo((100 * 40) / 1.3 / 31.2, 0);
    expect(rotated.warnings.map((each) => each.code)).toContain('frame.rotate');
    const upright = read([macro], { subject: large, ratio: 1 / 2.4 });
    expect(upright.rotated).toBeUndefined();
    expect(upright.shareOfFrame.value).toBeCloseTo((100 * 40) / 2.4 / 17, 0);
    expect(upright.warnings.map((each) => each.code)).not.toContain('frame.rotate');
  });

  it('above life size is told a ratio above it', () => {
    const { overflow } = read([macro, tubes], { subject: { ...large, sizeMm: 25 }, ratio: 1.26 });
    // 31.2 / 25 = 1.25 : 1, written as 1.2 : 1.
    expect(overflow?.message).toContain('1.2 : 1 or smaller');
  });

  it('is not called enough by a lever either', () => {
    const levers = nearLevers({
      setup: { body, modeId: 'whole', chain: [macro] },
      subject: large,
      output: web,
      judgeBy: 'resolved',
      cocSchool: 'diagonal',
      convention: 'usual',
      ratio: 0.5,
      fNumber: 8,
      kit: { parts: [{ id: 't', part: tubes }], setups: [] },
    });
    const withTubes = levers.find(({ kind, removes }) => kind === 'chain' && !removes)!;
    expect(withTubes.ratioAfter).toBeGreaterThan(0.78);
    expect(withTubes.verdictAfter).toBe('doesNotFit');
    expect(levers.find(({ kind }) => kind === 'ratio')!.verdictAfter).not.toBe('doesNotFit');
  });
});
