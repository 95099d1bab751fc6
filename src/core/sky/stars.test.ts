import fc from 'fast-check';
import vectors from '../vectors/physics.json';
import { directionAt, pointAt, skyCamera, type Direction } from './camera';
import { driftMm, strokeOf, turned } from './drift';
import { LONGEST_S, longestTimeS } from './longestTime';
import { pointingOf } from './pointing';
import { PROJECTIONS, radiusMm, thetaRad } from './projection';
import { STAR_RULES } from './starRules';
import { planStrokes } from './strokes';
import { contradictionsIn, learnTolerance, seriesExposures, type SeriesFrame } from './testSeries';
import { tradeOff } from './starExposure';
import { starGrid, worstPoint } from './worstPoint';

const RAD = Math.PI / 180;
const degrees = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** Another road to the same end: the star's hour angle and declination by spherical trigonometry, then the gnomonic formulas. */
function driftByTrigonometry(
  focalMm: number,
  decDeg: number,
  rollDeg: number,
  xMm: number,
  yMm: number,
  seconds: number,
): number {
  const d0 = decDeg * RAD;
  const roll = rollDeg * RAD;
  // Standard coordinates: ξ to the east, η to the north; roll turns the frame from north through east.
  const xi = (-xMm * Math.cos(roll) + yMm * Math.sin(roll)) / focalMm;
  const eta = (xMm * Math.sin(roll) + yMm * Math.cos(roll)) / focalMm;
  const ra = Math.atan2(xi, Math.cos(d0) - eta * Math.sin(d0));
  const dec = Math.atan2((Math.sin(d0) + eta * Math.cos(d0)) * Math.cos(ra), Math.cos(d0) - eta * Math.sin(d0));
  const later = ra - (15.0411 / 3600) * RAD * seconds;
  const cosC = Math.sin(d0) * Math.sin(dec) + Math.cos(d0) * Math.cos(dec) * Math.cos(later);
  const xi2 = (Math.cos(dec) * Math.sin(later)) / cosC;
  const eta2 = (Math.cos(d0) * Math.sin(dec) - Math.sin(d0) * Math.cos(dec) * Math.cos(later)) / cosC;
  return Math.hypot(xi2 - xi, eta2 - eta) * focalMm;
}

