import type { BodySpec } from '../kit/body';
import type { Part } from '../chain/parts';
import { foldSystem } from '../optics/foldSystem';
import { inputsOf } from '../../../tests/support/recompute';
import { focalLengthsFor, inHandNeeds } from './whatItTakes';
import { readFar } from './readFar';

const body = (name: string, widthMm: number, heightMm: number, columns: number): BodySpec => ({
  name,
  sensor: { widthMm, heightMm, columns, rows: Math.round((columns * heightMm) / widthMm) },
  antiAliasFilter: 'none',
  cropModes: [],
});
const large = body('Large', 35.7, 23.9, 8192);
const small = body('Small', 17.3, 13, 5184);
const lens: Part = {
  kind: 'lens',
  name: 'Lens',
  focalWideMm: 420,
  focalTeleMm: 420,
  fNumberWide: 5,
  fNumberTele: 5,
  detailClass: 'good',
  autofocus: true,
};
const subject = { name: 'Bird', kind: 'wader' as const, sizeMm: 430, distanceM: 40 };
const system = () => {
  const folded = foldSystem({ body: large, modeId: 'whole', chain: [lens] });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
};
const bodies = [
  { id: 'large', body: large },
  { id: 'small', body: small },
];

it('finds the focal length of each body, with which the pixels really come out', () => {
  for (const { id, body: each } of bodies) {
    const row = focalLengthsFor({ kind: 'pixels', pixels: 1234 }, subject, 40, bodies).find(
      (found) => found.id === id,
    )!;
    const focal = row.focalMm!.value;
    const made = foldSystem({
      body: each,
      modeId: 'whole',
      chain: [{ ...lens, focalWideMm: focal, focalTeleMm: focal } as Part],
    });
    if (!made.ok) throw new Error(made.problem.message);
    const output = { kind: 'screen' as const, name: 'Web', longSidePx: 1000, subjectShare: 0.5 };
    const reading = readFar({ system: made.value, subject, distanceM: 40, output });
    if (!reading.ok) throw new Error(reading.problem.message);
    expect(reading.value.pixelsOnSubject.value).toBeCloseTo(1234, 6);
    const at = inputsOf(row.focalMm!);
    const m = (at('n') * at('p')) / (1000 * at('L'));
    expect((1000 * at('T')) / (2 + m + 1 / m)).toBeCloseTo(focal, 9);
    const crop = Math.hypot(36, 24) / Math.hypot(each.sensor.widthMm, each.sensor.heightMm);
    expect(row.equivalentFocalMm!.value).toBeCloseTo(focal * crop, 9);
  }
});

it('takes a share of the frame by the long side of each body', () => {
  const [first, second] = focalLengthsFor({ kind: 'share', percent: 30 }, subject, 40, bodies);
  expect([first!.pixels, second!.pixels]).toEqual([0.3 * 8192, 0.3 * 5184]);
  // A picture of 0.3 · 35.7 mm of 430 mm.
  const m = (0.3 * 35.7) / 430;
  expect(first!.focalMm!.value).toBeCloseTo(40_000 / (2 + m + 1 / m), 6);
  const tall = { ...large, sensor: { widthMm: 23.9, heightMm: 35.7, columns: 5484, rows: 8192 } };
  expect(focalLengthsFor({ kind: 'share', percent: 30 }, subject, 40, [{ id: 't', body: tall }])[0]!.pixels).toBe(
    0.3 * 8192,
  );
});

it('says from where the set-up in hand does it, and with which pixels it would from here', () => {
  const { distanceM, pitchUm, pixels } = inHandNeeds({ kind: 'pixels', pixels: 900 }, system(), subject, 40);
  const pitch = 35_700 / 8192;
  const m = (900 * pitch) / (1000 * 430);
  expect(distanceM!.value).toBeCloseTo((420 * (2 + m + 1 / m)) / 1000, 5);
  expect(pixels).toBe(900);
  // From 40 m the ratio solves T = f·(2 + m + 1/m).
  const half = 40_000 / 420 - 2;
  const here = (half - Math.sqrt(half * half - 4)) / 2;
  expect(pitchUm!.value).toBeCloseTo((1000 * here * 430) / 900, 9);
  const share = inHandNeeds({ kind: 'share', percent: 25 }, system(), subject, 40);
  expect(share.pixels).toBe(0.25 * 8192);
  expect(share.pitchUm).toBeUndefined();
});

it('says so where nothing does it', () => {
  const huge = { kind: 'pixels' as const, pixels: 900_000 };
  expect(focalLengthsFor(huge, { ...subject, sizeMm: 5 }, 40, bodies)[0]).toMatchObject({
    problem: { code: 'focal.unreachable' },
  });
  expect(inHandNeeds(huge, system(), { ...subject, sizeMm: 5 }, 40).distanceM).toBeUndefined();
});
