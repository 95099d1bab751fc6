import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { encode } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';
import { lightOfSrgb, srgbOfLight } from '@/core/picture/tone';
import { writeTiff } from '@/core/formats/pictures/writePictures';
import { edgePicture } from '@/core/simulate/edgeScene';
import { evenFrame, type EvenMade } from '@/core/simulate/evenSurface';
import { shaken, shakePath } from '@/core/simulate/shaken';
import { opticsOf, randomEdge } from '../../../tests/support/randomEdge';
import { randomPair } from '../../../tests/support/randomPair';
import { randomStars } from '../../../tests/support/randomStars';
import { randomDisc } from '../../../tests/support/randomDisc';
import { randomRuler } from '../../../tests/support/randomRuler';
import type { Grey } from '@/core/picture/grey';
import { measureCommand } from './measureCommand';
import { measureOptions, tickOf } from './options';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-measure-'));
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

const codesOf = ({ data }: Grey) => Uint8Array.from(data, (light) => Math.round(255 * srgbOfLight(light)));
function png(name: string, grey: Grey): string {
  const file = path.join(folder, name);
  fs.writeFileSync(file, encode({ width: grey.width, height: grey.height, data: codesOf(grey), channels: 1 }));
  return file;
}
function jpeg(name: string, grey: Grey): string {
  const colours = new Uint8Array(4 * grey.data.length);
  codesOf(grey).forEach((code, i) => colours.fill(code, 4 * i, 4 * i + 3));
  const file = path.join(folder, name);
  fs.writeFileSync(file, encodeJpeg({ width: grey.width, height: grey.height, data: colours }, 95).data);
  return file;
}

interface Printed {
  value: number;
  unit: string;
  plusMinus: number;
}
/** One line of output: of every measure what it has. */
interface Line {
  ok: boolean;
  pxPerMm: Printed;
  ratio: Printed;
  ticks: number;
  equatorialDiameterPx: Printed;
  lengthPx: Printed;
  longestPx: Printed;
  centre: [number, number];
  ends: [number, number][];
  box: number[];
  phase: boolean;
  problem: { code: string; message: string };
}

async function run(...words: string[]) {
  const lines: string[] = [];
  const told: string[] = [];
  const code = await measureCommand(
    words,
    (line) => lines.push(line),
    (message) => told.push(message),
  );
  return { code, told: told.join('\n'), out: lines.map((line) => JSON.parse(line) as Line) };
}

const ruler = randomRuler(12, 700, 470, ['millimetre']);
const disc = randomDisc(7, 'lit', 150);

describe('jauge measure', () => {
  it('prints one line a picture, with a ratio by the pitch', async () => {
    const { code, out } = await run(
      'ruler',
      png('ruler.png', ruler.grey),
      jpeg('ruler.jpg', ruler.grey),
      '--pitch',
      '4,5',
    );
    expect(code).toBe(0);
    expect(out).toHaveLength(2);
    for (const line of out) {
      expect(line).toMatchObject({ measure: 'ruler', ok: true, finestTickMm: { value: 1, unit: 'mm' } });
      expect(line.pxPerMm.value / ruler.pxPerMm).toBeCloseTo(1, 2);
      expect(line.pxPerMm).toMatchObject({ unit: 'px/mm', plusMinus: expect.any(Number) as number });
      expect(line.ratio.value / ((line.pxPerMm.value * 4.5) / 1000)).toBeCloseTo(1, 6);
      expect(Number.isInteger(line.ticks)).toBe(true);
    }
  });
  it('takes the pitch from a set-up and the picture’s size, and refuses one that was cut', async () => {
    const setup = path.join(folder, 'setup.json');
    const example = JSON.parse(fs.readFileSync('docs/examples/near.json', 'utf8')) as {
      body: { sensor: { columns: number; rows: number; widthMm: number } };
    };
    example.body.sensor.columns = 1400;
    example.body.sensor.rows = 940;
    fs.writeFileSync(setup, JSON.stringify(example));
    const { out } = await run('ruler', png('small.png', ruler.grey), '--setup', setup);
    const pitchUm = (1000 * example.body.sensor.widthMm) / 700;
    expect(out[0]!.ratio.value / ((out[0]!.pxPerMm.value * pitchUm) / 1000)).toBeCloseTo(1, 3);
    const cut = await run('disc', png('disc.png', disc.grey), '--setup', setup);
    expect(cut.code).toBe(1);
    expect(cut.out[0]).toMatchObject({ ok: false, problem: { code: 'picture.cut' } });
  });
  it('measures discs, lengths and subjects', async () => {
    const file = png('planet.png', disc.grey);
    const { out } = await run('disc', file);
    expect(Math.abs(out[0]!.equatorialDiameterPx.value - disc.equatorialPx)).toBeLessThan(1.5);
    expect(out[0]!.centre[0]).toBeCloseTo(disc.centre[0], 0);
    expect(out[0]!.phase).toBe(false);
    const [cx, cy] = disc.centre;
    const across = await run('length', file, '--ends', `${cx - 72},${cy},${cx + 72},${cy}`);
    expect(across.out[0]!.lengthPx.unit).toBe('px');
    expect(across.out[0]!.ends).toHaveLength(2);
    const whole = await run('subject', file);
    expect(whole.out[0]!.box).toHaveLength(4);
    expect(Math.abs(whole.out[0]!.longestPx.value / disc.equatorialPx - 1)).toBeLessThan(0.05);
  });
  it('reads codes as light in proportion when it is told so', async () => {
    const linear: Grey = { ...disc.grey, data: disc.grey.data.map((light) => lightOfSrgb(light)) };
    const srgb = await run('disc', png('a.png', disc.grey));
    const told = await run('disc', png('b.png', linear), '--tone', 'linear');
    expect(told.out[0]!.ok).toBe(true);
    expect(told.out[0]!.equatorialDiameterPx.value).not.toBe(srgb.out[0]!.equatorialDiameterPx.value);
  });
  it('refuses one picture and measures the next', async () => {
    const broken = path.join(folder, 'broken.png');
    fs.writeFileSync(broken, 'no picture');
    const { code, out } = await run('disc', broken, png('good.png', disc.grey), path.join(folder, 'missing.png'));
    expect(code).toBe(1);
    expect(out.map(({ ok }) => ok)).toEqual([false, true, false]);
    expect(out[0]!.problem.message).toMatch(/JPEG, PNG, TIFF/);
  });
  it('says what to write where an option is not understood', async () => {
    for (const [words, message] of [
      [['ruler'], /at least one picture/],
      [['wings', 'a.png'], /ruler, length, disc, subject/],
      [['length', 'a.png'], /--ends/],
      [['length', 'a.png', '--ends', '1,2,3'], /x1,y1,x2,y2/],
      [['ruler', 'a.png', '--pitch', 'x'], /pixel pitch/],
      [['ruler', 'a.png', '--pitch', '4', '--setup', 'b.json'], /not both/],
      [['ruler', 'a.png', '--tick', 'thumb'], /1\/16in/],
      [['disc', 'a.png', '--tone', 'log'], /srgb or linear/],
      [['disc', 'a.png', '--frame', '0'], /from 1/],
      [['disc', 'a.png', '--setup', 'nowhere.json'], /Cannot read the set-up/],
      [['disc', 'a.png', '--colour', 'red'], /colour/],
    ] as const) {
      const { code, told, out } = await run(...words);
      expect([code, out.length]).toEqual([2, 0]);
      expect(told).toMatch(message);
    }
  });
});

