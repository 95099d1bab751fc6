import type { BodySpec } from '../kit/body';
import type { Part } from '../chain/parts';
import { foldSystem } from '../optics/foldSystem';
import { inputsOf } from '../../../tests/support/recompute';
import { focalLengthsFor, inHandNeeds, type Wanted, type Wish } from './whatItTakes';
import { lensesThatDoIt } from './lensesThatDoIt';
import { readFar } from './readFar';
import { plannerCurve } from './plannerCurve';

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
const output = { kind: 'screen' as const, name: 'Web', longSidePx: 1000, subjectShare: 0.5 };
const wanted = (wish: Wish, of: Partial<Wanted['subject']> = {}): Wanted => ({
  wish,
  subject: { ...subject, ...of },
  distanceM: 40,
  output,
});
const bodies = [
  { id: 'large', body: large },
  { id: 'small', body: small },
];

it('finds the focal length of each body, with which the pixels really come out', () => {
  for (const { id, body: each } of bodies) {
    const row = focalLengthsFor(wanted({ kind: 'pixels', pixels: 1234 }), system(), bodies).find(
      (found) => found.id === id,
    )!;
    const focal = row.focalMm!.value;
    const made = foldSystem({
      body: each,
      modeId: 'whole',
      chain: [{ ...lens, focalWideMm: focal, focalTeleMm: focal } as Part],
    });
    if (!made.ok) throw new Error(made.problem.message);
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
  const [first, second] = focalLengthsFor(wanted({ kind: 'share', percent: 30 }), system(), bodies);
  expect([first!.pixels, second!.pixels]).toEqual([0.3 * 8192, 0.3 * 5184]);
  // A picture of 0.3 · 35.7 mm of 430 mm.
  const m = (0.3 * 35.7) / 430;
  expect(first!.focalMm!.value).toBeCloseTo(40_000 / (2 + m + 1 / m), 6);
  const tall = { ...large, sensor: { widthMm: 23.9, heightMm: 35.7, columns: 5484, rows: 8192 } };
  const ofTall = focalLengthsFor(wanted({ kind: 'share', percent: 30 }), system(), [{ id: 't', body: tall }]);
  expect(ofTall[0]!.pixels).toBe(0.3 * 8192);
});

it('says from where the set-up in hand does it, and with which pixels it would from here', () => {
  const { distanceM, pitchUm, pixels } = inHandNeeds(wanted({ kind: 'pixels', pixels: 900 }), system());
  const pitch = 35_700 / 8192;
  const m = (900 * pitch) / (1000 * 430);
  expect(distanceM!.value).toBeCloseTo((420 * (2 + m + 1 / m)) / 1000, 5);
  expect(pixels).toBe(900);
  // From 40 m the ratio solves T = f·(2 + m + 1/m).
  const half = 40_000 / 420 - 2;
  const here = (half - Math.sqrt(half * half - 4)) / 2;
  expect(pitchUm!.value).toBeCloseTo((1000 * here * 430) / 900, 9);
  const share = inHandNeeds(wanted({ kind: 'share', percent: 25 }), system());
  expect(share.pixels).toBe(0.25 * 8192);
  expect(share.pitchUm).toBeUndefined();
});

it('says so where nothing does it', () => {
  const huge = wanted({ kind: 'pixels', pixels: 900_000 }, { sizeMm: 5 });
  expect(focalLengthsFor(huge, system(), bodies)[0]).toMatchObject({ problem: { code: 'focal.unreachable' } });
  expect(inHandNeeds(huge, system()).distanceM).toBeUndefined();
});

describe('enough for the output', () => {
  const read = (made: ReturnType<typeof system>, distanceM: number) => {
    const reading = readFar({ system: made, subject, distanceM, output });
    if (!reading.ok) throw new Error(reading.problem.message);
    return reading.value;
  };
  // Half of 1000 px.
  const NEEDED = 500;
  const own = inHandNeeds(wanted({ kind: 'output' }), system());

  it('is counted as the verdict counts: from the distance, and with the pitch, the resolved pixels are those needed', () => {
    expect(own.pixels).toBe(NEEDED);
    expect(read(system(), own.distanceM!.value).resolvedPixels.value).toBeCloseTo(NEEDED, 4);
    const pitch = own.pitchUm!.value;
    const columns = 35_700 / pitch;
    const made = foldSystem({ body: body('Other', 35.7, 23.9, columns), modeId: 'whole', chain: [lens] });
    if (!made.ok) throw new Error(made.problem.message);
    expect(read(made.value, 40).resolvedPixels.value).toBeCloseTo(NEEDED, 4);
    const at = inputsOf(own.pitchUm!);
    expect((1000 * at('m') * at('L') * at('r')) / at('n')).toBeCloseTo(pitch, 9);
  });

  it('is enough up to where the planner’s curve meets the need', () => {
    const distance = own.distanceM!.value;
    const { counted } = plannerCurve(
      system(),
      430,
      Float64Array.from([distance * 0.999, distance * 1.001]),
      'resolved',
    );
    expect(counted[0]!).toBeGreaterThan(NEEDED);
    expect(counted[1]!).toBeLessThan(NEEDED);
  });

  it('on each body takes a lens as sharp and as fast as the one in hand', () => {
    for (const row of focalLengthsFor(wanted({ kind: 'output' }), system(), bodies)) {
      const focal = row.focalMm!.value;
      const made = foldSystem({
        body: row.id === 'large' ? large : small,
        modeId: 'whole',
        chain: [{ ...lens, focalWideMm: focal, focalTeleMm: focal } as Part],
      });
      if (!made.ok) throw new Error(made.problem.message);
      expect(read(made.value, 40).resolvedPixels.value).toBeCloseTo(NEEDED, 3);
      const at = inputsOf(row.focalMm!);
      const m = (at('n') * at('p')) / (1000 * at('L') * at('r'));
      expect((1000 * at('T')) / (2 + m + 1 / m)).toBeCloseTo(focal, 6);
    }
  });

  it('takes all pixels where the verdict does', () => {
    const all = inHandNeeds({ ...wanted({ kind: 'output' }), judgeBy: 'sampled' }, system());
    expect(read(system(), all.distanceM!.value).pixelsOnSubject.value).toBeCloseTo(NEEDED, 4);
    expect(all.distanceM!.value).toBeGreaterThan(own.distanceM!.value);
  });

  it('has no pitch where the lens resolves less, however fine the pixels', () => {
    const far = inHandNeeds({ ...wanted({ kind: 'output' }), distanceM: 400 }, system());
    expect(far.pitchUm).toBeUndefined();
    expect(far.distanceM!.value).toBeCloseTo(own.distanceM!.value, 6);
  });
});

describe('each lens of the kit', () => {
  const named = (name: string, focal: number, mount: string): Part => ({
    ...lens,
    name,
    mount,
    focalWideMm: focal,
    focalTeleMm: focal,
  });
  const mounted = { ...large, mount: 'A', flangeMm: 20 };
  const lenses = [
    { id: 'short', part: named('Short', 200, 'A') },
    { id: 'long', part: named('Long', 500, 'A') },
    { id: 'other', part: named('Other', 400, 'B') },
  ] as Parameters<typeof lensesThatDoIt>[1]['lenses'];
  const adapter = {
    kind: 'mountAdapter',
    name: 'B to A',
    lensMount: 'B',
    bodyMount: 'A',
    addsMm: 0,
    autofocus: true,
  } as const;
  const wish = wanted({ kind: 'share', percent: 25 });

  it('tells from how far, the farthest first, and leaves out what does not go on the body', () => {
    const found = lensesThatDoIt(wish, { body: mounted, modeId: 'whole', lenses, mountAdapters: [] });
    expect(found.map(({ id }) => id)).toEqual(['long', 'short']);
    // A quarter of 35.7 mm of 430 mm, from T = f·(2 + m + 1/m).
    const m = (0.25 * 35.7) / 430;
    for (const { focalMm, distanceM } of found)
      expect(distanceM!.value).toBeCloseTo((focalMm * (2 + m + 1 / m)) / 1000, 5);
  });

  it('takes a mount adapter where one helps', () => {
    const found = lensesThatDoIt(wish, { body: mounted, modeId: 'whole', lenses, mountAdapters: [adapter] });
    expect(found.map(({ id }) => id)).toEqual(['long', 'other', 'short']);
  });
});