describe('drift', () => {
  const cases = vectors.cases.filter((each) => each.what.startsWith('star drift'));
  it.each(cases.map((each) => [JSON.stringify(each.input), each] as const))(
    'agrees with the shipped value for %s',
    (_, { input, expect: wanted, relative_tolerance: tolerance }) => {
      const from = input as unknown as Record<
        'focalMm' | 'widthMm' | 'columns' | 'seconds' | 'pointingDeclinationDeg' | 'rollDeg' | 'xMm' | 'yMm',
        number
      >;
      const camera = skyCamera('rectilinear', from.focalMm, {
        declinationDeg: from.pointingDeclinationDeg,
        rollDeg: from.rollDeg,
      });
      const px = driftMm(camera, from, from.seconds) / (from.widthMm / from.columns);
      expect(Math.abs(px / (wanted as { pixels: number }).pixels - 1)).toBeLessThan(tolerance ?? 1e-6);
    },
  );

  it('agrees with spherical trigonometry anywhere in the frame', () => {
    fc.assert(
      fc.property(
        degrees(14, 400),
        degrees(-80, 80),
        degrees(-180, 180),
        degrees(-12, 12),
        degrees(-8, 8),
        degrees(0.5, 120),
        (focal, dec, roll, x, y, seconds) => {
          const exact = driftMm(
            skyCamera('rectilinear', focal, { declinationDeg: dec, rollDeg: roll }),
            { xMm: x, yMm: y },
            seconds,
          );
          expect(exact).toBeCloseTo(driftByTrigonometry(focal, dec, roll, x, y, seconds), 8);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is what adding up a thousand small turns gives', () => {
    const camera = skyCamera('rectilinear', 20, { declinationDeg: 35, rollDeg: 20 });
    let direction: Direction = directionAt(camera, { xMm: 15, yMm: -9 })!;
    for (let i = 0; i < 1000; i += 1) {
      // One step of Euler's method along the sky's turn: d′ = −ω × d.
      const step = (15.0411 / 3600) * RAD * 0.03;
      const [x, y, z] = direction;
      const next: Direction = [x + y * step, y - x * step, z];
      const length = Math.hypot(...next);
      direction = [next[0] / length, next[1] / length, next[2] / length];
    }
    const end = pointAt(camera, direction)!;
    expect(Math.hypot(end.xMm - 15, end.yMm + 9)).toBeCloseTo(driftMm(camera, { xMm: 15, yMm: -9 }, 30), 4);
  });

  it('is 15.041 arcseconds a second in the centre at the equator, with every lens', () => {
    for (const projection of PROJECTIONS) {
      const mm = driftMm(skyCamera(projection, 1000, { declinationDeg: 0, rollDeg: 0 }), { xMm: 0, yMm: 0 }, 1);
      expect(Math.abs((mm / 1000 / RAD) * 3600 - 15.041)).toBeLessThan(1.5e-4);
    }
  });

  it('falls from the equator to the pole in the centre, and is finite at the poles', () => {
    const centre = (dec: number) =>
      driftMm(skyCamera('rectilinear', 24, { declinationDeg: dec, rollDeg: 0 }), { xMm: 0, yMm: 0 }, 20);
    for (let dec = 1; dec <= 90; dec += 1) {
      expect(centre(dec)).toBeLessThan(centre(dec - 1));
      expect(centre(-dec)).toBeCloseTo(centre(dec), 12);
    }
    expect(centre(90)).toBeCloseTo(0, 12);
    const grid = starGrid(skyCamera('rectilinear', 24, { declinationDeg: 90, rollDeg: 0 }), 36, 24);
    expect(worstPoint(grid, 20).mm).toBeGreaterThan(0.01);
    expect(Number.isFinite(worstPoint(grid, 20).mm)).toBe(true);
  });

  it('moves a star to the west: to the right at roll 0, when one looks south', () => {
    const camera = skyCamera('rectilinear', 24, { declinationDeg: 0, rollDeg: 0 });
    const [, end] = strokeOf(camera, { xMm: 0, yMm: 0 }, 60, 1);
    expect(end!.xMm).toBeGreaterThan(0);
    expect(Math.hypot(...turned([0.6, 0, 0.8], 5000))).toBeCloseTo(1, 12);
  });

  it('stops a stroke that leaves what the lens can draw', () => {
    const camera = skyCamera('rectilinear', 10, { declinationDeg: 0, rollDeg: 0 });
    expect(strokeOf(camera, { xMm: 17, yMm: 0 }, 40_000, 40).length).toBeLessThan(41);
    expect(driftMm(camera, { xMm: 17, yMm: 0 }, 40_000)).toBe(Infinity);
    expect(
      strokeOf(skyCamera('equidistant', 4, { declinationDeg: 0, rollDeg: 0 }), { xMm: 18, yMm: 0 }, 10, 4),
    ).toEqual([]);
  });
});

describe('projections', () => {
  it('map an angle to the sensor and back', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PROJECTIONS), degrees(8, 100), degrees(0.001, 1.5), (projection, focal, theta) => {
        expect(thetaRad(projection, focal, radiusMm(projection, focal, theta))).toBeCloseTo(theta, 10);
      }),
    );
  });

  it('agree near the axis and part towards the edge: a rectilinear lens draws its corners longest', () => {
    const worst = (projection: (typeof PROJECTIONS)[number]) =>
      worstPoint(starGrid(skyCamera(projection, 15, { declinationDeg: 0, rollDeg: 0 }), 36, 24), 20).mm;
    expect(worst('rectilinear')).toBeGreaterThan(1.5 * worst('stereographic'));
    expect(worst('stereographic')).toBeGreaterThan(worst('equidistant'));
    expect(worst('equidistant')).toBeGreaterThanOrEqual(worst('equisolid') * 0.999);
    expect(radiusMm('rectilinear', 15, 0.01)).toBeCloseTo(radiusMm('equisolid', 15, 0.01), 4);
  });

  it('throw nothing beyond the edge of a fisheye’s picture', () => {
    expect(thetaRad('equisolid', 8, 17)).toBeNull();
    expect(thetaRad('equidistant', 8, 26)).toBeNull();
  });
});

describe('pointing', () => {
  it('finds the equator on the meridian, the pole due north, and turns the frame in the east and west', () => {
    expect(pointingOf(180, 40, 50).declinationDeg).toBeCloseTo(0, 10);
    expect(pointingOf(180, 40, 50).rollDeg).toBeCloseTo(0, 10);
    expect(pointingOf(0, 50, 50).declinationDeg).toBeCloseTo(90, 5);
    const [east, west] = [pointingOf(90, 30, 45), pointingOf(270, 30, 45)];
    // Worked out by turning vectors: δ = 20.7048°, the zenith 49.1066° from north, west of it in the east.
    expect(east.declinationDeg).toBeCloseTo(20.70481, 4);
    expect(east.rollDeg).toBeCloseTo(-49.10661, 4);
    expect(west.rollDeg).toBeCloseTo(49.10661, 4);
    expect(pointingOf(20, 70, -33).declinationDeg).toBeCloseTo(-14.01936, 4);
    expect(Number.isFinite(pointingOf(123, 90, -33).rollDeg)).toBe(true);
  });
});

