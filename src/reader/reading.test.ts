import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { encode } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';
import { greyOf } from '@/core/formats/pictures/decoded';
import { writeDng, writeFits, writeTiff } from '@/core/formats/pictures/writePictures';
import { srgbOfLight } from '@/core/picture/tone';
import { packedDng } from '../../tests/support/packedDng';
import { pngOf } from '../../tests/support/pngOf';
import { tiffOf, type TiffPage } from '../../tests/support/tiffOf';
import { fileReader } from './startNode';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-reading-'));
const reader = fileReader();
afterAll(() => {
  reader.end();
  fs.rmSync(folder, { recursive: true, force: true });
});

let last = 0;
async function readBytes(bytes: Uint8Array, frame?: number) {
  const file = path.join(folder, String(++last));
  fs.writeFileSync(file, bytes);
  return reader.read(file, { frame });
}
async function own(bytes: Uint8Array, frame?: number) {
  const read = await readBytes(bytes, frame);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
}
async function problemOf(bytes: Uint8Array, frame?: number) {
  const read = await readBytes(bytes, frame);
  return read.ok ? null : read.problem;
}

const [WIDTH, HEIGHT] = [5, 6];
/** Codes that differ in both their bytes, at every place. */
const codesFor = (bits: number, channels: number): number[] =>
  Array.from({ length: WIDTH * HEIGHT * channels }, (_, i) => (i * 7919 + 300) % 2 ** Math.min(16, bits));
const page = (made: Partial<TiffPage> & Pick<TiffPage, 'bits' | 'channels'>): TiffPage => ({
  width: WIDTH,
  height: HEIGHT,
  codes: codesFor(made.bits, made.channels),
  ...made,
});

