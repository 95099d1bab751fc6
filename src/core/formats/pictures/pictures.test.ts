import { encode } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';
import { packedDng } from '../../../../tests/support/packedDng';
import { lightOfSrgb, srgbOfLight } from '../../picture/tone';
import { greyOf, upright, type Decoded } from './decoded';
import { fitsHeader } from './fitsPicture';
import { kindOfPicture } from './kindOfPicture';
import { readPicture, ReaderMissing } from './readPicture';
import { serHeader, sharpestFrame } from './serPicture';
import { writeDng, writeFits, writeSer, writeTiff } from './writePictures';

const [width, height] = [13, 8];
/** Light that differs at every pixel, so that turned or shifted rows are seen. */
const light = Float32Array.from({ length: width * height }, (_, i) => 0.05 + (0.9 * ((i * 37) % 104)) / 104);
const picture = { width, height, light };
const noJpeg = () => Promise.reject<Decoded>(new Error('no JPEG here'));

const blob = (bytes: Uint8Array) => new Blob([bytes as Uint8Array<ArrayBuffer>]);

async function greyOfFile(bytes: Uint8Array, frame?: number) {
  const read = await readPicture(blob(bytes), { jpeg: noJpeg, frame });
  if (!read.ok) throw new Error(read.problem.message);
  return { ...read.value, grey: greyOf(read.value.decoded) };
}

describe('pictures of 16 bits come back as they were written', () => {
  it.each([
    ['TIFF', () => writeTiff(picture, 'Ostrel R45', srgbOfLight), 'tiff'],
    ['FITS', () => writeFits(picture, 'Quillon P4'), 'fits'],
    ['SER', () => writeSer([picture], 'Quillon P4'), 'ser'],
    [
      'PNG',
      () =>
        encode({
          width,
          height,
          depth: 16,
          channels: 1,
          data: Uint16Array.from(light, (value) => Math.round(65_535 * srgbOfLight(value))),
        }),
      'png',
    ],
  ])('%s', async (_name, make, kind) => {
    const read = await greyOfFile(make());
    expect(read.kind).toBe(kind);
    expect([read.grey.width, read.grey.height]).toEqual([width, height]);
    light.forEach((value, i) => expect(read.grey.data[i]).toBeCloseTo(value, 4));
  });

  it('DNG: an even mosaic stays even, whatever its colours', async () => {
    const mosaic = Float32Array.from({ length: 64 }, (_, i) => [0.2, 0.5, 0.5, 0.3][((i >> 3) % 2) * 2 + (i % 2)]!);
    const { grey, decoded } = await greyOfFile(writeDng({ width: 8, height: 8, light: mosaic }, 'Ostrel R45'));
    expect(decoded.mosaic).toEqual([0, 1, 1, 2]);
    for (const value of grey.data) expect(value).toBeCloseTo(0.5, 3);
  });
});

