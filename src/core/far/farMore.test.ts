import fc from 'fast-check';
import { demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { foldSystem, type SystemInput } from '../optics/foldSystem';
import { blurDiscMm, depthOfChain } from './depth';
import { behindSubject } from './eyeLevel';
import { farMore, type Background, type FarMoreInput } from './farMore';
import { modesLadder } from './modesLadder';
import { logDistancesM, plannerCurve, reachM } from './plannerCurve';
import { countPixels } from './countPixels';
import { zoomSteps } from './processedZoom';
import { readFar } from './readFar';
import { handHoldPerPixelS, longestShutterS, pixelsPerSecond } from './shutter';
import { sideBySide, type Contender } from './sideBySide';

const hide: SystemInput = { body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] };
const light: SystemInput = { body: demoBodies.merrow.data, modeId: 'whole', chain: [demoOptics.tele300.data] };
const dunes: SystemInput = {
  body: demoBodies.quillon.data,
  modeId: 'whole',
  chain: [demoOptics.zoom150600.data],
  focalMm: 400,
};
const subject = demoSubjects.curlew.data;
const output = demoOutputs.web.data;
const fold = (setup: SystemInput) => {
  const system = foldSystem(setup);
  if (!system.ok) throw new Error(system.problem.message);
  return system.value;
};
const more = (change: Partial<FarMoreInput> = {}, setup = hide, distanceM = 60) => {
  const system = fold(setup);
  const reading = readFar({ system, subject, distanceM, output });
  if (!reading.ok) throw new Error(reading.problem.message);
  const background: Background = { kind: 'distance', distanceM: 90 };
  return farMore({
    system,
    reading: reading.value,
    subject,
    output,
    cocSchool: 'diagonal',
    background,
    speedMPerS: 1.2,
    ...change,
  })!;
};
const focal = fc.double({ min: 10, max: 1200, noNaN: true });
const aperture = fc.double({ min: 1.2, max: 32, noNaN: true });

describe('depth of field', () => {
  /** Independent: rays from the edge of the pupil through the point's own image, cut by the sensor. */
  const blurByRays = (f: number, n: number, u: number, point: number) => {
    const v = (f * u) / (u - f);
    const pointV = (f * point) / (point - f);
    return ((f / n) * Math.abs(pointV - v)) / pointV;
  };
  it('ends where rays make a blur of just the circle of confusion', () => {
    fc.assert(
      fc.property(
        focal,
        aperture,
        fc.double({ min: 1.5, max: 400, noNaN: true }),
        fc.double({ min: 0.004, max: 0.06, noNaN: true }),
        (f, n, multiple, c) => {
          const u = f * multiple;
          const { nearMm, farMm } = depthOfChain(f / n, f / (u - f), c, u);
          // Nearer than a focal length a point has no image; the circle would have to be as large as the pupil.
          fc.pre(nearMm > f * 1.001 && c < f / n / 2);
          expect(blurByRays(f, n, u, nearMm) / c).toBeCloseTo(1, 6);
          if (farMm < 1e9) expect(blurByRays(f, n, u, farMm) / c).toBeCloseTo(1, 5);
        },
      ),
    );
  });
  it('the blur of a background is what rays make of it, and the sky’s is the limit', () => {
    fc.assert(
      fc.property(
        focal,
        aperture,
        fc.double({ min: 5, max: 400, noNaN: true }),
        fc.double({ min: 1.1, max: 50, noNaN: true }),
        (f, n, multiple, behind) => {
          const u = f * multiple;
          const m = f / (u - f);
          expect(blurDiscMm(f / n, m, u, u * behind) / blurByRays(f, n, u, u * behind)).toBeCloseTo(1, 9);
          expect(blurDiscMm(f / n, m, u, Infinity)).toBeGreaterThanOrEqual(blurDiscMm(f / n, m, u, u * behind));
        },
      ),
    );
  });
  it('agrees between two cameras of the same view and entrance pupil, in share of the frame', () => {
    const a = more({}, { ...hide, body: { ...demoBodies.ostrel.data, cropModes: [] } });
    const half = {
      ...demoBodies.ostrel.data,
      sensor: { widthMm: 18, heightMm: 12, columns: 8256, rows: 5504 },
      cropModes: [],
    };
    const b = more(
      {},
      {
        ...hide,
        body: half,
        chain: [
          {
            ...demoOptics.tele600.data,
            focalWideMm: 300,
            focalTeleMm: 300,
            fNumberWide: 2.8,
            fNumberTele: 2.8,
            closestFocusM: undefined,
            closestRatio: undefined,
          },
        ],
      },
    );
    expect(b.backgroundBlur.value / a.backgroundBlur.value).toBeCloseTo(1, 1);
    expect(b.depthM!.value / a.depthM!.value).toBeCloseTo(1, 1);
  });
  it('offers the three schools, the chosen one marked', () => {
    const schools = more({ cocSchool: 'pixel' }).depthM!.why.schools!;
    expect(schools.map((school) => [school.choice, school.chosen])).toEqual([
      ['diagonal', false],
      ['output', false],
      ['pixel', true],
    ]);
    expect(schools.find((school) => school.chosen)!.value).toBeCloseTo(more({ cocSchool: 'pixel' }).depthM!.value, 12);
  });
});

