import * as fc from 'fast-check';
import { expectNamedUnits, expectRecomputed, has, type Formula } from '../../../tests/support/recompute';
import type { BodySpec } from '../kit/body';
import type { LensSpec, Part } from '../chain/parts';
import type { SubjectSpec } from '../kit/subjects';
import { foldSystem, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { farMore, type Background } from './farMore';
import { readFar, type FarReading } from './readFar';

// Not a square in sight: 35.2 × 19.8 mm, a subject taller than wide, unequal distances. What is put in the wrong place shows.
const body: BodySpec = {
  name: 'Odd',
  flangeMm: 20,
  sensor: { widthMm: 35.2, heightMm: 19.8, columns: 8000, rows: 4500 },
  antiAliasFilter: 'weak',
  cropModes: [{ id: 'tall', name: 'Tall', aspect: 0.8, framesPerSecond: 20, fileSizeMb: 17 }],
  stabiliserStops: 3,
  autofocusLimitFNumber: 8,
  weightG: 811,
  price: 2300,
  framesPerSecond: 12,
  fileSizeMb: 41,
};
const lens: LensSpec = {
  kind: 'lens',
  name: 'Long',
  focalWideMm: 500,
  focalTeleMm: 500,
  fNumberWide: 5,
  fNumberTele: 5,
  closestFocusM: 3.6,
  closestRatio: 0.17,
  imageCircleWideMm: 44,
  detailClass: 'good',
  autofocus: true,
  lengthMm: 300,
  flangeMm: 20,
  weightG: 2010,
  price: 4100,
};
const x14: Part = { kind: 'converter', name: '×1.4', factor: 1.4, autofocus: true, weightG: 190, price: 400 };
const x20: Part = { kind: 'converter', name: '×2', factor: 2, autofocus: true, lens50LpPerMm: 120 };
const reducer: Part = { kind: 'reducer', name: '×0.71', factor: 0.71, autofocus: true };
const mirror: Part = { ...lens, name: 'Mirror', design: 'mirror', obstructionShare: 0.42 };
const deer: SubjectSpec = {
  name: 'Deer',
  kind: 'deer',
  sizeMm: 1100,
  sizePlusMinusMm: 80,
  distanceM: 37,
  speedMPerS: 4,
};
const print: OutputSpec = {
  kind: 'print',
  name: 'Print',
  longSideMm: 420,
  viewingDistanceMm: 600,
  subjectShare: 0.4,
};
const ground: Background = { kind: 'ground', cameraHeightM: 1.3, subjectHeightM: 0.9 };

function fold(setup: Partial<SystemInput> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain: [lens], supportWeightG: 1700, ...setup });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}

function read(system: EffectiveSystem, distanceM = 37): FarReading {
  const reading = readFar({ system, subject: deer, distanceM, output: print });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value;
}

/** Ratio of the lens alone by halving T(μ), from the data a derivation names. */
function lensRatio(f: number, nearMm: number, most: number, distanceMm: number): number {
  const there = nearMm / (2 + most + 1 / most);
  let [low, high] = [1e-9, most];
  for (let i = 0; i < 200; i += 1) {
    const m = (low + high) / 2;
    if ((f + ((there - f) * m) / most) * (2 + m + 1 / m) > distanceMm) low = m;
    else high = m;
  }
  return low;
}

const FAR: Record<string, Formula> = {
  distanceM: (_, quantity) => quantity.value,
  ratio: (at) => at('t') * lensRatio(at('f'), 1000 * at('T₀'), at('m₀'), 1000 * at('T')),
  pixelsOnSubject: (at) => (1000 * at('m') * at('L')) / at('p'),
  resolvedShare: (at) => Math.min(100, (100 * 2 * at('p') * at('ν')) / 1000),
  resolvedPixels: (at) => (at('px') * at('r')) / 100,
  neededPixels: (at) => (at('px') * at('s')) / 100,
  countedPixels: (at) => (at('px') * at('r')) / 100,
  shareOfFrame: (at) => (100 * at('m') * at('L')) / at('side'),
  smallestDetailMm: (at) => 1 / (2 * at('ν') * at('m')),
  megapixels: (at) => (at('columns') * at('rows')) / 1e6,
  resolvedMegapixels: (at) => at('MP') * (at('r') / 100) ** 2,
  detailLimitLpPerMm: (at, quantity) => detailLimit(at, has(quantity, 'ε') ? at('ε') : 0),
  fieldWidthM: (at) => at('side') / at('m') / 1000,
  fieldHeightM: (at) => at('side') / at('m') / 1000,
  angleWidthDeg: (at) => (2 * Math.atan(at('s') / (2 * at('m') * at('u') * 1000)) * 180) / Math.PI,
  angleHeightDeg: (at) => (2 * Math.atan(at('s') / (2 * at('m') * at('u') * 1000)) * 180) / Math.PI,
  reachPxPerMrad: (at) => at('f') / at('p'),
  pixelScaleArcsec: (at) => (206.265 * at('p')) / at('f'),
  workingFNumber: (at) => at('N') * at('c'),
  subjectM: (at) => (at('F') * (1 + at('t') / at('m'))) / 1000,
  pupilMm: (at) => (at('m') * at('u')) / at('N_w'),
};

