import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { encode } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';
import { lightOfSrgb, srgbOfLight } from '@/core/picture/tone';
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
