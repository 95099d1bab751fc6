import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { expectRecomputed } from '../../../tests/support/recompute';
import type { Assembled } from '../bag/pieces';
import { fold, serve, type SubjectWant, type Want } from '../bag/serve';
import type { SkyWant } from '../bag/serveSky';
import type { Part } from '../chain/parts';
import { readFar } from '../far/readFar';
import { learn } from '../learned/learn';
import { signalToNoise } from '../noise/signalToNoise';
import { foldSystem } from '../optics/foldSystem';
import { readStars } from '../sky/readStars';
import { starsFromPlain } from '../sky/plainStars';
import { DIAL_S } from '../quantity/shutterDial';
import { cardLines, headOf } from './cardWords';
import { leastLight, shutterToSet } from './shutterWords';
import { settingsFor, type CardBy, type Settings } from './settings';

type Row<T> = { id: string; data: T };
const setupOf = (body: (typeof demoBodies)[keyof typeof demoBodies], ...parts: Row<Part>[]): Assembled => ({
  body: { id: body.id, body: body.data },
  chain: parts.map(({ id, data }) => ({ id, part: data })),
  ids: [body.id, ...parts.map(({ id }) => id)],
});
const settings = (want: Want, setup: Assembled, supported = true): Settings => {
  const served = serve(setup, fold(setup, {})!, want)!;
  return settingsFor(want, served, { supported })!;
};
const { ostrel, quillon } = demoBodies;
const { tele600, zoom70300, macro100, wide20 } = demoOptics;
const { converter14 } = demoAdapters;
const web = demoOutputs.web.data;
const curlew: SubjectWant = { id: 'c', subject: demoSubjects.curlew.data, output: web, distanceM: 60 };
const hide = setupOf(ostrel, tele600, converter14);

/** The subject's share of the frame's side from a distance, read anew. */
const shareAt = (setup: Assembled, modeId: string, want: SubjectWant, distanceM: number, focalMm?: number): number => {
  const system = foldSystem({ body: setup.body.body, modeId, chain: setup.chain, focalMm });
  if (!system.ok) throw new Error(system.problem.message);
  const { subject, output } = want;
  const reading = readFar({ system: system.value, subject, output, distanceM });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value.shareOfFrame.value;
};

