import type { StarTest } from '@/contract/schemas/starTest';
import { DEEP_OBJECTS } from '@/core/sky/catalogue';
import { SITES } from '@/core/sky/sites';
import { demoKit } from '@/demo/demoKit';
import { demoBodies, demoOptics, demoOutputs, demoSetups } from '@/demo/kit';
import { foldSystem } from '@/core/optics/foldSystem';
import { readStars } from '@/core/sky/readStars';
import { isZone } from '@/data/localTime';
import { useSky } from '@/data/inHand';
import { ready } from '../near/testSituation';
import { LIMIT_WORDS, bytesText } from './planetWords';
import { lensIdOf, lensRecordOf, pointingFrom, starWays } from './skyWays';
import { strokePx, strokesOf } from './starDrawing';
import {
  STAR_VERDICT_WORDS,
  ruleWords,
  runText,
  secondsText,
  starLeverText,
  starMark,
  starSentence,
} from './starWords';

const sky = useSky.now();
const lens = demoOptics.wide20.id;
const test = (change: Partial<StarTest> = {}): StarTest => ({
  name: 'wide',
  opticId: lens,
  focalMm: 20,
  takenAt: '2026-10-10T22:00:00Z',
  frames: [
    { seconds: 5, centrePx: 2, cornerPx: 3, centre: 'fine', corner: 'fine' },
    { seconds: 10, centrePx: 4, cornerPx: 6, centre: 'strokes', corner: 'strokes' },
  ],
  ...change,
});

describe('what is known of a lens', () => {
  it('is learned from all its tests at about this focal length, and from no other lens', () => {
    expect(lensRecordOf([test()], lens, 20).learned).toMatchObject({ centrePx: 2, cornerPx: 3, pictures: 2 });
    expect(lensRecordOf([test()], lens, 20.5).learned).not.toBeNull();
    expect(lensRecordOf([test()], lens, 24).learned).toBeNull();
    expect(lensRecordOf([test({ opticId: demoOptics.tele600.id })], lens, 20)).toEqual({
      learned: null,
      cornerStretchPx: 0,
      tests: 0,
    });
    expect(
      lensRecordOf(
        [test(), test({ frames: [{ seconds: 8, centrePx: 3.4, cornerPx: 5, centre: 'fine', corner: 'fine' }] })],
        lens,
        20,
      ).learned,
    ).toMatchObject({ centrePx: 3.4, pictures: 3 });
  });

  it('takes the newest note on its corners, which is no test', () => {
    const notes = [
      test({ frames: [], cornerStretchPx: 2, takenAt: '2026-10-01T22:00:00Z' }),
      test({ frames: [], cornerStretchPx: 5, takenAt: '2026-10-09T22:00:00Z' }),
    ];
    expect(lensRecordOf(notes, lens, 20)).toEqual({ learned: null, cornerStretchPx: 5, tests: 0 });
  });

  it('belongs to the last optic of the chain', () => {
    expect(lensIdOf(ready(demoKit(), { setupId: demoSetups.darkSky.id }))).toBe(lens);
    expect(lensIdOf(ready(demoKit(), { setupId: demoSetups.seawall.id }))).toBe(demoOptics.pocketLens.id);
  });
});

describe('where the camera points', () => {
  it('is told by declination, by the horizon of a place, or by an object', () => {
    expect(pointingFrom({ ...sky, declinationDeg: 12, rollDeg: 30 })).toEqual({ declinationDeg: 12, rollDeg: 30 });
    const horizon = pointingFrom({
      ...sky,
      pointBy: 'horizon',
      azimuthDeg: 180,
      altitudeDeg: 40,
      site: { ...SITES[3]!, latitudeDeg: 50 },
    });
    expect(horizon.declinationDeg).toBeCloseTo(0, 9);
    expect(pointingFrom({ ...sky, pointBy: 'object', targetId: 'M 42' }).declinationDeg).toBeCloseTo(-5.383, 3);
    expect(pointingFrom({ ...sky, pointBy: 'object', targetId: 'gone', declinationDeg: 7 }).declinationDeg).toBe(7);
  });

  it('goes to the core with the tolerance of its kind', () => {
    const record = lensRecordOf([test()], lens, 20);
    const counts = (['pixels', 'output', 'eye', 'own'] as const).map(
      (toleranceKind) =>
        starWays({ ...sky, toleranceKind, tolerancePx: 4, toleranceOutputPx: 1.5, toleranceArcmin: 2 }, record)
          .tolerance.count,
    );
    expect(counts).toEqual([4, 1.5, 2, 4]);
    expect(starWays(sky, record).tolerance.ownPx).toEqual(record.learned);
    expect(starWays(sky, lensRecordOf([], lens, 20)).tolerance.ownPx).toBeUndefined();
  });
});