describe('what else is in a file', () => {
  it('colours count a quarter, a half, a quarter, each made into light first', async () => {
    const data = Uint8Array.from([255, 0, 0, 0, 255, 0, 0, 0, 255, 128, 128, 128]);
    const { grey } = await greyOfFile(encode({ width: 4, height: 1, data, channels: 3 }));
    expect(Array.from(grey.data.slice(0, 3))).toEqual([0.25, 0.5, 0.25]);
    expect(grey.data[3]).toBeCloseTo(lightOfSrgb(128 / 255), 6);
  });
  it('the sharpest frame of a film is taken, or the one asked for', async () => {
    const soft = { ...picture, light: light.map((value) => 0.5 + 0.1 * (value - 0.5)) };
    const film = writeSer([soft, picture, soft], 'Quillon P4');
    expect(await sharpestFrame(blob(film), serHeader(film)!)).toBe(1);
    expect((await greyOfFile(film)).frame).toBe(1);
    expect((await greyOfFile(film, 2)).grey.data[0]).toBeCloseTo(soft.light[0]!, 4);
  });
  it('a FITS header keeps names and values apart', () => {
    const { cards, dataAt } = fitsHeader(writeFits(picture, 'O’Hara'.replace('’', ' ')))!;
    expect(cards.get('NAXIS1')).toBe(String(width));
    expect(cards.get('INSTRUME')).toBe('O Hara');
    expect(dataAt % 2880).toBe(0);
  });
  it.each([
    [5, 4],
    [6, 5],
    [4, 1],
  ])('each place of a mosaic takes a quarter red, half green, a quarter blue about it, %i × %i', (wide, high) => {
    const codes = Float32Array.from({ length: wide * high }, (_, i) => 0.2 + ((i * 37) % 101) / 200);
    const decoded = {
      width: wide,
      height: high,
      channels: 1,
      codes,
      black: 0,
      white: 1,
      tone: 'linear',
      bits: 16,
    } as const;
    const { data } = greyOf({ ...decoded, mosaic: [1, 1, 1, 1] });
    const mirrored = (at: number, count: number) => (count === 1 ? 0 : at < 0 ? 1 : at >= count ? count - 2 : at);
    data.forEach((value, i) => {
      const [x, y] = [i % wide, Math.floor(i / wide)];
      let sum = 0;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++)
          sum +=
            (2 - Math.abs(dx)) * (2 - Math.abs(dy)) * codes[mirrored(y + dy, high) * wide + mirrored(x + dx, wide)]!;
      expect(value).toBeCloseTo(sum / 16, 6);
    });
  });
  it.each([
    [3, 0],
    [4, 0],
    [3, 1],
    [3, 3],
  ] as const)(
    'codes that are used up become light in their own place, %i samples, from number %i on',
    (channels, from) => {
      const filled = (): Decoded => {
        const all = Uint16Array.from({ length: from + 77 * channels }, (_, i) => (i * 7919) % 65_536);
        const codes = all.subarray(from);
        return { width: 11, height: 7, channels, codes, black: 0, white: 65_535, tone: 'srgb', bits: 16 };
      };
      const kept = filled();
      const used = filled();
      const grey = greyOf(used, 'srgb', true);
      expect(grey.data.buffer).toBe(used.codes.buffer);
      expect(Array.from(grey.data)).toEqual(Array.from(greyOf(kept).data));
      expect(kept).toEqual(filled());
      // Turned, each goes elsewhere, where others are still to be read.
      expect(greyOf({ ...filled(), orientation: 6 }, 'srgb', true)).toEqual(greyOf({ ...kept, orientation: 6 }));
    },
  );
  it('EXIF turns a picture upright', () => {
    const small = { width: 3, height: 2, data: Float32Array.from([1, 2, 3, 4, 5, 6]), step: 1 };
    const turned = (orientation: number) => {
      const { width: w, data } = upright(small, orientation);
      return `${w}:${Array.from(data).join('')}`;
    };
    expect([1, 2, 3, 4].map(turned)).toEqual(['3:123456', '3:321654', '3:654321', '3:456123']);
    expect([5, 6, 7, 8].map(turned)).toEqual(['2:142536', '2:415263', '2:635241', '2:362514']);
    // In one go with what makes light of codes, of one sample a pixel or of three.
    for (const channels of [1, 3] as const)
      for (let orientation = 1; orientation <= 8; orientation++) {
        const codes = Uint8Array.from(
          { length: 6 * channels },
          (_, i) => 40 * Math.floor(i / channels) + (i % channels),
        );
        const decoded = { width: 3, height: 2, channels, codes, black: 0, white: 255, tone: 'srgb', bits: 8 } as const;
        expect(greyOf({ ...decoded, orientation })).toEqual(upright(greyOf(decoded), orientation));
      }
  });
});