describe('the longest time', () => {
  it('is the time at which the drift is what is allowed', () => {
    fc.assert(
      fc.property(degrees(10, 300), degrees(-85, 85), degrees(0.5, 20), (focal, dec, px) => {
        const camera = skyCamera('rectilinear', focal, { declinationDeg: dec, rollDeg: 0 });
        const at = (seconds: number) => driftMm(camera, { xMm: 0, yMm: 0 }, seconds) / 0.0044;
        const seconds = longestTimeS(at, px);
        if (seconds < LONGEST_S) expect(at(seconds) / px).toBeCloseTo(1, 6);
      }),
      { numRuns: 40 },
    );
  });

  it('ends at an hour where the sky stands still', () => {
    expect(longestTimeS(() => 0, 1)).toBe(LONGEST_S);
  });
});

describe('schools', () => {
  const from = { focalMm: 20, equivalentFocalMm: 20, fNumber: 1.8, pitchUm: 4.36, declinationDeg: 0, ceilingS: 12 };
  it('say what their formulas say', () => {
    expect(STAR_RULES.c500.seconds(from)).toBe(25);
    expect(STAR_RULES.c300.seconds(from)).toBe(15);
    expect(STAR_RULES.small300.seconds({ ...from, focalMm: 12, equivalentFocalMm: 24 })).toBe(25);
    expect(STAR_RULES.pitchShort.seconds(from)).toBeCloseTo((63 + 130.8) / 20, 10);
    expect(STAR_RULES.pitchFull1.seconds(from)).toBeCloseTo((30.3408 + 1.994 + 59.78868) / 20, 8);
    expect(STAR_RULES.pitchFull3.seconds(from)).toBeCloseTo(3 * STAR_RULES.pitchFull1.seconds(from), 10);
    expect(STAR_RULES.ceiling.seconds(from)).toBe(12);
    expect(Number.isFinite(STAR_RULES.pitchFull1.seconds({ ...from, declinationDeg: 90 }))).toBe(true);
  });
});

describe('a test series', () => {
  const frame = (px: number, centre: SeriesFrame['centre'], corner = centre): SeriesFrame => ({
    seconds: px,
    centrePx: px,
    cornerPx: 2 * px,
    centre,
    corner,
  });
  it('steps from the shortest to the longest', () => {
    expect(seriesExposures(5, 15, 5)).toEqual([5, 10, 15]);
    expect(seriesExposures(2, 9, 3)).toEqual([2, 5, 8, 9]);
    expect(seriesExposures(4, 4, 1)).toEqual([4]);
  });

  it('learns the run that passes, in the centre and in the corners apart', () => {
    expect(learnTolerance([])).toBeNull();
    expect(learnTolerance([frame(2, 'strokes')])).toBeNull();
    const learned = learnTolerance([
      frame(1, 'fine'),
      frame(2, 'fine', 'small'),
      frame(4, 'small', 'strokes'),
      frame(6, 'strokes'),
    ])!;
    expect(learned).toEqual({ centrePx: 2, cornerPx: 2, smallCentrePx: 4, smallCornerPx: 4, pictures: 4 });
  });

  it('finds a steady eye’s limit between the pictures on either side of it', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 2, maxLength: 12 }),
        degrees(1, 60),
        (runs, limit) => {
          const found = learnTolerance(runs.map((px) => frame(px, px <= limit ? 'fine' : 'strokes')));
          const below = runs.filter((px) => px <= limit);
          if (!below.length) return expect(found).toBeNull();
          expect(found!.centrePx).toBe(Math.max(...below));
        },
      ),
    );
  });
});

it('shows verdicts that speak against each other, and learns from none of them', () => {
  const frame = (px: number, verdict: SeriesFrame['centre']): SeriesFrame => ({
    seconds: 10 * px,
    centrePx: px,
    cornerPx: 2 * px,
    centre: verdict,
    corner: verdict,
  });
  const frames = [frame(1, 'fine'), frame(2, 'strokes'), frame(3, 'fine'), frame(5, 'strokes')];
  expect(learnTolerance(frames)).toMatchObject({ centrePx: 1, cornerPx: 2 });
  expect(contradictionsIn(frames)).toEqual([
    { where: 'centre', seconds: 30, px: 3, againstPx: 2 },
    { where: 'corner', seconds: 30, px: 6, againstPx: 4 },
  ]);
  expect(learnTolerance([frame(1, 'strokes'), frame(2, 'fine')])).toBeNull();
  expect(contradictionsIn([frame(1, 'fine'), frame(2, 'strokes')])).toEqual([]);
});