describe('a TIFF', () => {
  it.each<[string, Partial<TiffPage> & Pick<TiffPage, 'bits' | 'channels'>]>([
    ['of colours, 16 bits, lower byte first', { bits: 16, channels: 3 }],
    ['of colours, 16 bits, higher byte first', { bits: 16, channels: 3, highFirst: true }],
    ['of colours, 8 bits, higher byte first', { bits: 8, channels: 3, highFirst: true }],
    ['of greys, 16 bits, in strips apart', { bits: 16, channels: 1, rows: 2, gap: 6 }],
    ['of greys, 16 bits, strips apart, higher first', { bits: 16, channels: 1, rows: 3, gap: 4, highFirst: true }],
    ['of colours, 8 bits, in strips at odd places', { bits: 8, channels: 3, rows: 1, gap: 3 }],
    ['with a point, in proportion to the light', { bits: 32, channels: 1, float: true }],
  ])('%s has the codes that were written', async (_name, made) => {
    const { decoded, kind } = await own(tiffOf([page(made)]));
    expect([kind, decoded.width, decoded.height, decoded.channels, decoded.bits]).toEqual([
      'tiff',
      WIDTH,
      HEIGHT,
      made.channels,
      made.bits,
    ]);
    expect(Array.from(decoded.codes)).toEqual(codesFor(made.bits, made.channels));
    expect(decoded.tone).toBe(made.float ? 'linear' : 'srgb');
  });

  it('whose white is nought is turned over, and one lying on its side keeps its turn', async () => {
    const { decoded } = await own(tiffOf([page({ bits: 8, channels: 1, photometric: 0, orientation: 6 })]));
    expect(Array.from(decoded.codes)).toEqual(codesFor(8, 1).map((code) => 255 - code));
    expect(decoded.orientation).toBe(6);
  });

  it('of a palette has its colours, of ink the light that it leaves', async () => {
    const palette = [0, 1, 2].flatMap((colour) =>
      Array.from({ length: 256 }, (_, i) => 257 * ((i * (colour + 3)) % 256)),
    );
    const listed = await own(tiffOf([page({ bits: 8, channels: 1, photometric: 3, palette })]));
    expect(Array.from(listed.decoded.codes)).toEqual(
      codesFor(8, 1).flatMap((code) => [0, 1, 2].map((colour) => (code * (colour + 3)) % 256)),
    );
    const ink = codesFor(8, 4);
    const left = await own(tiffOf([page({ bits: 8, channels: 4 })]));
    expect(left.decoded.channels).toBe(3);
    left.decoded.codes.forEach((code, i) => {
      const at = 4 * Math.floor(i / 3);
      expect(code).toBe(Math.round(((255 - ink[at + (i % 3)]!) * (255 - ink[at + 3]!)) / 255));
    });
  });

  it('of several pages opens at its largest, or at the one asked for', async () => {
    const small: TiffPage = { width: 2, height: 1, codes: [7, 9], bits: 8, channels: 1 };
    const file = tiffOf([small, page({ bits: 8, channels: 1 }), small]);
    const { decoded, frame, frames } = await own(file);
    expect([decoded.width, frame, frames]).toEqual([WIDTH, 1, 3]);
    const asked = await own(file, 2);
    expect([asked.frame, ...Array.from(asked.decoded.codes)]).toEqual([2, 7, 9]);
    expect(await problemOf(file, 3)).toEqual({
      code: 'picture.frame',
      message: 'This file holds frames 0 to 2 only.',
      field: 'frame',
    });
  });

  it('that holds a trap is refused at once, in words', async () => {
    const begun = performance.now();
    const traps: [string, Uint8Array][] = [
      ['a directory that points at itself', tiffOf([page({ bits: 8, channels: 1 })], 'itself')],
      [
        'a directory in its own first bytes',
        Uint8Array.from([0x49, 0x49, 42, 0, 4, 0, 0, 0, ...Array<number>(14).fill(0)]),
      ],
      ['a compression nobody knows', tiffOf([page({ bits: 8, channels: 1, compression: 34_925 })])],
      ['strips that are not there', tiffOf([page({ bits: 16, channels: 1 })]).slice(0, 40)],
    ];
    for (const [what, bytes] of traps) {
      const read = await readBytes(bytes);
      // The first is a sound picture as far as anyone needs it.
      if (read.ok) expect([what, Array.from(read.value.decoded.codes)]).toEqual([what, codesFor(8, 1)]);
      else expect(read.problem.message).toMatch(/Copy it from the card again|Export it as PNG or TIFF/);
    }
    expect(performance.now() - begun).toBeLessThan(8000);
    expect((await problemOf(tiffOf([page({ bits: 8, channels: 1, compression: 34_925 })])))!.code).toBe(
      'picture.variant',
    );
  });

  it('of 3,600 million pixels is refused by its header', async () => {
    const huge = tiffOf([{ width: 60_000, height: 60_000, codes: [], bits: 8, channels: 1, rows: 60_000 }]);
    expect((await problemOf(huge))!.code).toBe('picture.large');
  });
});

describe('a PNG', () => {
  it('of a palette with transparency has its colours, not one moved into the next', async () => {
    const palette = Uint8Array.from({ length: 12 }, (_, i) => 20 * i);
    const rows = Uint8Array.from([0, 0, 1, 2, 0, 3, 2, 1]);
    const file = pngOf([3, 2], [8, 3], rows, [
      ['PLTE', palette],
      ['tRNS', Uint8Array.from([0, 128])],
    ]);
    const { decoded } = await own(file);
    const colours = Array.from({ length: 6 }, (_, i) =>
      Array.from(decoded.codes).slice(i * decoded.channels, i * decoded.channels + 3),
    );
    expect(colours).toEqual([0, 1, 2, 3, 2, 1].map((at) => Array.from(palette).slice(3 * at, 3 * at + 3)));
  });

  it('of 16 bits stays so; cut short it is told as damaged', async () => {
    const data = Uint16Array.from({ length: 30 }, (_, i) => 257 * i + 5);
    const file = encode({ width: 6, height: 5, data, depth: 16, channels: 1 });
    expect(Array.from((await own(file)).decoded.codes)).toEqual(Array.from(data));
    expect((await problemOf(file.slice(0, 60)))!.code).toBe('picture.damaged');
  });

  it('that swells to hundreds of times its size is read, or refused, within its size', async () => {
    const swollen = pngOf([100, 100], [8, 0], new Uint8Array(40e6));
    const read = await readBytes(swollen);
    expect(read.ok ? read.value.decoded.codes.length : read.problem.code).toBe(read.ok ? 10_000 : 'picture.damaged');
  });
});