/** First frequency at which the product of the parts falls to the threshold, by small steps and then halving. */
function detailLimit(at: (symbol: string) => number, obstruction: number): number {
  const sinc = (x: number) => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));
  const p = at('p') / 1000;
  // The diffraction of a ring, by laying two of them over each other and counting the points both cover.
  const diffraction = (nu: number) =>
    obstruction > 0 ? ringOverlap((nu * at('λ') * at('N')) / 1000, obstruction) : disc((nu * at('λ') * at('N')) / 1000);
  const response = (nu: number) =>
    diffraction(nu) *
    Math.abs(sinc(nu * p)) *
    Math.abs(Math.cos(Math.PI * nu * at('a') * p)) *
    0.5 ** ((nu / at('ν')) ** 2);
  const nyquist = 1 / (2 * p);
  let low = 0;
  for (let nu = 1; nu < nyquist; nu += 1) {
    if (response(nu) < at('T')) break;
    low = nu;
  }
  if (low + 1 >= nyquist && response(nyquist) >= at('T')) return nyquist;
  let [a, b] = [low, Math.min(nyquist, low + 1)];
  for (let i = 0; i < 60; i += 1) {
    const middle = (a + b) / 2;
    if (response(middle) < at('T')) b = middle;
    else a = middle;
  }
  return a;
}

const disc = (s: number): number => (s >= 1 ? 0 : (2 / Math.PI) * (Math.acos(s) - s * Math.sqrt(1 - s * s)));

/** Area common to two unit discs of radii a and b at a distance, over π. */
function common(a: number, b: number, d: number): number {
  if (d >= a + b) return 0;
  if (d <= Math.abs(a - b)) return Math.min(a, b) ** 2;
  const x = (d * d + a * a - b * b) / (2 * d);
  const cap = (r: number, h: number) =>
    r * r * Math.acos(Math.max(-1, Math.min(1, h / r))) - h * Math.sqrt(Math.max(0, r * r - h * h));
  return (cap(a, x) + cap(b, d - x)) / Math.PI;
}

/** Two rings laid over each other: discs minus holes, by the areas circles share. */
function ringOverlap(s: number, e: number): number {
  const d = 2 * s;
  return (common(1, 1, d) - 2 * common(1, e, d) + common(e, e, d)) / (1 - e * e);
}

const chains: [string, Part[]][] = [
  ['a bare lens', [lens]],
  ['a converter', [lens, x14]],
  ['a converter with a response of its own', [lens, x20]],
  ['two converters', [lens, x14, x20]],
  ['a reducer', [lens, reducer]],
  ['a mirror lens', [mirror]],
];

describe('a far reading as it is put together', () => {
  it.each(chains)('of %s: every number from the inputs its Why names', (_, chain) => {
    const system = fold({ chain });
    for (const distanceM of [3.7, 9, 37, 400]) expectRecomputed(read(system, distanceM), FAR);
    expectNamedUnits(read(system));
    expectNamedUnits(system);
  });

  it('takes width for width and height for height, in every mode', () => {
    for (const [modeId, widthMm, heightMm] of [
      ['whole', 35.2, 19.8],
      ['tall', 15.84, 19.8],
    ] as const) {
      const reading = read(fold({ modeId }));
      const m = reading.ratio.value;
      expect(reading.fieldWidthM.value).toBeCloseTo(widthMm / m / 1000, 9);
      expect(reading.fieldHeightM.value).toBeCloseTo(heightMm / m / 1000, 9);
      expect(reading.fieldWidthM.value).not.toBeCloseTo(reading.fieldHeightM.value, 2);
      // The angle is what the field is seen under from the lens.
      const angle = (fieldM: number) => (2 * Math.atan(fieldM / 2 / reading.subjectM.value) * 180) / Math.PI;
      expect(reading.angleWidthDeg.value).toBeCloseTo(angle(reading.fieldWidthM.value), 9);
      expect(reading.angleHeightDeg.value).toBeCloseTo(angle(reading.fieldHeightM.value), 9);
      // A deer is measured by its height, and so held against the frame's.
      expect(reading.shareOfFrame.value).toBeCloseTo((100 * m * 1100) / heightMm, 9);
    }
  });

  it('stands where the lens stands: the sensor’s distance is the subject’s from the lens and the lens’s from the sensor', () => {
    const reading = read(fold(), 5);
    const { setting } = reading.focus;
    expect(reading.subjectM.value * 1000 + setting.imageMm).toBeCloseTo(5000, 6);
    // The thin lens equation holds at the shortened focal length.
    expect(1 / (reading.subjectM.value * 1000) + 1 / setting.imageMm).toBeCloseTo(1 / setting.lensFocalMm, 12);
  });
});