describe('what to set for a far subject', () => {
  const far = settings(curlew, hide);

  it('is the tightest crop mode that still holds what the output shows', () => {
    const shown = 60; // m
    const modes = ['whole', ...ostrel.data.cropModes.filter(({ aspect }) => !aspect).map(({ id }) => id)];
    const columns = (modeId: string) => {
      const system = foldSystem({ body: ostrel.data, modeId, chain: hide.chain });
      return system.ok ? system.value.used.columns : 0;
    };
    const pixels = (share: number, modeId: string) => (share / 100) * columns(modeId);
    const holding = modes.filter((modeId) => {
      const share = shareAt(hide, modeId, curlew, shown);
      return share <= 85 && pixels(share, modeId) / 0.5 <= columns(modeId);
    });
    const tightest = holding.sort((a, b) => columns(a) - columns(b))[0];
    expect(far.mode.id).toBe(tightest);
    expect(far.mode.id).not.toBe('whole');
    // From near by the subject fills the frame, and the whole sensor is needed.
    const tame = { ...curlew.subject, keepDistanceM: undefined };
    expect(settings({ ...curlew, subject: tame, distanceM: 12 }, setupOf(ostrel, tele600)).mode.id).toBe('whole');
  });

  it('is never planned from nearer than the distance to keep', () => {
    const nearer = settings({ ...curlew, distanceM: 12 }, hide);
    expect(nearer.distanceM!.value).toBe(curlew.subject.keepDistanceM);
    expect(headOf({ ...curlew, distanceM: 12 }, 'metric').under).toBe(
      'from 50\u202fm, the distance to keep · Web page',
    );
    const shy = { ...demoSubjects.tigerBeetle.data, keepDistanceM: 0.5 };
    const beetle = settings({ id: 'b', subject: shy, output: web }, setupOf(ostrel, macro100));
    expect(beetle.distanceM!.value).toBeGreaterThanOrEqual(0.5);
    expect(beetle.distanceM!.value).toBeLessThan(0.505);
  });

  it('sets what the body has, says which limit that keeps, and what is given up', () => {
    const text = (set: Settings) => cardLines(set, {}, 'metric').map(({ name, text: line }) => `${name}: ${line}`);
    const slow = { ...ostrel, data: { ...ostrel.data, fastestShutterPerS: 1000 } };
    const fast = settings(curlew, hide);
    expect(fast.shutterLimit).toMatchObject({ by: 'motion', speed: { note: 'assumed' } });
    const set = shutterToSet(fast)!;
    expect(set.suffices).toBe(true);
    expect(DIAL_S).toContain(set.setS);
    expect(set.setS).toBeLessThanOrEqual(fast.longestS!.value * 1.001);
    expect(text(fast).find((line) => line.startsWith('Shutter'))).toMatch(/for motion at .*m\/s, assumed/);
    const short = settings(curlew, setupOf(slow, tele600, converter14));
    expect(shutterToSet(short)).toEqual({ setS: 1 / 1000, suffices: false });
    const blur = (1 / 1000 / short.longestS!.value).toPrecision(2);
    expect(text(short).find((line) => line.startsWith('Shutter'))).toContain(`accept ${Number(blur)} px of blur`);
    // What light that takes: N²/t at the highest ISO that passes.
    const n = 5.6 * 1.4;
    const ev = Math.log2(n ** 2 / set.setS) - Math.log2(fast.isoHigh!.value / 100);
    expect(leastLight(fast)!.ev.value).toBeCloseTo(ev, 2);
    expectRecomputed(
      { ev: leastLight(fast)!.ev },
      { ev: (at) => Math.log2(at('N') ** 2 / at('t')) - Math.log2(at('S') / 100) },
    );
  });

  it('tells at which distances it fills the frame, and what helps then', () => {
    const at = (kind: string) => far.closer.find((each) => each.kind === kind)!;
    expect(far.closer.map(({ kind }) => kind)).toEqual(['keep', 'modeOff', 'takeOff', 'noFocus']);
    expect(shareAt(hide, far.mode.id, curlew, at('modeOff').atM.value)).toBeCloseTo(100, 3);
    expect(shareAt(hide, 'whole', curlew, at('takeOff').atM.value)).toBeCloseTo(100, 3);
    const bare = at('takeOff') as { untilM: number };
    expect(shareAt(setupOf(ostrel, tele600), 'whole', curlew, bare.untilM)).toBeCloseTo(100, 3);
    expect(at('noFocus').atM.value).toBe(tele600.data.closestFocusM);
    expect(at('keep').atM.value).toBe(50);
    // Nearer than the distance to keep nothing is to be focused on.
    expect(far.focusFromM?.value).toBe(50);
  });

  it('draws a zoom back before anything is taken off', () => {
    const setup = setupOf(quillon, zoom70300);
    const want: SubjectWant = { ...curlew, subject: demoSubjects.roe.data, distanceM: 40 };
    const { closer } = settings(want, setup);
    const out = closer.find(({ kind }) => kind === 'zoomOut') as {
      atM: { value: number };
      focalMm: number;
      untilM: number;
    };
    expect(out.focalMm).toBe(70);
    expect(shareAt(setup, 'whole', want, out.atM.value)).toBeCloseTo(100, 3);
    expect(shareAt(setup, 'whole', want, out.untilM, 70)).toBeCloseTo(100, 3);
  });

  it('limits the shutter by the subject, and by the hand where nothing carries the camera', () => {
    const byHand = settings(curlew, hide, false);
    expect(byHand.longestS!.value).toBeLessThanOrEqual(far.longestS!.value);
    expect(far.shortestS!.value).toBeLessThanOrEqual(far.longestS!.value);
    const { longestS, shortestS } = byHand;
    expectRecomputed(
      { longestS, shortestS },
      {
        longestS: (at) => Math.min(at('t₁'), at('t₂')),
        shortestS: (at) => Math.min(at('t₁'), at('t₂')),
      },
    );
    const own = learn([], { held: [{ bodyName: ostrel.data.name, limitS: 1 / 4000, plusMinus: 0, focalMm: 600 }] });
    const served = serve(hide, fold(hide, {})!, curlew)!;
    const longest = (by: Partial<CardBy>) => settingsFor(curlew, served, { supported: false, own, ...by })!.longestS!;
    // Of the hand at 840 mm, on a grid of 0.04 of a doubling.
    expect(Math.abs(Math.log2((longest({}).value * 4000 * 840) / 600))).toBeLessThan(0.03);
    expect(longest({ handBy: 'rule' }).value).toBe(byHand.longestS!.value);
  });

  it('ends the ISO where a mid-tone is 10 : 1 on the output', () => {
    const iso = far.isoHigh!.value;
    const { perPixel } = signalToNoise({ body: ostrel.data, used: far.system.used, output: web, iso });
    const cropped = Math.max(1, (shareAt(hide, 'whole', curlew, 60) / 100) * 8256 * (1 / far.needed.value));
    expect(perPixel.value * cropped).toBeCloseTo(10, 2);
    expect(far.isoLow.value).toBe(100);
  });
});