describe('what lies between two ticks', () => {
  it('is millimetres, with comma or point, or a part of an inch', () => {
    expect(['1', '0,5', '0.5mm', '1/16in', '0.1 in'].map(tickOf)).toEqual([1, 0.5, 0.5, 25.4 / 16, 2.54]);
    expect(['', '-1', '1/0in', 'x'].map(tickOf)).toEqual([null, null, null, null]);
    const asked = measureOptions(['ruler', 'a.png', '--tick', '0,5', '--frame', '3']);
    expect(asked.ok && [asked.value.tickMm, asked.value.frame]).toEqual([0.5, 2]);
  });
});

const tiff16 = (name: string, codes: Uint16Array, width: number, height: number): string => {
  const file = path.join(folder, name);
  const light = Float32Array.from(codes, (code) => code / 65_535);
  fs.writeFileSync(
    file,
    writeTiff({ width, height, light }, 'Ostrel', (value) => value),
  );
  return file;
};
/** Several lines of one kind: of each what it has. */
interface Together extends Line {
  mtf50: Printed;
  edgeDeg: Printed;
  frequencies: number[];
  mtf: number[];
  centreTrailPx: Printed;
  stars: { x: number; lengthPx: number; upperLimit: boolean }[];
  series?: boolean;
  centre: [number, number] & { perSecond: Printed };
  scale: Printed;
  shift: [number, number];
  moreDetail: string;
  powerRatioBOverA: (number | null)[];
  gain: Printed;
  readNoise: Printed;
  frames: { sharp: boolean; exposureS: number }[];
  limitS: Printed | null;
}
const linesOf = async (...words: string[]) => {
  const { code, told, out } = await run(...words);
  return { code, told, out: out as Together[] };
};