describe('the worst point', () => {
  // Run of a star, by turning its direction about the pole and drawing it again; written out for the equal-area fisheye.
  const runOf = (camera: ReturnType<typeof skyCamera>, x: number, y: number, seconds: number): number => {
    const f = camera.focalMm;
    const r = Math.hypot(x, y);
    const theta = 2 * Math.asin(r / (2 * f));
    const d = [0, 1, 2].map(
      (i) =>
        camera.forward[i]! * Math.cos(theta) +
        ((camera.right[i]! * x + camera.up[i]! * y) / (r || 1)) * Math.sin(theta),
    );
    const turn = ((15.0411 / 3600) * Math.PI * seconds) / 180;
    const e = [d[0]! * Math.cos(turn) + d[1]! * Math.sin(turn), d[1]! * Math.cos(turn) - d[0]! * Math.sin(turn), d[2]!];
    const dot = (axis: readonly number[]) => axis[0]! * e[0]! + axis[1]! * e[1]! + axis[2]! * e[2]!;
    const across = Math.hypot(dot(camera.right), dot(camera.up));
    const end = 2 * f * Math.sin(Math.atan2(across, dot(camera.forward)) / 2);
    return Math.hypot((end * dot(camera.right)) / across - x, (end * dot(camera.up)) / across - y);
  };

  it('of a fisheye with a round picture lies inside it, and is the worst of many thousand points', () => {
    for (const [declinationDeg, rollDeg] of [
      [0, 0],
      [35, 20],
      [-62, 140],
    ] as const) {
      const camera = skyCamera('equisolid', 8, { declinationDeg, rollDeg });
      const circle = 22.6;
      const worst = worstPoint(starGrid(camera, 36, 24, circle), 30);
      expect(Math.hypot(worst.point.xMm, worst.point.yMm)).toBeLessThanOrEqual(circle / 2 + 1e-9);
      let most = 0;
      for (let i = 0; i <= 120; i += 1) {
        for (let j = 0; j < 360; j += 1) {
          const r = (circle / 2) * (i / 120);
          most = Math.max(
            most,
            runOf(camera, r * Math.cos((j * Math.PI) / 180), r * Math.sin((j * Math.PI) / 180), 30),
          );
        }
      }
      expect(worst.mm).toBeGreaterThanOrEqual(most * (1 - 1e-9));
      expect(worst.mm).toBeLessThan(most * 1.0005);
    }
  });

  it('does not depend on the points it starts from: the same frame, cut otherwise, gives the same worst run', () => {
    const camera = skyCamera('rectilinear', 14, { declinationDeg: 20, rollDeg: 33 });
    const whole = worstPoint(starGrid(camera, 36, 24), 25);
    // A corner for a rectilinear lens: exactly a corner.
    expect([Math.abs(whole.point.xMm), Math.abs(whole.point.yMm)]).toEqual([18, 12]);
    // A circle that cuts the corners off moves it inwards, onto the circle.
    const cut = worstPoint(starGrid(camera, 36, 24, 38), 25);
    expect(Math.hypot(cut.point.xMm, cut.point.yMm)).toBeCloseTo(19, 6);
    expect(cut.mm).toBeLessThan(whole.mm);
  });
});

it('plans wanted strokes: enough frames for the arc, none too many', () => {
  fc.assert(
    fc.property(degrees(0.5, 120), degrees(5, 300), degrees(0, 10), (arcDeg, exposureS, gapS) => {
      const plan = planStrokes({ arcDeg, exposureS, gapS });
      const arcOf = (frames: number) => ((frames * exposureS + (frames - 1) * gapS) * 15.0411) / 3600;
      expect(arcOf(plan.frames)).toBeGreaterThanOrEqual(arcDeg - 1e-6);
      if (plan.frames > 1) expect(arcOf(plan.frames - 1)).toBeLessThan(arcDeg + 1e-6);
    }),
  );
  expect(planStrokes({ arcDeg: 15, exposureS: 30, gapS: 1, fileSizeMb: 50, batteryMin: 40 })).toMatchObject({
    frames: 116,
    cardMb: 5800,
    batteries: 2,
  });
});

it('keeps the brightness with the ISO', () => {
  expect(tradeOff({ seconds: 20, fNumber: 2.8, iso: 3200 }, 10, 2.8)).toEqual({ iso: 6400, lightStops: -1 });
  expect(tradeOff({ seconds: 20, fNumber: 2.8, iso: 3200 }, 20, 1.4).iso).toBeCloseTo(800, 8);
});
