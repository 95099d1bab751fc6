import type { BodySpec } from '../kit/body';
import { lightAgainst } from '../far/lightAgainst';
import { foldSystem } from '../optics/foldSystem';
import type { Part } from '../chain/parts';
import { inputsOf } from '../../../tests/support/recompute';
import { camerasCompared } from './cameras';
import { discOnSensor } from './discOnSensor';
import { widthInDiscs } from './planet';

const body = (change: Partial<BodySpec> = {}): BodySpec => ({
  name: 'Body',
  sensor: { widthMm: 31.2, heightMm: 17, columns: 7800, rows: 4250 },
  antiAliasFilter: 'none',
  cropModes: [],
  framesPerSecond: 9,
  ...change,
});
const tube: Part = {
  kind: 'telescope',
  name: 'Tube',
  apertureMm: 150,
  focalMm: 1750,
  obstructionShare: 0.3,
  detailClass: 'good',
};
const system = (chain: Part[], of = body()) => {
  const folded = foldSystem({ body: of, modeId: 'whole', chain });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
};

it('puts the Moon on the sensor as an angle times the focal length', () => {
  const { diameterMm, diameterPx, fits } = discOnSensor(system([tube]), 'the Moon', 1865);
  const radians = ((1865 / 3600) * Math.PI) / 180;
  // The customary 206,265″ of a radian are good to one part in a million.
  expect(diameterMm.value / (radians * 1750)).toBeCloseTo(1, 5);
  expect(diameterPx.value / ((radians * 1750) / (31.2 / 7800))).toBeCloseTo(1, 5);
  const at = inputsOf(diameterPx);
  expect((at('ω') * at('f')) / (206.265 * at('p'))).toBeCloseTo(diameterPx.value, 9);
  expect(inputsOf(diameterMm)('ω')).toBe(1865);
  // 15.8 mm in a frame 17 mm high; one a tenth longer is cut.
  expect(fits).toBe(true);
  expect(discOnSensor(system([{ ...tube, focalMm: 1925 } as Part]), 'the Moon', 1865).fits).toBe(false);
});

it('compares cameras by what each reads out', () => {
  const windows = [
    { columns: 1300, rows: 900, framesPerSecond: 100 },
    { columns: 400, rows: 300, framesPerSecond: 410 },
  ];
  const small = body({
    sensor: { widthMm: 5.6, heightMm: 3.2, columns: 1931, rows: 1103 },
    readoutWindows: windows,
    weightG: 90,
  });
  const video = body({
    videoModes: [
      {
        id: 'v',
        name: 'V',
        sampledColumns: 7000,
        sampledRows: 3900,
        recordedColumns: 3840,
        recordedRows: 2160,
        framesPerSecond: [25, 50],
      },
    ],
  });
  const recording = { margin: 1.4, exposureS: 0.01, linkMbPerS: 400, durationS: 100, bits: 8 as const, cardGb: 64 };
  const compared = (exposureS: number) =>
    camerasCompared(
      { body: body(), modeId: 'whole', chain: [tube] },
      [
        { id: 'small', body: small },
        { id: 'video', body: video },
        { id: 'stills', body: body() },
      ],
      46,
      { ...recording, exposureS },
      'usual',
    );
  const [first, second, third] = compared(0.01);
  // 46″ · 1750 mm on pixels of 2.9 µm: 134.6 px, 188 with its margin, in the window of 400 × 300.
  expect(first!.discPx).toBeCloseTo((46 * 1750) / (206.265 * (5600 / 1931)), 6);
  expect(first).toMatchObject({
    window: { columns: 400, rows: 300 },
    packed: 'none',
    framesPerSecond: 100,
    weightG: 90,
  });
  expect(second).toMatchObject({ packed: 'video', framesPerSecond: 50 });
  expect(second!.window).toBeUndefined();
  expect(third).toMatchObject({ packed: 'stills', framesPerSecond: 9 });
  // No more frames than the exposure allows.
  expect(compared(0.1)[1]!.framesPerSecond).toBe(10);
  expect([widthInDiscs('Saturn') > 2, widthInDiscs('Mars')]).toEqual([true, 1]);
});

it('measures light by the opening’s area, less what a mirror covers and a filter swallows', () => {
  const clear = system([{ ...tube, obstructionShare: 0 } as Part]);
  const others = [
    {
      id: 'half',
      name: 'Half',
      setup: { body: body(), modeId: 'whole', chain: [{ ...tube, apertureMm: 75, obstructionShare: 0 } as Part] },
    },
    { id: 'mirror', name: 'Mirror', setup: { body: body(), modeId: 'whole', chain: [tube] } },
    {
      id: 'grey',
      name: 'Grey',
      setup: {
        body: body(),
        modeId: 'whole',
        chain: [{ kind: 'filter', name: 'G', stops: 2 } as Part, { ...tube, obstructionShare: 0 } as Part],
      },
    },
    { id: 'none', name: 'None', setup: { body: body(), modeId: 'whole', chain: [] } },
  ];
  const found = lightAgainst(clear, others, 'usual');
  expect(found.map((each) => each.id)).toEqual(['half', 'mirror', 'grey']);
  expect(found[0]!.stops.value).toBeCloseTo(2, 9);
  expect(found[1]!.stops.value).toBeCloseTo(-Math.log2(1 - 0.09), 9);
  expect(found[2]!.stops.value).toBeCloseTo(2, 9);
  for (const { stops } of found) {
    const at = inputsOf(stops);
    expect(2 * Math.log2(at('D') / at('D₂'))).toBeCloseTo(stops.value, 9);
  }
});