describe('jauge measure, sharpness and the rest', () => {
  it('measures an edge, and only in the part that was named', async () => {
    const edge = randomEdge(5);
    const file = png('edge.png', edge.grey);
    const { code, out } = await linesOf('edge', file);
    expect(code).toBe(0);
    expect(out[0]!.mtf50.value / edge.falls(0.5)).toBeCloseTo(1, 1);
    expect(out[0]!.mtf50.unit).toBe('cycles/px');
    expect(out[0]!.frequencies).toHaveLength(out[0]!.mtf.length);
    const { code: refused, out: none } = await linesOf('edge', file, '--part', '0,0,40,40');
    expect(refused).toBe(1);
    expect(none[0]!.problem.code).toBe('edge.none');
    expect((await linesOf('edge', file, '--part', '9,9,1,1')).told).toMatch(/--part is left,top,right,bottom/);
  });
  it('measures stars, with the set-up and as a series', async () => {
    const sky = randomStars(3, 700, 480);
    const { pitchUm, focalMm, exposureS, declinationDeg, rollDeg } = sky.made;
    const file = png('stars.png', sky.grey);
    const known = ['--pitch', pitchUm, '--focal', focalMm, '--declination', declinationDeg, '--roll', rollDeg].map(
      String,
    );
    const { code, out } = await linesOf('stars', file, ...known, '--exposure', String(exposureS));
    expect(code).toBe(0);
    expect(Math.abs(out[0]!.centreTrailPx.value - sky.centrePx)).toBeLessThan(0.2);
    expect(out[0]!.stars.length).toBeGreaterThan(5);
    const again = await linesOf('stars', file, file, file, '--exposure', '10;20;30');
    expect(again.out).toHaveLength(4);
    // The same picture three times: nothing grows with the time.
    expect(again.out[3]).toMatchObject({ measure: 'stars', series: true, ok: true });
    expect(again.out[3]!.centre.perSecond.value).toBeLessThan(0.05 * sky.centrePx);
  }, 300_000);
  it('compares a pair, in one line', async () => {
    const pair = randomPair(6, 320, 260);
    const { code, out } = await linesOf('pair', png('a.png', pair.a), png('b.png', pair.b));
    expect(code).toBe(0);
    expect(out).toHaveLength(1);
    expect(out[0]!.scale.value / pair.scale).toBeCloseTo(1, 3);
    expect(out[0]!.shift[0]).toBeCloseTo(pair.shift[0], 0);
    expect(['a', 'b', 'equal']).toContain(out[0]!.moreDetail);
    expect((await linesOf('pair', 'one.png')).told).toMatch(/A pair is two pictures/);
  }, 300_000);
  it('measures light on four frames, and refuses those made for the eye', async () => {
    const made: EvenMade = {
      width: 256,
      height: 192,
      gain: 1.7,
      readNoise: 4,
      black: 512,
      white: 65_535,
      exposure: 0.4,
      falloff: 0.2,
      unequal: 0.01,
      sensorSeed: 3,
    };
    const files = [0.4, 0.4, 0, 0].map((exposure, i) =>
      tiff16(`light${i}.tif`, evenFrame({ ...made, exposure }, 20 + i), 256, 192),
    );
    const { code, out } = await linesOf('light', ...files);
    expect(code).toBe(0);
    expect(out[0]!.gain.value).toBeCloseTo(1.7, 1);
    expect(out[0]!.readNoise.value / 4).toBeCloseTo(1, 1);
    const eye = png('eye.png', randomEdge(5).grey);
    expect((await linesOf('light', eye, eye, eye, eye)).out[0]!.problem.code).toBe('light.bits');
    expect((await linesOf('light', eye)).told).toMatch(/four pictures/);
  });
  it('tells the time a hand holds from a series', async () => {
    const sharp = edgePicture(
      { edgeDeg: 97, offsetPx: 0, dark: 0.1, light: 0.6, optics: opticsOf(0.8, 0.6), cutoff: 1.25 },
      260,
      220,
    );
    const movedPx = [0, 0.2, 0.1, 0.3, 5, 0.2, 6, 4, 7];
    const files = movedPx.map((moved, i) =>
      png(`shake${i}.png`, {
        width: 260,
        height: 220,
        data: shaken(sharp, 260, 220, shakePath(moved, 0, 0)),
        step: 1 / 255,
      }),
    );
    const { code, out } = await linesOf(
      'shake',
      ...files,
      '--exposure',
      '1/250;1/250;1/250;1/60;1/60;1/60;1/15;1/15;1/15',
    );
    expect(code).toBe(0);
    expect(out).toHaveLength(1);
    expect(out[0]!.frames.map((frame) => frame.sharp)).toEqual(movedPx.map((moved) => moved < 1));
    expect(out[0]!.limitS!.value).toBeLessThan(1 / 30);
    const untimed = await linesOf('shake', ...files);
    expect(untimed.code).toBe(1);
    expect(untimed.out[0]!.problem.message).toMatch(/--exposure/);
  }, 300_000);
  it('takes times and angles as people write them', () => {
    const asked = (...words: string[]) => measureOptions(['stars', 'a.png', 'b.png', ...words]);
    expect(asked('--exposure', '1/60')).toMatchObject({ ok: true, value: { exposuresS: [1 / 60] } });
    expect(asked('--exposure', '0,5;1')).toMatchObject({ ok: true, value: { exposuresS: [0.5, 1] } });
    expect(asked('--exposure', '2.5,5')).toMatchObject({ ok: true, value: { exposuresS: [2.5, 5] } });
    expect(asked('--declination', '-12,5', '--roll', '-3')).toMatchObject({
      ok: true,
      value: { declinationDeg: -12.5, rollDeg: -3 },
    });
    for (const [words, field] of [
      [['--exposure', '1;2;3'], 'exposure'],
      [['--exposure', 'long'], 'exposure'],
      [['--declination', '120'], 'declination'],
      [['--focal', '0'], 'focal'],
    ] as const)
      expect(asked(...words)).toMatchObject({ ok: false, problem: { field } });
  });
});