describe('words under the sky', () => {
  const system = foldSystem({ body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.wide20.data] });
  if (!system.ok) throw new Error(system.problem.message);
  const reading = readStars({
    system: system.value,
    output: demoOutputs.web.data,
    ...starWays(sky, lensRecordOf([], lens, 20)),
  });

  it('write times and runs as one says them', () => {
    expect([0.567, 9.84, 12.24, 99.6, 150, 3600].map(secondsText)).toEqual([
      '0.57\u202fs',
      '9.8\u202fs',
      '12.2\u202fs',
      '99.6\u202fs',
      '2.5\u202fmin',
      '1\u202fh',
    ]);
    expect([runText(4.13), runText(23.4), runText(Infinity)]).toEqual([
      '4.1\u202fpx',
      '23.4\u202fpx',
      'out of the frame',
    ]);
    expect(bytesText(12_345_678)).toBe('12\u202fMB');
    expect(bytesText(2.34e9)).toBe('2.3\u202fGB');
    expect(bytesText(23.4e9)).toBe('23\u202fGB');
    expect(Object.values(LIMIT_WORDS).every((words) => words.includes('by '))).toBe(true);
  });

  it('judge with figures for centre and corner', () => {
    expect(starSentence(reading)).toBe('4.1\u202fpx in the centre, 7.7\u202fpx at the worst point; 7.7\u202fpx pass');
    expect(starMark(reading.verdict)).toBe('enough');
    expect(starMark('cornersRun')).toBe('notEnough');
    expect(STAR_VERDICT_WORDS[reading.verdict]).toBe('Points everywhere');
    expect(ruleWords(reading.rules.find((rule) => rule.rule === 'c500')!)).toBe(
      '25\u202fs: 8.4\u202fpx in the centre, 15.8\u202fpx in the corner',
    );
  });

  it('tell what a lever gains and costs', () => {
    const lever = {
      id: 'x',
      kind: 'setup' as const,
      name: 'Light bag',
      patch: {},
      limitS: 30,
      timeRatio: 2.5,
      lightStops: 1.3,
      fieldRatio: 0.5,
      verdict: 'points' as const,
      gain: reading.limitS,
    };
    expect(starLeverText(lever)).toEqual({
      title: 'Take “Light bag”',
      gain: 'up to 30\u202fs, 2.5\u202f× as long',
      price: '+1⅓\u202fstops of light at its limit · the frame takes in 50\u202f% as much',
      caution: '',
    });
    expect(starLeverText({ ...lever, kind: 'centre', name: 'Ask the centre only', fieldRatio: 1 })).toMatchObject({
      title: 'Ask the centre only',
      caution: 'Corner stars become strokes.',
    });
  });

  it('draw strokes within the frame that begin where the stars stand', () => {
    const strokes = strokesOf(reading, 36, 24, 12);
    expect(strokes.length).toBeGreaterThan(100);
    for (const [first] of strokes) {
      expect(Math.abs(first!.xMm)).toBeLessThanOrEqual(18);
      expect(Math.abs(first!.yMm)).toBeLessThanOrEqual(12);
    }
    const px = strokePx(reading, { xMm: 0, yMm: 0 }, reading.exposureS.value, system.value.pitchUm.value);
    expect(px[0]![0]).toBeCloseTo(0, 9);
    expect(Math.hypot(...px.at(-1)!)).toBeCloseTo(reading.centreDriftPx.value, 6);
    // An hour bends.
    expect(strokePx(reading, { xMm: 5, yMm: 5 }, 3600, 4).length).toBeGreaterThan(10);
  });
});

it('ships places that exist, with zones this device knows, and objects to point at', () => {
  expect(new Set(SITES.map((site) => site.name)).size).toBe(SITES.length);
  for (const site of SITES) {
    expect(isZone(site.zone)).toBe(true);
    expect(Math.abs(site.latitudeDeg)).toBeLessThan(90);
    // A zone's clocks are within a few hours of the Sun.
    const offset =
      new Date(new Date('2026-01-15T12:00:00Z').toLocaleString('en-US', { timeZone: site.zone })).getTime() -
      new Date(new Date('2026-01-15T12:00:00Z').toLocaleString('en-US', { timeZone: 'UTC' })).getTime();
    const apart = ((((offset / 3_600_000 - site.longitudeDeg / 15 + 36) % 24) + 24) % 24) - 12;
    expect(Math.abs(apart)).toBeLessThan(3.2);
  }
  expect(DEEP_OBJECTS.map((each) => each.id)).toContain(sky.targetId);
});
