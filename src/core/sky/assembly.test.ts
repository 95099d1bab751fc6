import { expectNamedUnits, expectRecomputed, has, type Formula } from '../../../tests/support/recompute';
import type { BodySpec } from '../kit/body';
import type { LensSpec, Part } from '../chain/parts';
import { foldSystem, type EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { planCapture, type CaptureInput } from './capture';
import { captureQuantities } from './captureQuantities';
import type { DeepObject } from './catalogue';
import { planMosaic } from './mosaic';
import { readDeep } from './readDeep';
import { readPlanet } from './planet';
import { readStars, starVerdict, type StarsInput } from './readStars';
import { spreadChoices } from './spread';
import { starLevers, type StarCandidate } from './starLevers';

// 35.2 × 19.8 mm, a mode taller than wide, a turned frame away from equator and pole: what is put in the wrong place shows.
const body: BodySpec = {
  name: 'Odd',
  flangeMm: 20,
  sensor: { widthMm: 35.2, heightMm: 19.8, columns: 8000, rows: 4500 },
  antiAliasFilter: 'none',
  cropModes: [{ id: 'tall', name: 'Tall', aspect: 0.6 }],
  readoutWindows: [
    { columns: 640, rows: 300, framesPerSecond: 300 },
    { columns: 1200, rows: 700, framesPerSecond: 90 },
  ],
};
const lens: LensSpec = {
  kind: 'lens',
  name: 'Wide',
  focalWideMm: 24,
  focalTeleMm: 24,
  fNumberWide: 1.8,
  fNumberTele: 1.8,
  detailClass: 'good',
  autofocus: true,
  imageCircleWideMm: 44,
};
const scope: LensSpec = { ...lens, name: 'Tele', focalWideMm: 420, focalTeleMm: 420, fNumberWide: 5, fNumberTele: 5 };
const x2: Part = { kind: 'converter', name: '×2', factor: 2, autofocus: true };
const web: OutputSpec = { kind: 'screen', name: 'Web', longSidePx: 2500, subjectShare: 1 };
const RAD = Math.PI / 180;
const TURN_DEG_PER_S = 15.0411 / 3600;

function fold(chain: Part[] = [lens], modeId = 'whole'): EffectiveSystem {
  const folded = foldSystem({ body, modeId, chain });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}

/**
 * Run of a star on the sensor in px, by the gnomonic formulas of a plate: standard coordinates ξ east, η north of the
 * frame's centre; nothing of the core's vectors.
 */
function runPx(
  at: { focalMm: number; pitchUm: number; declinationDeg: number; rollDeg: number },
  xMm: number,
  yMm: number,
  seconds: number,
): number {
  const [roll, centre] = [at.rollDeg * RAD, at.declinationDeg * RAD];
  const [x, y] = [xMm / at.focalMm, yMm / at.focalMm];
  // The frame's up lies at the position angle of the roll, its right a quarter turn before it.
  const xi = -x * Math.cos(roll) + y * Math.sin(roll);
  const eta = x * Math.sin(roll) + y * Math.cos(roll);
  const hour = Math.atan2(xi, Math.cos(centre) - eta * Math.sin(centre));
  const below = Math.hypot(xi, Math.cos(centre) - eta * Math.sin(centre));
  const declination = Math.atan2(eta * Math.cos(centre) + Math.sin(centre), below);
  const later = hour - TURN_DEG_PER_S * seconds * RAD;
  const along = Math.sin(centre) * Math.sin(declination) + Math.cos(centre) * Math.cos(declination) * Math.cos(later);
  const xi2 = (Math.cos(declination) * Math.sin(later)) / along;
  const eta2 =
    (Math.cos(centre) * Math.sin(declination) - Math.sin(centre) * Math.cos(declination) * Math.cos(later)) / along;
  return (Math.hypot(xi2 - xi, eta2 - eta) * at.focalMm * 1000) / at.pitchUm;
}

/** The longest run of many points along the four sides of a frame and over it. */
function longestRunPx(at: Parameters<typeof runPx>[0], widthMm: number, heightMm: number, seconds: number): number {
  let longest = 0;
  for (let i = 0; i <= 400; i += 1) {
    const share = i / 400 - 0.5;
    for (const other of [-0.5, -0.25, 0, 0.25, 0.5]) {
      longest = Math.max(
        longest,
        runPx(at, share * widthMm, other * heightMm, seconds),
        runPx(at, other * widthMm, share * heightMm, seconds),
      );
    }
  }
  return longest;
}

/** Seconds until a star in the centre has run some pixels: tan of the arc between both places, in closed form. */
function centreSeconds(focalMm: number, pitchUm: number, declinationDeg: number, px: number): number {
  const arc = Math.atan((px * pitchUm) / 1000 / focalMm);
  const [sin, cos] = [Math.sin(declinationDeg * RAD), Math.cos(declinationDeg * RAD)];
  return Math.acos((Math.cos(arc) - sin * sin) / (cos * cos)) / RAD / TURN_DEG_PER_S;
}

describe('the stars as they are read', () => {
  const pointing = { declinationDeg: 31, rollDeg: 25 };
  const order = (change: Partial<StarsInput> = {}): StarsInput => ({
    system: fold(),
    output: web,
    projection: 'rectilinear',
    pointing,
    tolerance: { kind: 'output', count: 2 },
    rule: 'worst',
    ceilingS: 11,
    ...change,
  });
  const run: Formula = (at, { why }) => {
    const where = { focalMm: at('f'), pitchUm: at('p'), declinationDeg: at('δ'), rollDeg: pointing.rollDeg };
    return why.name.includes('centre') ? runPx(where, 0, 0, at('t')) : NaN;
  };
  const STARS: Record<string, Formula> = {
    aperture: (_, quantity) => quantity.value,
    centreTolerancePx: (at, quantity) =>
      has(quantity, 'n') ? (at('b') * at('n')) / at(has(quantity, 'd') ? 'd' : 'n_out') : quantity.value,
    cornerTolerancePx: (at, quantity) => {
      if (has(quantity, 's')) return Math.max(at('b') - at('s'), at('b') / 4);
      return has(quantity, 'n') ? (at('b') * at('n')) / at(has(quantity, 'd') ? 'd' : 'n_out') : quantity.value;
    },
    centreS: (at) => centreSeconds(at('f'), at('p'), at('δ'), at('b')),
    pixelScaleArcsec: (at) => (Math.atan(at('p') / 1000 / at('f')) / RAD) * 3600,
    centreDriftPx: run,
  };
  const SOUGHT = ['worstS', 'limitS', 'exposureS', 'worstDriftPx'];

  it.each([
    ['output', { kind: 'output', count: 2 }, 0],
    ['eye', { kind: 'eye', count: 1.5 }, 0],
    ['pixels', { kind: 'pixels', count: 6 }, 2.5],
  ] as const)('follow from what each number names, by %s', (_, tolerance, cornerStretchPx) => {
    const reading = readStars(order({ tolerance, cornerStretchPx }));
    expectRecomputed(reading, STARS, SOUGHT);
    expectNamedUnits(reading);
  });

  it('find the run of the worst point, and the time it allows, in a frame that is not square', () => {
    for (const modeId of ['whole', 'tall']) {
      const system = fold([lens], modeId);
      const { widthMm, heightMm } = system.used;
      expect(widthMm > heightMm).toBe(modeId === 'whole');
      const where = { focalMm: 24, pitchUm: 4.4, ...pointing };
      const reading = readStars(order({ system, exposureS: 40 }));
      const longest = longestRunPx(where, widthMm, heightMm, 40);
      expect(reading.worstDriftPx.value / longest).toBeGreaterThan(1 - 1e-9);
      expect(reading.worstDriftPx.value / longest).toBeLessThan(1.0005);
      // At the point it names a star runs just that far.
      expect(runPx(where, reading.worst.xMm, reading.worst.yMm, 40)).toBeCloseTo(reading.worstDriftPx.value, 6);
      const atLimit = longestRunPx(where, widthMm, heightMm, reading.worstS.value);
      expect(atLimit / reading.cornerTolerancePx.value).toBeGreaterThan(0.9995);
      expect(atLimit / reading.cornerTolerancePx.value).toBeLessThan(1 + 1e-6);
      expect(reading.worstS.value).toBeLessThan(reading.centreS.value);
    }
  });

  it('count the pixels of the output along the longer side, whichever it is', () => {
    expect(readStars(order()).centreTolerancePx.value).toBeCloseTo((2 * 8000) / 2500, 9);
    expect(readStars(order({ system: fold([lens], 'tall') })).centreTolerancePx.value).toBeCloseTo(
      (2 * 4500) / 2500,
      9,
    );
  });

  it('give each school its own formula, from the chain that is set', () => {
    const system = fold([lens, x2]);
    const reading = readStars(order({ system, fNumber: 8 }));
    // Behind a ×2: 48 mm; a 16 : 9 sensor against 36 mm cut to 16 : 9.
    const f = 48;
    const eq = (f * 36) / 35.2;
    expect(system.equivalentFocalMm.value).toBeCloseTo(eq, 9);
    const full = (16.856 * 8 + 0.0997 * f + 13.713 * 4.4) / (f * Math.cos(31 * RAD));
    const expected = {
      c600: 600 / eq,
      c500: 500 / eq,
      c400: 400 / eq,
      c300: 300 / eq,
      small300: 300 / f,
      pitchShort: (35 * 8 + 30 * 4.4) / f,
      pitchFull1: full,
      pitchFull2: 2 * full,
      pitchFull3: 3 * full,
      ceiling: 11,
    };
    for (const [rule, seconds] of Object.entries(expected)) {
      const found = reading.rules.find((each) => each.rule === rule)!;
      expect([rule, found.seconds]).toEqual([rule, expect.closeTo(seconds, 9)]);
      const where = { focalMm: f, pitchUm: 4.4, ...pointing };
      expect(found.centrePx).toBeCloseTo(runPx(where, 0, 0, seconds), 6);
      expect(found.worstPx / longestRunPx(where, 35.2, 19.8, seconds)).toBeCloseTo(1, 3);
      const chosen = readStars(order({ system, fNumber: 8, rule: found.rule }));
      expect(chosen.limitS.value).toBeCloseTo(seconds, 9);
      expect(chosen.exposureS.value).toBe(chosen.limitS.value);
      expect(chosen.limitS.why.schools!.filter((each) => each.chosen).map((each) => each.choice)).toEqual([rule]);
    }
  });

  it('judges runs already found for another tolerance as a reading by that tolerance does', () => {
    for (const exposureS of [3, 8, 12, 20, 45]) {
      const found = readStars(order({ tolerance: { kind: 'pixels', count: 3 }, exposureS }));
      for (const count of [1, 2, 4, 8, 16]) {
        const other = readStars(order({ tolerance: { kind: 'pixels', count }, exposureS }));
        expect(starVerdict(other, found.centreDriftPx.value, found.worstDriftPx.value)).toBe(other.verdict);
      }
    }
  });

  it('judge by the centre and the worst point, each against its own tolerance', () => {
    const at = (exposureS: number) => readStars(order({ tolerance: { kind: 'pixels', count: 3 }, exposureS })).verdict;
    const { centreS, worstS } = readStars(order({ tolerance: { kind: 'pixels', count: 3 } }));
    expect([
      at(worstS.value * 0.999),
      at(worstS.value * 1.01),
      at(centreS.value * 0.999),
      at(centreS.value * 1.001),
    ]).toEqual(['points', 'cornersRun', 'cornersRun', 'strokes']);
  });

  it('have levers whose field is told along the longer side, and none that cannot be built or focus only near', () => {
    const tall = fold([lens], 'tall');
    expect(tall.used.heightMm).toBeGreaterThan(tall.used.widthMm);
    const flat = { body, modeId: 'whole', chain: [{ ...lens, focalWideMm: 12, focalTeleMm: 12 }] };
    const tubes: Part = { kind: 'tubes', name: 'T', lengthsMm: [12], autofocus: true };
    const setups = { flat, near: { ...flat, chain: [flat.chain[0]!, tubes] }, nothing: { ...flat, chain: [] } };
    const levers = starLevers(
      order({ system: tall, tolerance: { kind: 'pixels', count: 3 }, rule: 'centre' }),
      Object.entries(setups).map(([id, setup]) => ({ id, kind: 'setup' as const, name: id, setup, patch: id })),
      'usual',
    );
    expect(levers.map(({ id }) => id)).toEqual(['flat']);
    // 35.2 mm behind 12 against 19.8 mm, the tall mode's longer side, behind 24.
    expect(levers[0]!.fieldRatio).toBeCloseTo(35.2 / 12 / (19.8 / 24), 9);
  });

  it('have levers that are one reading over the other', () => {
    const present = order({ system: fold([lens, x2]), tolerance: { kind: 'pixels', count: 3 }, exposureS: 77 });
    const candidates: StarCandidate<string>[] = [
      { id: 'off', kind: 'chain', name: 'without', setup: { body, modeId: 'whole', chain: [lens] }, patch: 'off' },
      { id: 'aim', kind: 'aim', name: 'higher', ways: { pointing: { declinationDeg: 70, rollDeg: 25 } }, patch: 'aim' },
      { id: 'centre', kind: 'centre', name: 'centre', ways: { rule: 'centre' }, patch: 'centre' },
      {
        id: 'longer',
        kind: 'setup',
        name: 'longer',
        setup: { body, modeId: 'whole', chain: [scope] },
        patch: 'longer',
      },
    ];
    const levers = starLevers(present, candidates, 'usual');
    expect(levers.map((each) => each.id).sort()).toEqual(['aim', 'centre', 'off']);
    const before = readStars({ ...present, exposureS: undefined });
    const after = {
      off: readStars({ ...present, system: fold([lens]), exposureS: undefined }),
      aim: readStars({ ...present, pointing: { declinationDeg: 70, rollDeg: 25 }, exposureS: undefined }),
      centre: readStars({ ...present, rule: 'centre', exposureS: undefined }),
    };
    for (const lever of levers) {
      const then = after[lever.id as keyof typeof after];
      expect(lever.limitS).toBe(then.limitS.value);
      expect(lever.timeRatio).toBeCloseTo(then.limitS.value / before.limitS.value, 12);
      // Wide open: f/3.6 behind the ×2, f/1.8 without it.
      const stops = Math.log2(lever.timeRatio) + (lever.id === 'off' ? 2 : 0);
      expect(lever.lightStops).toBeCloseTo(stops, 9);
      expect(lever.fieldRatio).toBeCloseTo(lever.id === 'off' ? 2 : 1, 9);
      expect(lever.gain.value).toBe(lever.timeRatio);
      expectRecomputed({ gain: lever.gain }, { gain: (at) => at('t₂') / at('t₁') });
    }
    expect(levers.map((each) => each.limitS)).toEqual(levers.map((each) => each.limitS).sort((a, b) => b - a));
  });
});

describe('a planet and its recording', () => {
  const system = fold([scope, x2]);

  it('follow from what each number names', () => {
    const reading = readPlanet({ system, planet: 'Mars', discArcsec: 13.9, blurPx: 1.5 });
    expectRecomputed(reading, {
      // An arcsecond behind f, in pixels.
      discPx: (at) => (Math.tan((at('θ') / 3600) * RAD) * at('f') * 1000) / at('p'),
      pixelScaleArcsec: (at) => (Math.atan(at('p') / 1000 / at('f')) / RAD) * 3600,
      fNumberOverPitch: (at) => at('N') / at('p'),
      criticalFNumber: (at) => (2 * at('p')) / at('λ'),
      smallestDetailArcsec: (at) => (at('λ') / 1000 / at('A') / RAD) * 3600,
      longestCaptureS: (at) => at('b') / ((Math.PI * at('d')) / at('P')),
    });
    // 420 mm f/5 with a ×2: 840 mm, f/10, an opening of 84 mm.
    expect(reading.discPx.value).toBeCloseTo((13.9 / 206264.806) * (840 / 0.0044), 3);
    expect(reading.smallestDetailArcsec.value).toBeCloseTo((0.00055 / 84) * 206264.806, 4);
    expect(reading.fNumberOverPitch.value).toBeCloseTo(10 / 4.4, 9);
    expect(reading.stand).toBe('coarse');
  });

  it('is recorded in the smallest window that holds it both ways, at the rate of the slowest', () => {
    const asked: CaptureInput = {
      body,
      discPx: 200,
      margin: 1.4,
      exposureS: 0.002,
      linkMbPerS: 300,
      durationS: 61,
      bits: 16,
      cardGb: 128,
    };
    const cases: [Partial<CaptureInput>, number, number, string][] = [
      [{}, 640, 300, 'readout'],
      // 308 px do not fit 300 rows, though 640 columns hold them.
      [{ discPx: 220 }, 1200, 700, 'readout'],
      [{ exposureS: 0.02 }, 640, 300, 'exposure'],
      [{ linkMbPerS: 20 }, 640, 300, 'link'],
    ];
    for (const [change, columns, rows, limit] of cases) {
      const from = { ...asked, ...change };
      const plan = planCapture(from);
      expect([plan.columns, plan.rows, plan.limit, plan.fits]).toEqual([columns, rows, limit, true]);
      const numbers = captureQuantities(from, plan);
      expectRecomputed(numbers, {
        framesPerSecond: (at) => Math.min(1 / at('t'), at('link') / at('frame'), at('read-out')),
        frames: (at) => Math.floor(at('rate') * at('time') + 1e-9),
        fileGb: (at) => (178 + at('frames') * (at('frame') * 1e6 + 8)) / 1e9,
        cardMinutes: (at) => (at('card') * 1e9) / (at('rate') * (at('frame') * 1e6 + 8)) / 60,
      });
      expect(plan.fileBytes).toBe(178 + plan.frames * (columns * rows * 2 + 8));
    }
    expect(planCapture({ ...asked, discPx: 600 }).fits).toBe(false);
    // Without a table a square of an even number of pixels is cut out, no larger than an odd sensor holds.
    const odd = { ...body, readoutWindows: [], sensor: { ...body.sensor, columns: 1001, rows: 601 } };
    const cut = (discPx: number) => {
      const { columns, rows, fits, limit } = planCapture({ ...asked, body: odd, linkMbPerS: 3000, discPx });
      return [columns, rows, fits, limit];
    };
    expect(cut(200)).toEqual([280, 280, true, 'unknown']);
    expect(cut(200.5)).toEqual([282, 282, true, 'unknown']);
    expect(cut(500)).toEqual([700, 600, false, 'unknown']);
    expect(cut(900)).toEqual([1000, 600, false, 'unknown']);
    expect(planCapture({ ...asked, body: odd, linkMbPerS: 20 }).limit).toBe('link');
  });

  it('is spread by each Barlow from the bare chain, with the light a pixel then gets', () => {
    const choices = spreadChoices(
      { focalMm: 420, fNumber: 5 },
      2,
      [
        { id: 'b3', name: '×3', factor: 3 },
        { id: 'b2', name: '×2', factor: 2 },
      ],
      4.4,
      41,
    );
    expect(choices.map((each) => [each.id, each.focalMm, each.fNumber, each.present])).toEqual([
      ['bare', 420, 5, false],
      ['b2', 840, 10, true],
      ['b3', 1260, 15, false],
    ]);
    for (const each of choices) {
      expect(each.discPx).toBeCloseTo((41 / 206264.806) * (each.focalMm / 0.0044), 2);
      // A pixel's light goes with one over the area the disc covers.
      expect(each.pixelLightStops).toBeCloseTo(Math.log2((840 / each.focalMm) ** 2), 9);
      expect(each.fNumberOverPitch).toBeCloseTo(each.fNumber / 4.4, 9);
      expectRecomputed({ gain: each.gain }, { gain: (at) => at('t₂') / at('t₁') });
      expect(each.gain.value).toBeCloseTo(each.focalMm / 840, 9);
    }
    // 1.1, 2.3 and 3.4 times the pixel; customary begins at 3.
    expect(choices.map(({ stand }) => stand)).toEqual(['coarse', 'coarse', 'customary']);
  });
});

describe('an object of the deep sky', () => {
  const object: DeepObject = {
    id: 'X 1',
    name: 'Long one',
    kind: 'galaxy',
    raHours: 3.2,
    declinationDeg: 41,
    lengthArcmin: 400,
    widthArcmin: 90,
    positionAngleDeg: 35,
  } as DeepObject;
  const asked = {
    system: fold([scope]),
    object,
    rollDeg: 20,
    overlap: 0.2,
    seeingArcsec: 2.5,
    tolerancePx: 3,
    mountArcsecPerMin: 8,
  };

  it('follows from what each number names', () => {
    const reading = readDeep(asked);
    expectRecomputed(
      reading,
      {
        fieldWidthDeg: (at) => (2 * Math.atan2(at('s'), 2 * at('f'))) / RAD,
        fieldHeightDeg: (at) => (2 * Math.atan2(at('s'), 2 * at('f'))) / RAD,
        pixelScaleArcsec: (at) => (Math.atan(at('p') / 1000 / at('f')) / RAD) * 3600,
        fillPercent: (at) => 100 * Math.max(at('across') / at('width'), at('up') / at('height')),
        lengthPx: (at) => at('L') / at('scale'),
        pixelToSeeing: (at) => at('scale') / at('w'),
        unguidedS: (at) => (60 * at('b') * at('scale')) / at('e'),
      },
      ['tripodS'],
    );
    expect(reading.fieldWidthDeg.value).toBeCloseTo((2 * Math.atan(17.6 / 420)) / RAD, 9);
    expect(reading.fieldHeightDeg.value).toBeCloseTo((2 * Math.atan(9.9 / 420)) / RAD, 9);
    const where = { focalMm: 420, pitchUm: 4.4, declinationDeg: 41, rollDeg: 20 };
    expect(longestRunPx(where, 35.2, 19.8, reading.tripodS.value)).toBeCloseTo(3, 4);
  });

  it('is covered: every point of its turned ellipse lies in a frame, laid row by row from the top', () => {
    const { fieldWidthDeg, fieldHeightDeg, plan } = readDeep(asked);
    const [w, h] = [fieldWidthDeg.value, fieldHeightDeg.value];
    expect(plan.columns * plan.rows).toBe(plan.panels);
    expect(plan.rows).toBeGreaterThan(1);
    expect(plan.centres).toHaveLength(plan.panels);
    // The first row is the upper one, and each row runs from left to right.
    expect(plan.centres[0]!.yDeg).toBeGreaterThan(0);
    for (let i = 1; i < plan.panels; i += 1) {
      const [before, now] = [plan.centres[i - 1]!, plan.centres[i]!];
      if (i % plan.columns === 0) expect(now.yDeg).toBeCloseTo(before.yDeg - h * 0.8, 9);
      else expect([now.xDeg, now.yDeg]).toEqual([expect.closeTo(before.xDeg + w * 0.8, 9), before.yDeg]);
    }
    // Its length stands 35° − 20° from the frame's up towards east, which is left.
    const turn = (35 - 20) * RAD;
    for (let i = 0; i < 720; i += 1) {
      const [along, across] = [(400 / 120) * Math.cos(i * 0.5 * RAD), (90 / 120) * Math.sin(i * 0.5 * RAD)];
      const x = -along * Math.sin(turn) + across * Math.cos(turn);
      const y = along * Math.cos(turn) + across * Math.sin(turn);
      const held = plan.centres.some(
        (each) => Math.abs(x - each.xDeg) <= w / 2 + 1e-9 && Math.abs(y - each.yDeg) <= h / 2 + 1e-9,
      );
      expect([i, held]).toEqual([i, true]);
    }
    expect(plan.totalWidthDeg).toBeCloseTo(Math.max(...plan.centres.map((each) => each.xDeg)) * 2 + w, 9);
    expect(plan.totalHeightDeg).toBeCloseTo(plan.centres[0]!.yDeg * 2 + h, 9);
  });

  it('takes no frame too many: one row or column less does not reach', () => {
    for (const rollDeg of [0, 35, 80, 125]) {
      const field = { widthDeg: 2.1, heightDeg: 1.3 };
      const { columns, rows, acrossDeg, alongDeg } = planMosaic(object, field, rollDeg, 0.15);
      const reach = (count: number, side: number) => side + (count - 1) * side * 0.85;
      expect(reach(columns, 2.1)).toBeGreaterThanOrEqual(acrossDeg - 1e-9);
      expect(reach(rows, 1.3)).toBeGreaterThanOrEqual(alongDeg - 1e-9);
      if (columns > 1) expect(reach(columns - 1, 2.1)).toBeLessThan(acrossDeg);
      if (rows > 1) expect(reach(rows - 1, 1.3)).toBeLessThan(alongDeg);
    }
  });
});