describe('what cannot be read', () => {
  const problemOf = async (bytes: Uint8Array) => {
    const read = await readPicture(blob(bytes), { jpeg: noJpeg });
    return read.ok ? null : read.problem;
  };
  it('says what it is and what to do', async () => {
    const heic = Uint8Array.from('\0\0\0\x18ftypheic', (each) => each.charCodeAt(0));
    expect((await problemOf(heic))!.message).toMatch(/most compatible/);
    expect((await problemOf(new Uint8Array(40)))!.code).toBe('picture.unknown');
    expect((await problemOf(writeFits(picture, 'x').slice(0, 2890)))!.code).toBe('picture.damaged');
    expect((await problemOf(writeTiff(picture, 'x', srgbOfLight).slice(0, 60)))!.code).toBe('picture.damaged');
    const png = encode({ width, height, data: new Uint8Array(width * height), channels: 1 });
    expect((await problemOf(png.slice(0, 50)))!.code).toBe('picture.damaged');
    const jpeg = encodeJpeg({ width: 8, height: 8, data: new Uint8Array(256) }, 80).data;
    expect(kindOfPicture(jpeg)).toBe('jpeg');
    expect((await problemOf(jpeg))!.code).toBe('picture.damaged');
  });
  it('is too large beyond a hundred million pixels, a PNG by its header alone, before there is room made for it', async () => {
    /** Signature, and a header of that size in colours of 16 bits. Source: PNG, 5.2 and 11.2.1. */
    const pngOf = (across: number, down: number) => {
      const bytes = new Uint8Array(64);
      bytes.set([137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72, 68, 82]);
      const view = new DataView(bytes.buffer);
      view.setUint32(16, across);
      view.setUint32(20, down);
      bytes.set([16, 2], 24);
      const file = blob(bytes);
      const opened = jest.fn(() => file.slice().stream());
      return { file: Object.assign(file, { stream: opened, arrayBuffer: opened }), opened };
    };
    const codeOf = async (file: Blob, jpeg = noJpeg) => {
      const read = await readPicture(file, { jpeg });
      return read.ok ? 'read' : read.problem.code;
    };
    const large = pngOf(10_001, 10_000);
    expect([await codeOf(large.file), large.opened.mock.calls.length]).toEqual(['picture.large', 0]);
    // Just within: it is opened, and found to end after its header.
    const within = pngOf(10_000, 10_000);
    expect(await codeOf(within.file)).toBe('picture.damaged');
    expect(within.opened).toHaveBeenCalled();
    const jpeg = (across: number): Promise<Decoded> =>
      Promise.resolve({
        width: across,
        height: 10_000,
        channels: 1,
        codes: new Uint8Array(0),
        black: 0,
        white: 255,
        tone: 'srgb',
        bits: 8,
      });
    const start = blob(new Uint8Array([0xff, 0xd8, 0xff, 0xe0]));
    expect(await codeOf(start, () => jpeg(10_001))).toBe('picture.large');
    expect(await codeOf(start, () => jpeg(10_000))).toBe('read');
  });

  it('is told where the file is gone, at its first bytes or in the middle', async () => {
    const whole = blob(writeTiff(picture, 'x', srgbOfLight));
    const gone = () => Promise.reject(new DOMException('', 'NotReadableError'));
    const atOnce = { slice: () => ({ arrayBuffer: gone }) };
    const later = { slice: whole.slice.bind(whole), arrayBuffer: gone };
    for (const file of [atOnce, later])
      expect(await readPicture(file as unknown as Blob, { jpeg: noJpeg })).toMatchObject({
        ok: false,
        problem: {
          code: 'picture.gone',
          message: expect.stringMatching(/can no longer be read.*Put it back/) as string,
        },
      });
  });
  it('is not called damaged, nor no picture, where what reads camera raw is missing', async () => {
    const missing = { jpeg: noJpeg, raw: () => Promise.reject<Decoded>(new ReaderMissing('not there')) };
    const packed = packedDng(writeDng({ ...picture, width: 8, height: 8 }, 'Quillon P4'), 8, 8);
    for (const bytes of [new Uint8Array(40), packed]) {
      const read = await readPicture(blob(bytes), missing);
      expect(read).toMatchObject({ ok: false, problem: { code: 'picture.reader', field: 'picture' } });
      expect(!read.ok && read.problem.message).toMatch(/did not arrive\. Start the server again/);
    }
  });
});