describe('a converter or reducer behind a lens focused on a distance', () => {
  it('multiplies the lens’s own ratio, and is exact in what the builder says', () => {
    for (const distanceM of [4, 5, 8, 12, 60]) {
      const bare = read(fold(), distanceM).ratio.value;
      for (const [part, t] of [
        [x14, 1.4],
        [x20, 2],
        [reducer, 0.71],
      ] as const) {
        const behind = read(fold({ chain: [lens, part] }), distanceM);
        expect(behind.ratio.value / bare).toBeCloseTo(t, 9);
        expect(behind.pixelsOnSubject.value / read(fold(), distanceM).pixelsOnSubject.value).toBeCloseTo(t, 9);
        expect(behind.fieldWidthM.value).toBeCloseTo(35.2 / (bare * t) / 1000, 9);
      }
    }
  });

  it('holds the truth within its ±, for lens and converter traced as thin lenses in air', () => {
    // Lens of 500 mm that does not shorten; converter −g at s before the lens's own picture: t = g/(g − s).
    const thin: LensSpec = { ...lens, closestFocusM: undefined, closestRatio: undefined };
    for (const [part, t] of [
      [x14, 1.4],
      [x20, 2],
    ] as const) {
      for (const g of [50, 80, 120, 150]) {
        const s = (g * (t - 1)) / t;
        // The picture moves back from s to t·s behind the converter, so lens and subject stand that much farther out.
        const longer = t * s - s;
        for (const distanceMm of [2600, 5000, 8000, 60_000]) {
          const lensDistance = distanceMm - longer;
          const u = (lensDistance + Math.sqrt(lensDistance ** 2 - 4 * 500 * lensDistance)) / 2;
          const v = lensDistance - u;
          // Paraxial: the lens's picture at v, relayed by the converter.
          const relayed = 1 / (1 / s - 1 / g);
          const traced = (v / u) * (relayed / s);
          const reading = read(fold({ chain: [thin, part] }), distanceMm / 1000);
          expect(Math.abs(reading.ratio.value - traced)).toBeLessThanOrEqual(reading.ratio.plusMinus!);
        }
      }
    }
  });
});

const MORE: Record<string, Formula> = {
  pixelArea: (at) => (at('px') ** 2 * at('a')) / 1e6,
  cocMm: (at) => at('D') / 1500,
  nearLimitM: (at) => (at('u') * at('A') * at('m')) / (at('A') * at('m') + at('c')) + at('v'),
  farLimitM: (at) => (at('u') * at('A') * at('m')) / (at('A') * at('m') - at('c')) + at('v'),
  depthM: (at) => at('far') - at('near'),
  backgroundM: (at) => (at('d') * at('h')) / (at('h') - at('s')),
  backgroundBlur: (at) =>
    (100 * at('A') * at('m') * Math.abs(at('u_b') - at('v') - at('u'))) / (at('u_b') - at('v')) / at('W'),
  hiddenByMode: (at) => 100 * (1 - at('a') / at('A')),
  secondsToCross: (at) => at('field') / at('v'),
  motionPxPerS: (at) => (1e6 * at('v') * at('m')) / at('p'),
  speedMPerS: (_, quantity) => quantity.value,
  longestShutter100S: (at) => at('b') / at('w'),
  longestShutterOutputS: (at) => at('b') / at('w'),
  handHoldRuleS: (at) => 2 ** at('s') / at('f_eq'),
  handHoldPixelS: (at) => (2 ** at('s') * 1.5) / (9 * at('reach')),
  gramsPerKilopixel: (at) => (1000 * at('w')) / at('r'),
  pricePerKilopixel: (at) => (1000 * at('w')) / at('r'),
};

