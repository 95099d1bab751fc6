import { heicFile, jpegFile, tiffFile, type ExifFields } from '../../../tests/photoFiles';
import { jpegSize, pictureKind, readPhoto } from './readPhoto';

const fields: ExifFields = {
  make: 'Ostrel',
  model: 'R45',
  lensModel: 'Ostrel 600 f/5.6',
  columns: 8256,
  rows: 5504,
  focalLength: 600,
  focalLength35: 600,
  focalPlaneX: 2293.3333,
  focalPlaneY: 2293.3333,
  focalPlaneUnit: 3,
  fNumber: 5.6,
};

/** Jest's stand-in for a browser has no Blob that can be read. */
const fileOf = (bytes: Uint8Array): Blob =>
  ({
    slice: (from: number, to: number) => ({ arrayBuffer: () => Promise.resolve(bytes.slice(from, to).buffer) }),
  }) as unknown as Blob;
const read = async (bytes: Uint8Array) => {
  const reading = await readPhoto(fileOf(bytes));
  if (!reading.ok) throw new Error(reading.message);
  return reading.tags;
};
const refusal = async (bytes: Uint8Array) => {
  const reading = await readPhoto(fileOf(bytes));
  return reading.ok ? 'read' : reading.message;
};

describe('EXIF of a picture', () => {
  it.each([
    ['little', true],
    ['big', false],
  ])('is read from a JPEG of %s endian cameras', async (_, little) => {
    expect(await read(jpegFile(fields, { columns: 8256, rows: 5504 }, little))).toMatchObject({
      maker: 'Ostrel',
      model: 'R45',
      lensModel: 'Ostrel 600 f/5.6',
      exifColumns: 8256,
      exifRows: 5504,
      fileColumns: 8256,
      fileRows: 5504,
      focalLengthMm: 600,
      focalLength35Mm: 600,
      focalPlaneUnit: 3,
      fNumber: 5.6,
    });
  });

  it('tells when it was taken, and nothing where the clock was never set', async () => {
    const at = async (takenAt: string) =>
      (await read(jpegFile({ ...fields, takenAt }, { columns: 8256, rows: 5504 }))).takenAt;
    expect(await at('2024:12:08 01:20:05')).toBe('2024-12-08T01:20:05');
    expect(await at('0000:00:00 00:00:00')).toBeUndefined();
    expect(await at('yesterday')).toBeUndefined();
  });
  it('tells the range of a zoom from the lens data, and what of it is unknown', async () => {
    expect(
      (await read(jpegFile({ ...fields, lensRange: [100, 400, 4.5, 5.6] }, { columns: 8256, rows: 5504 }))).lensRange,
    ).toEqual({ focalWideMm: 100, focalTeleMm: 400, fNumberWide: 4.5, fNumberTele: 5.6 });
    expect(
      (await read(jpegFile({ ...fields, lensRange: [100, 400, 0, 0] }, { columns: 8256, rows: 5504 }, false)))
        .lensRange,
    ).toMatchObject({ focalTeleMm: 400, fNumberWide: undefined });
    expect((await read(jpegFile(fields, { columns: 8256, rows: 5504 }))).lensRange).toBeUndefined();
  });

  it('is read from a TIFF, whose own size stands in for a missing one', async () => {
    expect(
      await read(
        tiffFile({
          ...fields,
          columns: undefined as never,
          rows: undefined as never,
          imageWidth: 6240,
          imageHeight: 4160,
        } as ExifFields),
      ),
    ).toMatchObject({ exifColumns: 6240, exifRows: 4160 });
  });

  it('is read from a HEIC', async () => {
    expect(await read(heicFile(fields))).toMatchObject({ model: 'R45', exifColumns: 8256, focalLengthMm: 600 });
  });

  it('may lack any field', async () => {
    expect(await read(jpegFile({ make: 'Quillon' }, { columns: 100, rows: 80 }))).toMatchObject({
      maker: 'Quillon',
      model: undefined,
      focalLengthMm: undefined,
      fileColumns: 100,
    });
  });
});

describe('what cannot be read', () => {
  it('is told apart: no picture, no EXIF, damaged', async () => {
    expect(await refusal(new TextEncoder().encode('name,price\nA lens,100\n'))).toMatch(
      /not a JPEG, PNG, HEIC or TIFF/,
    );
    expect(await refusal(new Uint8Array())).toMatch(/not a JPEG, PNG, HEIC or TIFF/);
    expect(await refusal(jpegFile(null, { columns: 100, rows: 80 }))).toMatch(/carries no EXIF/);
  });

  it('says what to do where the file is gone since it was chosen', async () => {
    const gone = { slice: () => ({ arrayBuffer: () => Promise.reject(new DOMException('', 'NotFoundError')) }) };
    const reading = await readPhoto(gone as unknown as Blob);
    expect(!reading.ok && reading.message).toMatch(/its card taken out\. Put it back/);
  });

  it('never throws, wherever a file was cut off or a byte is wrong', async () => {
    const whole = jpegFile(fields, { columns: 8256, rows: 5504 });
    for (let end = 0; end < whole.length; end += 7) await readPhoto(fileOf(whole.slice(0, end)));
    for (let at = 4; at < whole.length; at += 11) {
      const broken = whole.slice();
      broken[at] = 0xff;
      await readPhoto(fileOf(broken));
    }
  });
});

it('tells pictures by their bytes, and the size of a JPEG by its frame', () => {
  expect(pictureKind(jpegFile(fields, { columns: 1, rows: 1 }))).toBe('jpeg');
  expect(pictureKind(tiffFile(fields, false))).toBe('tiff');
  expect(pictureKind(heicFile(fields))).toBe('heic');
  expect(jpegSize(jpegFile(fields, { columns: 4032, rows: 3024 }))).toEqual({ columns: 4032, rows: 3024 });
  expect(jpegSize(new Uint8Array([0xff, 0xd8, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0]))).toBeNull();
});
