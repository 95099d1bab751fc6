import { packedDng } from '../../../../tests/support/packedDng';
import { lightOfSrgb } from '../../picture/tone';
import { bytesInMemory } from './byteSource';
import { greyOf, upright, type Decoded } from './decoded';
import { fitsHeader } from './fits/fitsUnits';
import { readPicture, ReaderMissing } from './readPicture';
import { serHeader, sharpestFrame } from './serPicture';
import { writeDng, writeFits, writeSer } from './writePictures';

const [width, height] = [13, 8];
/** Light that differs at every pixel, so that turned or shifted rows are seen. */
const light = Float32Array.from({ length: width * height }, (_, i) => 0.05 + (0.9 * ((i * 37) % 104)) / 104);
const picture = { width, height, light };
/** What needs the library is tested where the library runs (src/reader/reading.test.ts). */
const noLibrary = { vips: () => Promise.reject<never>(new Error('no library here')) };

async function greyOfFile(bytes: Uint8Array, frame?: number) {
  const read = await readPicture(bytesInMemory(bytes), { ...noLibrary, frame });
  if (!read.ok) throw new Error(read.problem.message);
  return { ...read.value, grey: greyOf(read.value.decoded) };
}

describe('pictures of 16 bits come back as they were written', () => {
  it.each([
    ['FITS', () => writeFits(picture, 'Quillon P4'), 'fits'],
    ['SER', () => writeSer([picture], 'Quillon P4'), 'ser'],
  ])('%s', async (_name, make, kind) => {
    const read = await greyOfFile(make());
    expect(read.kind).toBe(kind);
    expect([read.grey.width, read.grey.height]).toEqual([width, height]);
    light.forEach((value, i) => expect(read.grey.data[i]).toBeCloseTo(value, 4));
  });
});

describe('what else is in a file', () => {
  it('an even mosaic stays even, whatever its colours', () => {
    const codes = Float32Array.from({ length: 64 }, (_, i) => [0.2, 0.5, 0.5, 0.3][((i >> 3) % 2) * 2 + (i % 2)]!);
    const size = { width: 8, height: 8, channels: 1, black: 0, white: 1, tone: 'linear', bits: 16 } as const;
    for (const value of greyOf({ ...size, codes, mosaic: [0, 1, 1, 2] }).data) expect(value).toBeCloseTo(0.5, 3);
  });
  it('colours count a quarter, a half, a quarter, each made into light first', () => {
    const codes = Uint8Array.from([255, 0, 0, 0, 255, 0, 0, 0, 255, 128, 128, 128]);
    const size = { width: 4, height: 1, channels: 3, black: 0, white: 255, tone: 'srgb', bits: 8 } as const;
    const grey = greyOf({ ...size, codes });
    expect(Array.from(grey.data.slice(0, 3))).toEqual([0.25, 0.5, 0.25]);
    expect(grey.data[3]).toBeCloseTo(lightOfSrgb(128 / 255), 6);
  });
  it('the sharpest frame of a film is taken, or the one asked for', async () => {
    const soft = { ...picture, light: light.map((value) => 0.5 + 0.1 * (value - 0.5)) };
    const film = writeSer([soft, picture, soft], 'Quillon P4');
    expect(sharpestFrame(bytesInMemory(film), serHeader(film)!)).toBe(1);
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
  const problemOf = async (bytes: Uint8Array, ways = {}) => {
    const read = await readPicture(bytesInMemory(bytes), { ...noLibrary, ...ways });
    return read.ok ? null : read.problem;
  };
  it('says what it is and what to do', async () => {
    const heic = Uint8Array.from('\0\0\0\x18ftypheic', (each) => each.charCodeAt(0));
    expect((await problemOf(heic))!.message).toMatch(/most compatible/);
    expect((await problemOf(new Uint8Array(40)))!.code).toBe('picture.unknown');
    expect((await problemOf(writeFits(picture, 'x').slice(0, 2890)))!.code).toBe('picture.damaged');
    for (const file of [writeSer([picture], 'x'), writeFits(picture, 'x')])
      expect((await problemOf(file, { frame: 1 }))!.message).toMatch(/one picture: ask for frame 0/);
  });
  it('is too large beyond a hundred million pixels, by its header alone, before there is room made for it', async () => {
    const withSize = (across: number, down: number) => {
      const bytes = writeSer([picture], 'x');
      const view = new DataView(bytes.buffer);
      view.setInt32(26, across, true);
      view.setInt32(30, down, true);
      return bytes;
    };
    expect((await problemOf(withSize(10_001, 10_000)))!.code).toBe('picture.large');
    // Just within: it is opened, and found to end after its header.
    expect((await problemOf(withSize(10_000, 10_000)))!.code).toBe('picture.damaged');
  });
  it('is told where the file is gone, at its first bytes or in the middle', async () => {
    const whole = writeFits(picture, 'x');
    const gone = () => {
      throw new DOMException('', 'NotReadableError');
    };
    const later = {
      size: whole.length,
      read: (from: number, to: number) => (from > 0 ? gone() : whole.slice(from, to)),
    };
    for (const file of [{ size: 1, read: gone }, later])
      expect(await readPicture(file, noLibrary)).toMatchObject({
        ok: false,
        problem: {
          code: 'picture.gone',
          message: expect.stringMatching(/can no longer be read.*Put it back/) as string,
        },
      });
  });
  it('is not called damaged, nor no picture, where what reads camera raw is missing', async () => {
    const raw = () =>
      Promise.reject<Decoded>(new ReaderMissing('the part of Jauge that reads camera raw did not arrive'));
    const packed = packedDng(writeDng({ ...picture, width: 8, height: 8 }, 'Quillon P4'), 8, 8);
    for (const bytes of [new Uint8Array(40), packed]) {
      const problem = (await problemOf(bytes, { raw }))!;
      expect([problem.code, problem.field]).toEqual(['picture.reader', 'picture']);
      expect(problem.message).toMatch(/did not arrive\. Start the server again/);
    }
  });
});
