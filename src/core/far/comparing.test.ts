import type { AdapterPart, LensSpec, Part } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import type { SubjectSpec } from '../kit/subjects';
import { foldSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { inputsOf } from '../../../tests/support/recompute';
import { countPixels } from './countPixels';
import { distanceForRatioM, farthestDistanceM, focusAt, nearestDistanceM } from './focusAt';
import { fairTest } from './fairTest';
import { farLevers, type FarSituation } from './levers';
import { modesLadder } from './modesLadder';
import { logDistancesM, plannerCurve, reachM } from './plannerCurve';
import { readFar, type FarReading } from './readFar';
import { readOut } from './readOut';
import { sideBySide, type Compared } from './sideBySide';
import { told } from './withheld';

const body: BodySpec = {
  name: 'Odd',
  mount: 'A',
  flangeMm: 20,
  sensor: { widthMm: 35.2, heightMm: 19.8, columns: 8000, rows: 4500 },
  antiAliasFilter: 'none',
  cropModes: [{ id: 'c15', name: 'Crop 1.5', factor: 1.5, framesPerSecond: 18, fileSizeMb: 19 }],
  videoModes: [
    {
      id: 'uhd',
      name: '4K',
      sampledColumns: 6000,
      sampledRows: 3375,
      recordedColumns: 3840,
      recordedRows: 2160,
      framesPerSecond: [25],
      processedZoomLimit: 2,
      restrictions: ['noRaw'],
    },
    {
      id: 'fast',
      name: 'Fast',
      sampledColumns: 3000,
      sampledRows: 1688,
      recordedColumns: 3840,
      recordedRows: 2160,
      framesPerSecond: [120],
    },
  ],
  framesPerSecond: 12,
  fileSizeMb: 42,
  autofocusLimitFNumber: 8,
  weightG: 800,
  price: 2000,
};
const small: BodySpec = {
  ...body,
  name: 'Small',
  sensor: { widthMm: 17.3, heightMm: 13, columns: 5184, rows: 3888 },
  weightG: 450,
  price: 900,
  videoModes: undefined,
};
const long: LensSpec = {
  kind: 'lens',
  name: 'Long',
  mount: 'A',
  focalWideMm: 500,
  focalTeleMm: 500,
  fNumberWide: 5,
  fNumberTele: 5,
  closestFocusM: 3.6,
  closestRatio: 0.17,
  lens50LpPerMm: 75,
  detailClass: 'good',
  autofocus: true,
  flangeMm: 20,
  weightG: 2000,
  price: 4000,
};
const zoom: LensSpec = {
  ...long,
  name: 'Zoom',
  focalWideMm: 100,
  focalTeleMm: 400,
  fNumberWide: 4.5,
  fNumberTele: 6.3,
  closestFocusM: 1,
  closestRatio: 0.36,
  weightG: 1300,
  price: 1100,
};
const mirror: LensSpec = {
  ...long,
  name: 'Mirror',
  design: 'mirror',
  fixedAperture: true,
  obstructionShare: 0.45,
  fNumberWide: 8,
  fNumberTele: 8,
  weightG: 600,
};
const x14: AdapterPart = {
  kind: 'converter',
  name: '×1.4',
  mount: 'A',
  factor: 1.4,
  autofocus: true,
  weightG: 200,
  price: 300,
};
const bird: SubjectSpec = { name: 'Bird', kind: 'wader', sizeMm: 430, distanceM: 30 };
const web: OutputSpec = { kind: 'screen', name: 'Web', longSidePx: 2400, subjectShare: 0.5 };

const setupOf = (of: BodySpec, ...chain: Part[]): SystemInput => ({ body: of, modeId: 'whole', chain });
function systemOf(setup: SystemInput) {
  const folded = foldSystem(setup);
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
function read(setup: SystemInput, distanceM = 30, subject = bird): FarReading {
  const reading = readFar({ system: systemOf(setup), subject, distanceM, output: web });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value;
}

describe('levers as they are put together', () => {
  const hand = setupOf(body, long);
  const other = setupOf(small, zoom);
  const situation = (change: Partial<FarSituation> = {}): FarSituation => ({
    setup: hand,
    subject: bird,
    distanceM: 30,
    output: web,
    judgeBy: 'resolved',
    convention: 'usual',
    kit: { parts: [{ id: 'x14', part: x14 }], setups: [{ id: 'other', name: 'Other', setup: other }] },
    ...change,
  });
  const lever = (id: string, change: Partial<FarSituation> = {}) => {
    const found = farLevers(situation(change)).find((each) => each.id === id);
    if (!found) throw new Error(`no lever ${id}`);
    return found;
  };

  it.each([
    ['chain:x14', setupOf(body, long, x14)],
    ['mode:c15', { ...hand, modeId: 'c15' }],
    ['setup:other', other],
  ] as const)('%s is one reading over the other', (id, changed) => {
    const found = lever(id);
    const [before, after] = [read(hand), read(changed)];
    const [systemBefore, systemAfter] = [systemOf(hand), systemOf(changed)];
    expect(found.pixelsRatio).toBeCloseTo(after.pixelsOnSubject.value / before.pixelsOnSubject.value, 12);
    expect(found.resolvedRatio).toBeCloseTo(after.resolvedPixels.value / before.resolvedPixels.value, 12);
    expect(found.stops).toBeCloseTo(-2 * Math.log2(systemAfter.fNumber.value / systemBefore.fNumber.value), 12);
    expect(found.fNumberAfter).toBe(systemAfter.fNumber.value);
    expect(found.focalAfterMm).toBe(systemAfter.focalMm.value);
    expect(found.surroundingsRatio).toBeCloseTo(
      (after.fieldWidthM.value * after.fieldHeightM.value) / (before.fieldWidthM.value * before.fieldHeightM.value),
      12,
    );
    expect(found.verdictAfter).toBe(after.verdict);
    expect(found.weightChangeG).toBeCloseTo(systemAfter.weightG!.value - systemBefore.weightG!.value, 9);
    expect(found.priceChange).toBeCloseTo(systemAfter.price!.value - systemBefore.price!.value, 9);
    expect(found.autofocusAfter).toBe(systemAfter.autofocus.state);
    expect(found.gain.value).toBeCloseTo(inputsOf(found.gain)('r₁') / inputsOf(found.gain)('r₀'), 12);
  });

  it('a crop mode keeps the pixels, cuts the surroundings by its square, and tells files and rate', () => {
    const found = lever('mode:c15');
    expect(found.pixelsRatio).toBe(1);
    expect(found.surroundingsRatio).toBeCloseTo(1 / 2.25, 3);
    expect(found.fileSizeRatio).toBeCloseTo(19 / 42, 12);
    expect([found.framesPerSecondBefore, found.framesPerSecondAfter]).toEqual([12, 18]);
    expect(found.removes).toBe(false);
    expect(lever('mode:whole', { setup: { ...hand, modeId: 'c15' } }).removes).toBe(true);
  });

  it('takes a converter out as it puts it in', () => {
    const inside = {
      setup: {
        ...setupOf(body, long),
        chain: [
          { id: 'long', part: long },
          { id: 'x14', part: x14 },
        ],
      },
    };
    const out = lever('chain:x14', inside);
    expect([out.removes, out.patch.chain]).toEqual([true, [{ id: 'long', part: long }]]);
    expect(out.pixelsRatio * lever('chain:x14').pixelsRatio).toBeCloseTo(1, 12);
  });

  it('forgets what was measured with another chain', () => {
    const measured = [{ at: 'closest' as const, ratio: 0.2, plusMinus: 0.01 }];
    const found = lever('chain:x14', { setup: { ...hand, measured } });
    const plain = read(setupOf(body, long, x14));
    const before = read({ ...hand, measured });
    expect(found.pixelsRatio).toBeCloseTo(plain.pixelsOnSubject.value / before.pixelsOnSubject.value, 9);
  });

  it('goes near enough and no nearer, stays back as far as it may, and never nearer than the lens focuses', () => {
    const need = read(hand).neededPixels.value;
    const nearer = lever('distance', { distanceM: 80 });
    expect(nearer.verdictAfter).toBe('enough');
    const counted = (m: number) => countPixels(systemOf(hand), 430, m, 'resolved');
    expect(counted(nearer.patch.distanceM!)).toBeGreaterThanOrEqual(need);
    expect(counted(nearer.patch.distanceM! + 0.5)).toBeLessThan(need);
    expect(nearer.distanceChangeM).toBeCloseTo(nearer.patch.distanceM! - 80, 9);
    const back = lever('distance', { distanceM: 12 });
    expect(back.distanceChangeM).toBeGreaterThan(0);
    expect(counted(back.patch.distanceM!)).toBeGreaterThanOrEqual(need);
    const tiny = lever('distance', { subject: { ...bird, sizeMm: 9 }, distanceM: 12 });
    expect(tiny.patch.distanceM).toBeCloseTo(3.6, 9);
    expect(lever('distance', { distanceM: 2 }).patch.distanceM).toBeCloseTo(3.6, 9);
    expect(lever('distance', { distanceM: 2 }).comparable).toBe(false);
  });

  it('zooms out until the subject fits, and in until it is enough', () => {
    const out = lever('focal', { setup: setupOf(body, zoom), distanceM: 2.2 });
    const fitted = read({ ...setupOf(body, zoom), focalMm: out.patch.focalMm }, 2.2);
    expect(fitted.shareOfFrame.value).toBeLessThanOrEqual(85.5);
    expect(fitted.shareOfFrame.value).toBeGreaterThan(80);
    const into = lever('focal', { setup: { ...setupOf(body, zoom), focalMm: 150 }, distanceM: 14 });
    const enough = read({ ...setupOf(body, zoom), focalMm: into.patch.focalMm }, 14);
    expect(enough.verdict).toBe('enough');
    // A little less, and the error reaches across the need; much less is surely too little.
    expect(read({ ...setupOf(body, zoom), focalMm: into.patch.focalMm! - 2 }, 14).verdict).toBe('borderline');
    expect(read({ ...setupOf(body, zoom), focalMm: 0.8 * into.patch.focalMm! }, 14).verdict).toBe('notEnough');
  });

  it('judges nothing where it does not focus or the subject does not fit', () => {
    const macro = setupOf(body, { ...long, name: 'Near', closestFocusM: 40, closestRatio: 0.012 });
    const found = lever('setup:macro', { kit: { parts: [], setups: [{ id: 'macro', name: 'Macro', setup: macro }] } });
    expect([found.verdictAfter, found.cannotFocus, found.comparable]).toEqual(['outOfFocus', true, false]);
    const huge = lever('chain:x14', { distanceM: 4 });
    expect(huge.verdictAfter).toBe('doesNotFit');
    expect(huge.timesFrame).toBeGreaterThan(1);
  });

  it('says nothing of a weight that is not known whole', () => {
    const unknown = setupOf(small, { ...zoom, weightG: undefined });
    const found = lever('setup:u', { kit: { parts: [], setups: [{ id: 'u', name: 'U', setup: unknown }] } });
    expect(found.weightChangeG).toBeUndefined();
    expect(found.priceChange).toBeDefined();
  });
});

describe('what is told of a reading', () => {
  it('leaves out what its obstacle makes meaningless, and only the verdict where it does not fit', () => {
    const near = read(setupOf(body, long), 3);
    expect(near.obstacle?.code).toBe('focus.closest');
    expect(Object.keys(told(near)).sort()).toEqual([
      'distanceM',
      'judgeBy',
      'megapixels',
      'neededPixels',
      'obstacle',
      'pixelScaleArcsec',
      'reachPxPerMrad',
      'warnings',
    ]);
    const over = read(setupOf(body, long), 4);
    expect(over.overflow?.message).toMatch(/^Bird does not fit: it takes 1\d\d % of the frame/);
    expect(told(over)).not.toHaveProperty('verdict');
    expect(told(over)).toHaveProperty('pixelsOnSubject');
    const fine = read(setupOf(body, long));
    expect(told(fine)).toHaveProperty('verdict');
    expect(told(fine)).not.toHaveProperty('focus');
  });

  it('tells distances in the person’s units', () => {
    const system = systemOf(setupOf(body, long));
    const said = (distanceM: number, units: 'metric' | 'imperial') => {
      const reading = readFar({ system, subject: bird, distanceM, output: web, units });
      return reading.ok ? reading.value.obstacle!.message.replace(/\u202f/g, ' ') : '';
    };
    expect(said(3, 'metric')).toMatch(/focuses from 3.6 m on\. Step back 0.6 m/);
    expect(said(3, 'imperial')).toMatch(/focuses from 11.8 ft on\. Step back 2 ft/);
  });
});

describe('side by side as it is put together', () => {
  const contenders = [
    { id: 'a', name: 'A', setup: setupOf(body, long) },
    { id: 'b', name: 'B', setup: setupOf(small, zoom) },
    { id: 'c', name: 'C', setup: setupOf(body, mirror) },
  ];
  const compare = (stance: 'sameSpot' | 'sameFraming' | 'samePicture') =>
    sideBySide({
      contenders,
      stance,
      subject: bird,
      distanceM: 30,
      output: web,
      judgeBy: 'resolved',
      convention: 'usual',
    });
  const by = (compared: Compared[], id: string) => compared.find((each) => each.id === id)!;

  it('holds against the first what each really gives', () => {
    const { compared } = compare('sameSpot');
    for (const each of compared) {
      const own = read(contenders.find(({ id }) => id === each.id)!.setup);
      expect(each.reading.resolvedPixels.value).toBeCloseTo(own.resolvedPixels.value, 9);
      expect(each.pixelsRatio).toBeCloseTo(own.pixelsOnSubject.value / compared[0]!.reading.pixelsOnSubject.value, 12);
      expect(each.resolvedRatio).toBeCloseTo(own.resolvedPixels.value / compared[0]!.reading.resolvedPixels.value, 12);
      expect(each.weightRatio).toBeCloseTo(each.system.weightG!.value / 2800, 12);
      expect(each.priceRatio).toBeCloseTo(each.system.price!.value / 6000, 12);
    }
  });

  it('an obstruction takes light and detail, not depth', () => {
    const { compared } = compare('sameSpot');
    const c = by(compared, 'c');
    // f/8 with 0.45 of the diameter covered is f/8.96 for the light: √(1 − 0.45²).
    expect(c.system.lightFNumber).toBeCloseTo(8 / Math.sqrt(1 - 0.45 ** 2), 9);
    expect(c.exposureStops).toBeCloseTo(-2 * Math.log2(8 / Math.sqrt(1 - 0.45 ** 2) / 5), 9);
    expect(c.system.entrancePupilMm.value).toBeCloseTo(500 / 8, 9);
    const clear = read(setupOf(body, { ...mirror, obstructionShare: undefined }));
    const lost = 1 - c.reading.resolvedPixels.value / clear.resolvedPixels.value;
    expect(lost).toBeGreaterThan(0.04);
    expect(lost).toBeLessThan(0.25);
  });

  it('walks to the same width, by each one’s own focus', () => {
    const { compared } = compare('sameFraming');
    for (const each of compared) {
      expect(each.reading.fieldWidthM.value / compared[0]!.reading.fieldWidthM.value).toBeCloseTo(1, 9);
      expect(each.walkM).toBeCloseTo(each.distanceM - 30, 12);
      expect(each.subjectLightStops).toBeCloseTo(
        2 * Math.log2(each.system.focalMm.value / each.system.lightFNumber / each.distanceM / (500 / 5 / 30)),
        9,
      );
    }
  });

  it('a fair test names the same numbers', () => {
    const { compared } = compare('sameFraming');
    const [a, b] = [by(compared, 'a'), by(compared, 'b')];
    const points = Object.fromEntries(fairTest(a, b).map((point) => [point.what, point.how.replace(/\u202f/g, ' ')]));
    const [ka, kb] = [a.system.cropFactor.value, b.system.cropFactor.value];
    const common = Math.max(5 * ka, 6.3 * kb);
    expect(points.Aperture).toContain(`A at f/${Number((common / ka).toPrecision(common / ka >= 10 ? 3 : 2))}`);
    expect(points.Support).toContain('2.8 kg and 1.75 kg');
    expect(points.Framing).toMatch(/^A from 30 m, B from [\d.]+ m/);
    const feet = fairTest(a, b, 'imperial')
      .find((point) => point.what === 'Framing')!
      .how.replace(/\u202f/g, ' ');
    expect(feet).toMatch(/^A from 98.4 ft/);
    const unknown = {
      ...b,
      system: systemOf(setupOf({ ...small, weightG: undefined }, { ...zoom, weightG: undefined })),
    };
    expect(fairTest(a, unknown).find((point) => point.what === 'Support')!.how).toContain(
      'a weight that is not entered',
    );
  });
});

describe('curves, ladders and read-outs', () => {
  it('a curve gives what the reading gives, and ends where the lens does', () => {
    const system = systemOf(setupOf(body, long));
    const distances = logDistancesM(2, 300, 50);
    expect([distances[0], distances.at(-1)]).toEqual([2, 300]);
    const curve = plannerCurve(system, 430, distances, 'resolved');
    expect([curve.nearestM, curve.farthestM]).toEqual([nearestDistanceM(system), farthestDistanceM(system)]);
    distances.forEach((distanceM, i) => {
      if (distanceM < 3.6) return expect(curve.counted[i]).toBe(0);
      return expect(curve.counted[i]! / read(setupOf(body, long), distanceM).resolvedPixels.value).toBeCloseTo(1, 4);
    });
    const sampled = plannerCurve(system, 430, distances, 'sampled');
    expect(sampled.counted.at(-1)).toBeCloseTo(read(setupOf(body, long), 300).pixelsOnSubject.value, 6);
    const reach = reachM(system, 430, 1200, 'resolved', 1000)!;
    expect(countPixels(system, 430, reach, 'resolved')).toBeCloseTo(1200, 3);
    expect(reachM(system, 430, 1e6, 'resolved', 1000)).toBeNull();
    expect(reachM(system, 430, 1, 'resolved', 50)).toBe(50);
  });

  it('a distance for a ratio is one at which it draws so', () => {
    for (const chain of [[long], [long, x14]] as Part[][]) {
      const system = systemOf(setupOf(body, ...chain));
      for (const ratio of [0.005, 0.03, 0.12]) {
        const metres = distanceForRatioM(system, ratio)!;
        const found = focusAt(system, metres * 1000);
        if (!found.ok) throw new Error(found.problem.message);
        expect(found.value.ratio / ratio).toBeCloseTo(1, 9);
      }
      expect(distanceForRatioM(system, 3)).toBeUndefined();
      expect(distanceForRatioM(system, 0)).toBeUndefined();
    }
  });

  it('a ladder says what each mode hides, and nothing from numbers nobody entered', () => {
    const ladder = (change: Partial<Parameters<typeof modesLadder>[0]> = {}) =>
      modesLadder({
        setup: setupOf(body, long),
        subject: bird,
        distanceM: 30,
        output: web,
        judgeBy: 'resolved',
        convention: 'usual',
        ...change,
      });
    const { rungs, advice } = ladder();
    expect(rungs.map((rung) => rung.mode.id)).toEqual(['whole', 'c15']);
    expect(rungs[1]!.hidden).toBeCloseTo(1 - 1 / 2.25, 3);
    expect(rungs[0]!.hidden).toBeCloseTo(0, 12);
    expect(advice).toMatch(
      /^Crop in the camera with “Crop 1.5”.*18 instead of 12 frames\/s and files 2.2 times smaller/,
    );
    expect(ladder({ speedMPerS: 30 }).advice).toMatch(/at 30.m\/s it would cross/);
    expect(ladder({ speedMPerS: 30, units: 'imperial' }).advice).toMatch(/at 98.ft\/s/);
    const bare = { ...body, framesPerSecond: undefined, fileSizeMb: undefined };
    expect(ladder({ setup: setupOf(bare, long) }).advice).toMatch(/cannot be said: its frame rates and file sizes/);
    expect(ladder({ setup: setupOf({ ...body, cropModes: [] }, long) }).advice).toMatch(/no crop mode/);
  });

  it('a read-out tells the strip, the free zoom and the range in equivalents', () => {
    const [uhd, fast] = readOut(systemOf(setupOf(body, long, x14)));
    expect(uhd!.widthShare).toBeCloseTo(6000 / 8000, 12);
    expect(uhd!.freeZoom).toBeCloseTo(6000 / 3840, 12);
    // 26.4 mm wide of 16 : 9: 36/26.4; the lens with its converter 700 mm.
    expect(uhd!.cropFactor).toBeCloseTo(36 / 26.4, 9);
    expect(uhd!.equivalentTeleMm).toBeCloseTo((700 * 36) / 26.4, 6);
    expect(uhd!.equivalentZoomedMm).toBeCloseTo((2 * 700 * 36) / 26.4, 6);
    expect(uhd!.equivalentFreeMm).toBeCloseTo((1.5625 * 700 * 36) / 26.4, 6);
    expect(uhd!.steps[0]).toMatchObject({ zoom: 1, realShare: 1, realAreaShare: 1 });
    expect(uhd!.steps.at(-1)).toMatchObject({ zoom: 2, realColumns: 3000 });
    expect(uhd!.steps.at(-1)!.realShare).toBeCloseTo(3000 / 3840, 12);
    expect(uhd!.restrictions).toEqual(['noRaw']);
    // A read-out coarser than the recording invents pixels without any zoom.
    expect(fast!.freeZoom).toBeLessThan(1);
    expect(fast!.zoomLimit).toBe(1);
    expect(fast!.equivalentFreeMm).toBeCloseTo(fast!.equivalentTeleMm, 12);
  });
});
