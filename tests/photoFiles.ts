/** Pictures for the tests, made here byte by byte: EXIF as several cameras would write it, in JPEG, TIFF and HEIC. */

export interface ExifFields {
  make?: string;
  model?: string;
  lensModel?: string;
  /** Shortest and longest focal length, widest f-number at each. */
  lensRange?: [number, number, number, number];
  columns?: number;
  rows?: number;
  focalLength?: number;
  focalLength35?: number;
  focalPlaneX?: number;
  focalPlaneY?: number;
  focalPlaneUnit?: number;
  fNumber?: number;
  exposureS?: number;
  iso?: number;
  subjectDistanceM?: number;
  digitalZoom?: number;
  /** YYYY:MM:DD HH:MM:SS. */
  takenAt?: string;
  /** In the first directory, where a TIFF states its own size. */
  imageWidth?: number;
  imageHeight?: number;
}

type Entry = { tag: number; type: number; count: number; data: Uint8Array };
const ASCII = 2;
const SHORT = 3;
const LONG = 4;
const RATIONAL = 5;

class Writer {
  constructor(private readonly little: boolean) {}

  bytes(size: number, fill: (view: DataView) => void): Uint8Array {
    const data = new Uint8Array(size);
    fill(new DataView(data.buffer));
    return data;
  }
  short = (value: number) => this.bytes(2, (view) => view.setUint16(0, value, this.little));
  long = (value: number) => this.bytes(4, (view) => view.setUint32(0, value, this.little));
  rational = (value: number) => {
    const denominator = Number.isInteger(value) ? 1 : 10_000;
    return this.bytes(8, (view) => {
      view.setUint32(0, Math.round(value * denominator), this.little);
      view.setUint32(4, denominator, this.little);
    });
  };
  ascii = (text: string) => new TextEncoder().encode(`${text}\0`);

  /** A directory with its long values behind it; `at` is where it will stand in the file. */
  directory(entries: Entry[], at: number): Uint8Array {
    const sorted = [...entries].sort((a, b) => a.tag - b.tag);
    const size = 2 + sorted.length * 12 + 4;
    const parts: Uint8Array[] = [this.short(sorted.length)];
    const behind: Uint8Array[] = [];
    let next = at + size;
    for (const { tag, type, count, data } of sorted) {
      const inline = data.length <= 4;
      const value = inline ? concat([data, new Uint8Array(4 - data.length)]) : this.long(next);
      parts.push(this.short(tag), this.short(type), this.long(count), value);
      if (!inline) {
        const padded = data.length % 2 ? concat([data, new Uint8Array(1)]) : data;
        behind.push(padded);
        next += padded.length;
      }
    }
    return concat([...parts, this.long(0), ...behind]);
  }
}

export function concat(parts: Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** A TIFF block with the fields given, in either byte order. */
export function tiffFile(fields: ExifFields, little = true): Uint8Array {
  const w = new Writer(little);
  const entry = (tag: number, type: number, data: Uint8Array | undefined, count = 1): Entry[] =>
    data ? [{ tag, type, count, data }] : [];
  const text = (tag: number, value: string | undefined) =>
    value === undefined ? [] : entry(tag, ASCII, w.ascii(value), value.length + 1);
  const of = (make: (value: number) => Uint8Array, value: number | undefined) =>
    value === undefined ? undefined : make(value);
  const exif = [
    ...entry(0x829a, RATIONAL, of(w.rational, fields.exposureS)),
    ...entry(0x8827, SHORT, of(w.short, fields.iso)),
    ...entry(0x9206, RATIONAL, of(w.rational, fields.subjectDistanceM)),
    ...entry(0x829d, RATIONAL, of(w.rational, fields.fNumber)),
    ...text(0x9003, fields.takenAt),
    ...entry(0x920a, RATIONAL, of(w.rational, fields.focalLength)),
    ...entry(0xa002, LONG, of(w.long, fields.columns)),
    ...entry(0xa003, LONG, of(w.long, fields.rows)),
    ...entry(0xa20e, RATIONAL, of(w.rational, fields.focalPlaneX)),
    ...entry(0xa20f, RATIONAL, of(w.rational, fields.focalPlaneY)),
    ...entry(0xa210, SHORT, of(w.short, fields.focalPlaneUnit)),
    ...entry(0xa404, RATIONAL, of(w.rational, fields.digitalZoom)),
    ...entry(0xa405, SHORT, of(w.short, fields.focalLength35)),
    ...entry(0xa432, RATIONAL, fields.lensRange && concat(fields.lensRange.map(w.rational)), 4),
    ...text(0xa434, fields.lensModel),
  ];
  const first = (exifAt: number) => [
    ...entry(0x100, LONG, of(w.long, fields.imageWidth)),
    ...entry(0x101, LONG, of(w.long, fields.imageHeight)),
    ...text(0x10f, fields.make),
    ...text(0x110, fields.model),
    ...(exif.length ? entry(0x8769, LONG, w.long(exifAt)) : []),
  ];
  const exifAt = 8 + w.directory(first(0), 8).length;
  const head = concat([new TextEncoder().encode(little ? 'II' : 'MM'), w.short(42), w.long(8)]);
  return concat([head, w.directory(first(exifAt), 8), ...(exif.length ? [w.directory(exif, exifAt)] : [])]);
}

const big16 = (value: number) => new Uint8Array([value >> 8, value & 255]);
const big32 = (value: number) => new Uint8Array([value >>> 24, (value >>> 16) & 255, (value >>> 8) & 255, value & 255]);
const ascii = (text: string) => new TextEncoder().encode(text);

/** A JPEG with EXIF (or without) and a frame of the size given; it holds no picture, only what describes one. */
export function jpegFile(
  fields: ExifFields | null,
  frame: { columns: number; rows: number },
  little = true,
): Uint8Array {
  const exif = fields ? concat([ascii('Exif\0\0'), tiffFile(fields, little)]) : null;
  return concat([
    new Uint8Array([0xff, 0xd8]),
    ...(exif ? [new Uint8Array([0xff, 0xe1]), big16(exif.length + 2), exif] : []),
    new Uint8Array([0xff, 0xc0]),
    big16(17),
    new Uint8Array([8]),
    big16(frame.rows),
    big16(frame.columns),
    new Uint8Array([3, 1, 0x22, 0, 2, 0x11, 1, 3, 0x11, 1]),
    new Uint8Array([0xff, 0xd9]),
  ]);
}

const box = (type: string, ...content: Uint8Array[]) => {
  const inside = concat(content);
  return concat([big32(inside.length + 8), ascii(type), inside]);
};

/** A HEIC container whose only item is its EXIF. */
export function heicFile(fields: ExifFields, little = true): Uint8Array {
  const exif = concat([big32(6), ascii('Exif\0\0'), tiffFile(fields, little)]);
  const ftyp = box('ftyp', ascii('heic'), big32(0), ascii('mif1heic'));
  const full = (version: number) => big32(version << 24);
  const infe = box('infe', full(2), big16(1), big16(0), ascii('Exif'), new Uint8Array([0]));
  const meta = (offset: number) =>
    box(
      'meta',
      full(0),
      box('hdlr', full(0), big32(0), ascii('pict'), new Uint8Array(13)),
      box('iinf', full(0), big16(1), infe),
      box(
        'iloc',
        full(0),
        new Uint8Array([0x44, 0x00]),
        big16(1),
        big16(1),
        big16(0),
        big16(1),
        big32(offset),
        big32(exif.length),
      ),
    );
  const offset = ftyp.length + meta(0).length + 8;
  return concat([ftyp, meta(offset), box('mdat', exif)]);
}