describe('depth, background and shutter as they are put together', () => {
  const more = (system: EffectiveSystem, distanceM = 37, background: Background = ground) =>
    farMore({
      system,
      reading: read(system, distanceM),
      subject: deer,
      output: print,
      cocSchool: 'diagonal',
      background,
      speedMPerS: deer.speedMPerS,
    });

  it.each(chains)('of %s: every number from the inputs its Why names', (_, chain) => {
    for (const distanceM of [4, 37]) expectRecomputed(more(fold({ chain }), distanceM), MORE);
    expectNamedUnits(more(fold({ chain })));
  });

  it('the depth lies around the subject, and a point at its limits blurs to the circle of confusion', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...chains.map(([, chain]) => chain)),
        fc.double({ min: 3.7, max: 300, noNaN: true }),
        (chain, distanceM) => {
          const reading = read(fold({ chain }), distanceM);
          const { nearLimitM, farLimitM, cocMm } = more(fold({ chain }), distanceM);
          expect(nearLimitM.value).toBeLessThan(distanceM);
          if (farLimitM) expect(farLimitM.value).toBeGreaterThan(distanceM);
          // By similar triangles from the pupil, on the plane of the subject, drawn at the ratio.
          const u = reading.subjectM.value;
          const behind = distanceM - u;
          for (const limit of [nearLimitM, ...(farLimitM ? [farLimitM] : [])]) {
            const x = limit.value - behind;
            const disc = (reading.pupilMm.value * Math.abs(u - x)) / x;
            expect((disc * reading.ratio.value) / cocMm.value).toBeCloseTo(1, 6);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('measures the background from the camera, and the sky as the largest blur', () => {
    const system = fold();
    const reading = read(system);
    const behindLens = 37 - reading.subjectM.value;
    const at = more(system, 37, { kind: 'distance', distanceM: 90 });
    const u = reading.subjectM.value * 1000;
    const b = (90 - behindLens) * 1000;
    const mm = (reading.pupilMm.value * reading.ratio.value * (b - u)) / b;
    expect(at.backgroundBlur.value).toBeCloseTo((100 * mm) / 35.2, 9);
    const sky = more(system, 37, { kind: 'distance', distanceM: Infinity });
    expect(sky.backgroundM).toBeUndefined();
    expect(sky.backgroundBlur.value).toBeCloseTo((100 * reading.pupilMm.value * reading.ratio.value) / 35.2, 9);
    expect(sky.backgroundBlur.value).toBeGreaterThan(at.backgroundBlur.value);
  });

  it('marks a speed nobody entered, and takes the one that was', () => {
    const system = fold();
    const entered = more(system);
    expect([entered.speedMPerS.value, entered.speedMPerS.note]).toEqual([4, undefined]);
    const assumed = farMore({
      system,
      reading: read(system),
      subject: deer,
      output: print,
      cocSchool: 'diagonal',
      background: ground,
    });
    expect([assumed.speedMPerS.value, assumed.speedMPerS.note]).toEqual([3, 'assumed']);
    expect(assumed.speedMPerS.why.source).toMatch(/^assumed: usual for a deer-sized mammal/);
  });

  it('takes the schools by their own measures', () => {
    const system = fold();
    const reading = read(system);
    const by = (cocSchool: 'diagonal' | 'output' | 'pixel') =>
      farMore({ system, reading, subject: deer, output: print, cocSchool, background: ground }).cocMm.value;
    expect(by('diagonal')).toBeCloseTo(Math.hypot(35.2, 19.8) / 1500, 12);
    expect(by('pixel')).toBeCloseTo((2 * 35.2) / 8000, 12);
    // 420 mm seen from 600 mm: an arcminute is 600/3438 mm.
    expect(by('output')).toBeCloseTo(35.2 / ((420 * 3438) / 600), 9);
  });
});

describe('what a lens weighs and costs', () => {
  it('is a sum of what was entered, and says "at least" where something was not', () => {
    const whole = fold({ chain: [lens, x14] });
    expect(whole.weightG!.value).toBe(811 + 2010 + 190 + 1700);
    expect(whole.price!.value).toBe(2300 + 4100 + 400);
    expect(whole.weightG!.note).toBeUndefined();
    const part = fold({ chain: [lens, x20] });
    expect(part.weightG).toMatchObject({ value: 811 + 2010 + 1700, note: 'atLeast' });
    expect(part.weightG!.why.neglects).toMatch(/×2/);
  });
});
