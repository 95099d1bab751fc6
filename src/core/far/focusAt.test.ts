import fc from 'fast-check';
import { demoAdapters, demoBodies, demoOptics } from '@/demo/kit';
import type { BodySpec } from '../kit/body';
import type { LensSpec, Part } from '../chain/parts';
import { foldSystem, type EffectiveSystem } from '../optics/foldSystem';
import { distanceForRatioM, farthestDistanceM, focusAt, nearestDistanceM } from './focusAt';

const body: BodySpec = {
  name: 'Test 36 × 20',
  flangeMm: 20,
  sensor: { widthMm: 36, heightMm: 20, columns: 6000, rows: 3333 },
  antiAliasFilter: 'none',
  cropModes: [],
};
const thin: LensSpec = {
  kind: 'lens',
  name: 'Thin 120',
  focalWideMm: 120,
  focalTeleMm: 120,
  fNumberWide: 4,
  fNumberTele: 4,
  detailClass: 'good',
  autofocus: true,
};
const tube = (mm: number): Part => ({ kind: 'tubes', name: `Tube ${mm}`, lengthsMm: [mm], autofocus: true });

function fold(chain: Part[], on: BodySpec = body): EffectiveSystem {
  const folded = foldSystem({ body: on, modeId: 'whole', chain });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
function read(system: EffectiveSystem, distanceMm: number) {
  const focus = focusAt(system, distanceMm);
  if (!focus.ok) throw new Error(focus.problem.message);
  return focus.value;
}

/** What a thin lens draws when subject and sensor are so far apart, the subject on the far side of 1 : 1. */
const thinRatio = (f: number, apart: number): number => {
  const image = (apart - Math.sqrt(apart * apart - 4 * f * apart)) / 2;
  return image / (apart - image);
};

describe('a thin lens', () => {
  it('draws what the lens equation says, bare and with a tube behind it', () => {
    for (const apart of [900, 1500, 7000]) {
      expect(read(fold([thin]), apart).ratio).toBeCloseTo(thinRatio(120, apart), 9);
    }
    // The tube only makes it reach nearer: between the same two planes the picture is the same.
    const apart = 650;
    expect(read(fold([thin, tube(25)]), apart).ratio).toBeCloseTo(thinRatio(120, apart), 6);
  });

  it('forms no picture nearer than four focal lengths, and says how near it may come', () => {
    expect(nearestDistanceM(fold([thin]))).toBeCloseTo(0.48, 12);
    const refused = focusAt(fold([thin]), 470);
    expect(refused).toMatchObject({
      ok: false,
      problem: { field: 'distanceM', message: expect.stringMatching(/Nearer than 48\s?cm/) as string },
    });
    expect(focusAt(fold([thin]), 481).ok).toBe(true);
    expect(focusAt(fold([thin]), 470, 'imperial')).toMatchObject({
      ok: false,
      problem: { message: expect.stringMatching(/Nearer than 1\.57\s?ft/) as string },
    });
  });

  it('with a tube reaches no farther than the tube lets it', () => {
    // Behind 120 mm the sensor stands at least 145 mm away: 1/120 − 1/145 of the subject's side.
    const image = 145;
    const subject = 1 / (1 / 120 - 1 / image);
    const system = fold([thin, tube(25)]);
    expect(farthestDistanceM(system)).toBeCloseTo((image + subject) / 1000, 9);
    expect(farthestDistanceM(fold([thin]))).toBe(Infinity);
    // Farther away than that, what it draws at its farthest is given.
    expect(read(system, 50_000).ratio).toBeCloseTo(image / subject, 9);
  });

  it('is found again by its ratio', () => {
    fc.assert(
      fc.property(fc.double({ min: 520, max: 60_000, noNaN: true }), (apart) => {
        const system = fold([thin]);
        expect(distanceForRatioM(system, read(system, apart).ratio)! * 1000).toBeCloseTo(apart, 3);
      }),
    );
    expect(distanceForRatioM(fold([thin]), 0)).toBeUndefined();
    expect(distanceForRatioM(fold([thin, tube(25)]), 0.05)).toBeUndefined();
  });
});

describe('a scope with a camera behind it', () => {
  const spotter = Object.values(demoOptics).find((row) => row.data.kind === 'scope')!.data as Part;
  const camera = Object.values(demoOptics).find((row) => row.data.kind === 'builtIn')!.data as Part & {
    mount?: string;
  };
  const on = Object.values(demoBodies).find((row) => row.data.mount !== undefined && row.data.mount === camera.mount)!
    .data as BodySpec;
  const system = fold([spotter, demoAdapters.afocal.data as Part, camera], on);

  it('draws in proportion to the distance from its front focus', () => {
    const [near, far] = [read(system, 20_000), read(system, 90_000)];
    // 1/m is a straight line whose slope is 1/f, whatever the front focus is.
    expect((1 / far.ratio - 1 / near.ratio) / 70_000).toBeCloseTo(1 / system.focalMm.value, 9);
    const frontFocusMm = 20_000 - system.focalMm.value / near.ratio;
    expect(Math.abs(frontFocusMm)).toBeLessThan(5000);
    // The ± is that of the front focus, so it shrinks as the square of the distance from it.
    const away = (mm: number) => mm - frontFocusMm;
    expect(near.plusMinus / far.plusMinus).toBeGreaterThan((away(90_000) / away(20_000)) ** 2 * 0.95);
    expect(near.plusMinus).toBeGreaterThan(0);
    expect(near.plusMinus).toBeLessThan(near.ratio * 0.2);
  });

  it('keeps its opening and its cone, and is found again by its ratio', () => {
    const focus = read(system, 30_000);
    expect(focus.pupilMm(system.fNumber.value)).toBeCloseTo(system.focalMm.value / system.fNumber.value, 9);
    expect(focus.setting.spread + focus.ratio).toBeCloseTo(1, 12);
    expect(30_000 - focus.uMm).toBeGreaterThan(0);
    expect(distanceForRatioM(system, focus.ratio)).toBeCloseTo(30, 9);
  });

  it('nearer than its front focus forms none', () => {
    const frontFocusMm = 20_000 - system.focalMm.value / read(system, 20_000).ratio;
    expect(focusAt(system, frontFocusMm * 0.9)).toMatchObject({ ok: false, problem: { field: 'distanceM' } });
  });
});

describe('a converter behind the lens', () => {
  const lens: LensSpec = { ...thin, name: 'Known 120', closestFocusM: 1.1, closestRatio: 0.16 };
  const converter: Part = { kind: 'converter', name: '×2', factor: 2, autofocus: true };

  it('doubles what the bare lens draws from there, with a ± that grows closer up', () => {
    const [bare, doubled] = [fold([lens]), fold([lens, converter])];
    for (const distanceMm of [1200, 4000, 40_000]) {
      expect(read(doubled, distanceMm).ratio).toBeCloseTo(2 * read(bare, distanceMm).ratio, 9);
      expect(read(doubled, distanceMm).plusMinus).toBeGreaterThanOrEqual(2 * read(bare, distanceMm).plusMinus);
    }
    const share = (distanceMm: number) => read(doubled, distanceMm).plusMinus / read(doubled, distanceMm).ratio;
    expect(share(1200)).toBeGreaterThan(share(4000));
    expect(share(4000)).toBeGreaterThan(share(40_000));
    expect(nearestDistanceM(bare)).toBeCloseTo(1.1, 12);
  });
});