describe('eye level', () => {
  it('pushes the ground behind the subject away as the camera comes down', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 1.05, max: 8, noNaN: true }),
        fc.double({ min: 1.05, max: 8, noNaN: true }),
        (s, a, b) => {
          const [low, high] = [s * Math.min(a, b), s * Math.max(a, b)];
          fc.pre(high / low > 1.001);
          expect(behindSubject(low, s, 30).backgroundM).toBeGreaterThan(behindSubject(high, s, 30).backgroundM);
        },
      ),
    );
    expect(behindSubject(0.2, 0.2, 30).backgroundM).toBe(Infinity);
    expect(behindSubject(1.6, 0.2, 30).backgroundM).toBeCloseTo(34.2857, 4);
    expect(
      more({ background: { kind: 'ground', cameraHeightM: 0.2, subjectHeightM: 0.2 } }).backgroundM,
    ).toBeUndefined();
  });
});

describe('shutter', () => {
  it('follows the subject over the pixels, as projecting it twice does', () => {
    const system = fold(hide);
    const reading = readFar({ system, subject, distanceM: 60, output });
    if (!reading.ok) throw new Error(reading.problem.message);
    // A length of 1.2 m on the subject is what it moves in a second.
    const perMetre = reading.value.pixelsOnSubject.value / 0.55;
    expect(more().motionPxPerS.value).toBeCloseTo(perMetre * 1.2, 6);
    expect(more().longestShutter100S.value).toBeCloseTo(1 / (perMetre * 1.2), 9);
    expect(more().longestShutterOutputS.value).toBeGreaterThan(more().longestShutter100S.value);
  });
  it('never ends when nothing moves', () => {
    expect(longestShutterS(1, pixelsPerSecond(0, 0.01, 4))).toBe(Infinity);
  });
  it('gives the customary hand-hold limit on the pixels it was made for', () => {
    // 600 mm on 6 µm: 100 px/mrad; 1/600 s.
    expect(handHoldPerPixelS(1.5, 100, 0)).toBeCloseTo(1 / 600, 12);
  });
});

describe('modes ladder', () => {
  const ladder = (change: Partial<Parameters<typeof modesLadder>[0]> = {}) =>
    modesLadder({
      setup: hide,
      subject,
      distanceM: 60,
      output,
      judgeBy: 'resolved',
      convention: 'usual',
      speedMPerS: 1.2,
      ...change,
    });
  it('puts the same pixels on the subject in every mode', () => {
    const { rungs } = ladder();
    expect(rungs).toHaveLength(4);
    for (const rung of rungs)
      expect(rung.reading.pixelsOnSubject.value).toBeCloseTo(rungs[0]!.reading.pixelsOnSubject.value, 9);
    expect(rungs.find((rung) => rung.mode.id === 'c15')!.hidden).toBeCloseTo(1 - 1 / 2.25, 3);
  });
  it('advises the fast mode for what stays in it, and later cropping for what would not', () => {
    expect(ladder().advice).toMatch(
      /^Crop in the camera with “Crop 1\.5”: .*15 instead of 9 frames\/s and files 2\.2 times smaller, for 56 % less around it\.$/,
    );
    expect(ladder({ speedMPerS: 30 }).advice).toMatch(
      /^Crop later: .*would cross the frame of “Crop 1\.5” in 0\.\d+ s\.$/,
    );
    expect(ladder({ distanceM: 14 }).advice).toMatch(/takes too much of the frame/);
    expect(ladder({ setup: { ...hide, body: { ...demoBodies.ostrel.data, cropModes: [] } } }).advice).toMatch(
      /no crop mode/,
    );
    expect(
      ladder({
        setup: {
          ...hide,
          body: {
            ...demoBodies.ostrel.data,
            cropModes: [{ id: 'x', name: 'X', factor: 1.2, framesPerSecond: 9, fileSizeMb: 44 }],
          },
        },
      }).advice,
    ).toMatch(/no crop mode is faster or smaller enough/);
    // What nobody entered is not concluded from.
    expect(
      ladder({
        setup: { ...hide, body: { ...demoBodies.ostrel.data, cropModes: [{ id: 'x', name: 'X', factor: 1.2 }] } },
      }).advice,
    ).toMatch(/cannot be said: its frame rates and file sizes are not entered/);
  });
});

describe('processed zoom', () => {
  it('is free up to the read-out and goes in tenths to its limit', () => {
    const steps = zoomSteps(7680, 3840, 2);
    expect(steps).toHaveLength(11);
    expect(steps.every((step) => step.realShare === 1)).toBe(true);
    expect(zoomSteps(6240, 3840, 1.75).at(-1)).toMatchObject({
      zoom: 1.75,
      realShare: expect.closeTo(6240 / 1.75 / 3840, 12) as number,
    });
  });
});