describe('other kinds', () => {
  it('a JPEG lying on its side, with crumbs between its parts, is read', async () => {
    const grey = Buffer.alloc(4 * 64, 128);
    const jpeg = encodeJpeg({ width: 16, height: 4, data: grey }, 90).data;
    const crumbs = Buffer.concat([jpeg.subarray(0, 20), Buffer.from([0x12, 0x34]), jpeg.subarray(20)]);
    const { decoded, kind } = await own(crumbs);
    expect([kind, decoded.width, decoded.height]).toEqual(['jpeg', 16, 4]);
    expect(greyOf(decoded).data[0]).toBeCloseTo(greyOf((await own(jpeg)).decoded).data[0]!, 6);
    expect((await problemOf(jpeg.subarray(0, jpeg.length - 30)))!.code).toBe('picture.damaged');
  });

  it('a GIF is read', async () => {
    const gif = Buffer.from('R0lGODlhAgABAIAAAP8AAAAA/ywAAAAAAgABAAACAgQKADs=', 'base64');
    const { kind, decoded } = await own(gif);
    expect([kind, decoded.width, ...Array.from(decoded.codes).slice(0, 3)]).toEqual(['gif', 2, 255, 0, 0]);
  });

  it('a plain DNG is a mosaic; one whose numbers are packed is told what to do', async () => {
    const made = { width: 8, height: 8, light: Float32Array.from({ length: 64 }, (_, i) => i / 64) };
    const plain = writeDng(made, 'Quillon P4');
    const { decoded } = await own(plain);
    expect([decoded.mosaic, decoded.tone, decoded.bits]).toEqual([[0, 1, 1, 2], 'linear', 16]);
    made.light.forEach((value, i) =>
      expect((decoded.codes[i]! - decoded.black) / (decoded.white - decoded.black)).toBeCloseTo(value, 3),
    );
    expect((await problemOf(packedDng(plain, 8, 8)))!.message).toMatch(/The Bench in the browser reads it/);
  });

  it('those that are not read are named as what they are', async () => {
    const begins = (text: string) => Uint8Array.from(text.padEnd(200, '\0'), (each) => each.charCodeAt(0));
    const named: [string, RegExp][] = [
      ['8BPS\0\x01', /layered picture \(PSD\), which is not read/],
      ['%PDF-1.7', /a PDF document/],
      ['\0\0\0\x0cjP  \r\n', /JPEG 2000/],
      ['\0\0\0\x18ftypisom', /a film/],
      ['XISF0100', /an XISF picture/],
      ['\0\0\0\x18ftypheic', /most compatible/],
    ];
    for (const [text, words] of named) expect((await problemOf(begins(text)))!.message).toMatch(words);
    expect((await problemOf(begins('hello')))!.code).toBe('picture.unknown');
  });

  it('a file that is gone ends no later file', async () => {
    const gone = await reader.read(path.join(folder, 'none'));
    expect(gone.ok).toBe(false);
    const fits = writeFits({ width: 4, height: 3, light: new Float32Array(12).fill(0.5) }, 'Quillon P4');
    expect((await own(fits)).kind).toBe('fits');
    const tiff = writeTiff({ width: 4, height: 3, light: new Float32Array(12).fill(0.5) }, 'x', srgbOfLight);
    expect((await own(tiff)).decoded.bits).toBe(16);
  });
});