describe('what to set close up', () => {
  const beetle: SubjectWant = { id: 'b', subject: demoSubjects.tigerBeetle.data, output: web };
  const near = settings(beetle, setupOf(ostrel, macro100));

  it('is the smallest opening that leaves the output its pixels', () => {
    expect(near.desk).toBe('near');
    expect(near.fNumber.value).toBeGreaterThan(8);
    expect(near.counted.value).toBeGreaterThanOrEqual(near.needed.value);
    expect(near.ratio!.value).toBe(1);
    expect(near.depthMm!.value).toBeGreaterThan(0);
  });

  it('minds the speed only where somebody entered it', () => {
    expect(near.longestS).toBeUndefined();
    const speedMPerS = 0.05;
    const walking = settings({ ...beetle, subject: { ...beetle.subject, speedMPerS } }, setupOf(ostrel, macro100));
    const pitchUm = 36_000 / 8256;
    const perOutput = (14 * 1000) / pitchUm / walking.needed.value;
    expect(walking.longestS!.value).toBeCloseTo((perOutput * pitchUm) / (1e6 * speedMPerS), 9);
    expect(walking.shortestS!.value).toBeCloseTo(pitchUm / (1e6 * speedMPerS), 9);
  });
});

describe('what to set for the stars', () => {
  const sky: SkyWant = { id: 's', name: 'Triangle', output: web, declinationDeg: 2, fieldDeg: 60 };
  const stars = settings(sky, setupOf(ostrel, wide20));

  it('is the longest time of the desk, and the ISO that gives the sky its light', () => {
    const desk = readStars(starsFromPlain(stars.system, { output: web, declinationDeg: 2 }));
    expect(stars.longestS!.value).toBeCloseTo(desk.worstS.value, 9);
    expectRecomputed(
      { isoLow: stars.isoLow, needed: stars.needed },
      {
        isoLow: (at) => at('ISO₀') * (at('t₀') / at('t')) * (at('N') / at('N₀')) ** 2,
        needed: (at) => at('t₀') * (at('ISO₀') / at('ISO')) * (at('N') / at('N₀')) ** 2,
      },
    );
    const strict = { supported: true, stars: { toleranceKind: 'pixels', tolerance: 2 } } as const;
    const setup = setupOf(ostrel, wide20);
    const served = serve(setup, fold(setup, {})!, sky, strict)!;
    const asDesk = readStars(starsFromPlain(stars.system, { output: web, declinationDeg: 2, ...strict.stars })).worstS
      .value;
    // Judged as the Stars desk is set, by the plan and on the card alike.
    expect(served.counted).toBeCloseTo(asDesk, 9);
    expect(settingsFor(sky, served, strict)!.longestS!.value).toBeCloseTo(asDesk, 9);
    // At the ISO told and the longest time the exposure is the known one.
    expect((stars.isoLow.value * stars.longestS!.value) / (15 * 3200)).toBeCloseTo(1, 9);
  });
});