describe('planner curve', () => {
  it('is the reading itself at every distance, to a ten-thousandth', () => {
    for (const setup of [hide, light, dunes]) {
      const system = fold(setup);
      const distances = logDistancesM(5, 400, 60);
      for (const judgeBy of ['resolved', 'sampled'] as const) {
        const { counted, nearestM } = plannerCurve(system, subject.sizeMm, distances, judgeBy);
        distances.forEach((distance, i) => {
          if (distance < nearestM) expect(counted[i]).toBe(0);
          else expect(counted[i]! / countPixels(system, subject.sizeMm, distance, judgeBy)).toBeCloseTo(1, 4);
        });
      }
    }
  });
  it('crosses the need where the reach says', () => {
    const system = fold(hide);
    const reach = reachM(system, subject.sizeMm, 800, 'resolved', 1000)!;
    expect(countPixels(system, subject.sizeMm, reach, 'resolved')).toBeCloseTo(800, 4);
    expect(reachM(system, subject.sizeMm, 1e7, 'resolved', 1000)).toBeNull();
    expect(reachM(system, subject.sizeMm, 1, 'resolved', 100)).toBe(100);
  });
});

describe('side by side', () => {
  const contenders: Contender[] = [
    { id: 'hide', name: 'Marsh hide', setup: hide },
    { id: 'light', name: 'Light bag', setup: light },
    { id: 'dunes', name: 'Dune walk', setup: dunes },
  ];
  const compare = (stance: 'sameSpot' | 'sameFraming' | 'samePicture', change: object = {}) =>
    sideBySide({
      contenders,
      stance,
      subject,
      distanceM: 60,
      output,
      judgeBy: 'resolved',
      convention: 'usual',
      ...change,
    });

  it('keeps the distance from the same spot, and compares pixels by reach alone', () => {
    const { compared } = compare('sameSpot');
    for (const each of compared) {
      expect(each.walkM).toBe(0);
      expect(each.pixelsRatio).toBeCloseTo(
        each.reading.reachPxPerMrad.value / compared[0]!.reading.reachPxPerMrad.value,
        1,
      );
    }
    expect(compared[1]!.subjectLightStops).toBeCloseTo(2 * Math.log2(75 / (600 / 5.6)), 6);
  });
  it('walks until the same width is seen', () => {
    const { compared } = compare('sameFraming');
    for (const each of compared)
      expect(each.reading.fieldWidthM.value / compared[0]!.reading.fieldWidthM.value).toBeCloseTo(1, 6);
    // 300 mm on 17.4 mm sees narrower than 600 mm on 36 mm: one steps back.
    expect(compared[1]!.walkM).toBeGreaterThan(0);
  });
  it('makes the same picture with the same pupil; where one opens no further the others are closed', () => {
    const { compared } = compare('samePicture');
    const first = compared[0]!;
    for (const each of compared.slice(1)) {
      expect(
        (each.fNumber * each.system.cropFactor.value) / (first.fNumber * first.system.cropFactor.value),
      ).toBeCloseTo(1, 9);
      // ISO makes up for the f-number and nothing else: ISO/N² is what brightness goes with.
      expect(each.isoFactor / each.fNumber ** 2).toBeCloseTo(1 / first.fNumber ** 2, 9);
      expect(each.exposureStops).toBeCloseTo(-2 * Math.log2(each.fNumber / first.fNumber), 9);
    }
    // None is opened wider than it opens; the slowest stands as it is.
    for (const each of compared) expect(each.fNumber).toBeGreaterThanOrEqual(each.system.fNumber.value * (1 - 1e-9));
    expect(Math.min(...compared.map((each) => each.fNumber / each.system.fNumber.value))).toBeCloseTo(1, 9);
  });
  it('says which wins, why and by how much, and where it does not matter', () => {
    expect(compare('sameSpot').sentence).toMatch(
      /^From the same spot Marsh hide wins with \d+ % more resolved pixels than .*pixels per milliradian against.* and resolves \d+ % of its pixels against \d+ %\. For Web page /,
    );
    const twins = compare('sameSpot', { contenders: [contenders[0], { ...contenders[0]!, id: 'twin', name: 'Twin' }] });
    expect(twins.sentence).toMatch(
      /give the same within 1 %; .* is the lightest\. For Web page it does not matter: all of them are enough\./,
    );
  });
  it('leaves out what cannot take the picture, with the reason', () => {
    const { left, compared } = compare('sameSpot', {
      contenders: [
        ...contenders,
        {
          id: 'x',
          name: 'Macro',
          setup: {
            ...hide,
            chain: [demoOptics.macro100.data, { kind: 'tubes', name: 'T', lengthsMm: [20], autofocus: true }],
          },
        },
      ],
    });
    expect(compared).toHaveLength(3);
    expect(left).toEqual([{ name: 'Macro', reason: expect.stringMatching(/no farther than/) as string }]);
    expect(
      sideBySide({
        contenders: [],
        stance: 'sameSpot',
        subject,
        distanceM: 60,
        output,
        judgeBy: 'resolved',
        convention: 'usual',
      }).sentence,
    ).toMatch(/Choose two to four/);
  });
});
