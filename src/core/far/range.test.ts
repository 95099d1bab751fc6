import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import type { LensSpec, Part } from '../chain/parts';
import { foldSystem } from '../optics/foldSystem';
import { behindSubject } from './eyeLevel';
import { farthestDistanceM, nearestDistanceM } from './focusAt';
import { readFar } from './readFar';

const macro = demoOptics.macro100.data as LensSpec;
const folded = (chain: (Part | { part: Part; lengthMm: number })[], modeId = 'whole') => {
  const system = foldSystem({ body: demoBodies.ostrel.data, modeId, chain } as Parameters<typeof foldSystem>[0]);
  if (!system.ok) throw new Error(system.problem.message);
  return system.value;
};
/** What stands in the way at a distance. */
const obstacleOf = (system: ReturnType<typeof folded>, distanceM: number, units?: 'imperial') => {
  const reading = readFar({
    system,
    subject: demoSubjects.curlew.data,
    distanceM,
    output: demoOutputs.web.data,
    ...(units ? { units } : {}),
  });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value.obstacle;
};

describe('where a lens focuses', () => {
  it('is from its closest focus on, which itself is in reach', () => {
    const bare = folded([demoOptics.tele600.data]);
    expect(nearestDistanceM(bare)).toBeCloseTo(4.2, 9);
    for (const distanceM of [4.2, 4.2 * (1 + 1e-6), 60, 1e5]) expect(obstacleOf(bare, distanceM)).toBeUndefined();
    expect(obstacleOf(bare, 4.199)).toMatchObject({ code: 'focus.closest', field: 'distanceM' });
    expect(obstacleOf(bare, 3)!.message).toMatch(/focuses from 4\.2.m on\. Step back 1\.2.m,/);
    expect(obstacleOf(bare, 3, 'imperial')!.message).toMatch(/from 13\.8.ft on\. Step back 3\.9.ft,/);
  });

  it('ends where a close-up lens ends it, and that place is in reach', () => {
    // Behind +5 dioptres a lens at infinity sees what is 200 mm in front of it.
    const close = folded([demoAdapters.closeUp.data, macro]);
    const [near, far] = [nearestDistanceM(close), farthestDistanceM(close)];
    expect(near).toBeLessThan(far);
    expect(far).toBeLessThan(0.5);
    for (const distanceM of [near, (near + far) / 2, far]) expect(obstacleOf(close, distanceM)).toBeUndefined();
    expect(obstacleOf(close, far * 1.001)).toMatchObject({ code: 'focus.farthest', field: 'distanceM' });
    expect(obstacleOf(close, far * 1.001)!.message).toMatch(/Go closer, or take a tube or close-up lens off\.$/);
    expect(obstacleOf(close, near * 0.999)).toMatchObject({ code: 'focus.closest' });
  });

  it('is one place for a lens turned round, give or take a fiftieth', () => {
    const wide: LensSpec = { ...macro, focalWideMm: 24, focalTeleMm: 24, closestFocusM: 0.24, closestRatio: 0.17 };
    const turned = folded([wide, demoAdapters.reversing.data]);
    const place = nearestDistanceM(turned);
    for (const distanceM of [place, place * 1.019, place * 0.981])
      expect(obstacleOf(turned, distanceM)).toBeUndefined();
    for (const distanceM of [place * 1.021, place * 0.979, 60])
      expect(obstacleOf(turned, distanceM)).toMatchObject({ code: 'focus.fixed', field: 'distanceM' });
    const [, there] = /about ([\d.]+).cm and nowhere else\. Go there,/.exec(obstacleOf(turned, 60)!.message)!;
    expect(Math.abs(Number(there) / 100 / place - 1)).toBeLessThan(0.005);
    expect(obstacleOf(turned, Number(there) / 100)).toBeUndefined();
  });
});

describe('the ground behind a subject', () => {
  it('is where the line over it comes down, by its angle', () => {
    const { backgroundM, downDeg } = behindSubject(1.5, 0.5, 10);
    expect(backgroundM).toBe(15);
    // One metre down over ten.
    expect(downDeg).toBeCloseTo(5.710593, 6);
    expect(Math.tan((downDeg * Math.PI) / 180) * backgroundM).toBeCloseTo(1.5, 12);
  });

  it('is endlessly far for a line that is level or rises', () => {
    expect(behindSubject(0.5, 0.5, 10)).toEqual({ backgroundM: Infinity, downDeg: 0 });
    const rising = behindSubject(0.5, 10.5, 10);
    expect(rising.backgroundM).toBe(Infinity);
    expect(rising.downDeg).toBeCloseTo(-45, 12);
  });
});
