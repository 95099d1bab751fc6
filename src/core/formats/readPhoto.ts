import { parse } from 'exifr';
import { GONE } from './goneFile';
import type { PhotoTags } from './photoProposal';

export type PhotoReading = { ok: true; tags: PhotoTags } | { ok: false; message: string };

/** EXIF stands near the start; more than this of a picture is never needed for it. */
const HEAD_BYTES = 4 * 1024 * 1024;

/** Farther is infinity to a lens, m. */
const MOST_DISTANCE_M = 10_000;

type Raw = Record<string, unknown>;
const number = (raw: Raw, ...names: string[]): number | undefined => {
  const value = names.map((name) => raw[name]).find((each) => typeof each === 'number');
  return typeof value === 'number' && Number.isFinite(value) ? value : undefined;
};
const text = (raw: Raw, name: string): string | undefined => {
  const value = raw[name];
  return typeof value === 'string' ? value.replace(/\0/g, '').trim() || undefined : undefined;
};

/** The camera's clock: EXIF parts a date by colons. */
function takenAt(raw: Raw): string | undefined {
  const match = /^(\d{4}):(\d\d):(\d\d) (\d\d:\d\d:\d\d)/.exec(text(raw, 'DateTimeOriginal') ?? '');
  const told = match && `${match[1]}-${match[2]}-${match[3]}T${match[4]}`;
  return told && !Number.isNaN(Date.parse(`${told}Z`)) ? told : undefined;
}

/** The four numbers of the lens data: shortest and longest focal length, widest f-number at each; 0/0 means unknown. */
function lensRange(raw: Raw): PhotoTags['lensRange'] {
  const told = raw.LensInfo ?? raw.LensSpecification;
  if (!Array.isArray(told) && !ArrayBuffer.isView(told)) return undefined;
  const [focalWideMm, focalTeleMm, fNumberWide, fNumberTele] = Array.from(told as ArrayLike<unknown>, (each) =>
    typeof each === 'number' && Number.isFinite(each) && each > 0 ? each : undefined,
  );
  return { focalWideMm, focalTeleMm, fNumberWide, fNumberTele };
}

/** Distance the lens was focused on, m; 0 is not known, and all bits set is infinity: neither is a distance. */
function subjectDistance(raw: Raw): number | undefined {
  const metres = number(raw, 'SubjectDistance');
  return metres !== undefined && metres > 0 && metres < MOST_DISTANCE_M ? metres : undefined;
}

type Kind = 'jpeg' | 'png' | 'tiff' | 'heic';

/** What a file is by its first bytes; its name may say anything. */
export function pictureKind(head: Uint8Array): Kind | null {
  const ascii = (from: number, to: number) => String.fromCharCode(...head.subarray(from, to));
  if (head[0] === 0xff && head[1] === 0xd8) return 'jpeg';
  if (head[0] === 0x89 && ascii(1, 4) === 'PNG') return 'png';
  if (ascii(0, 4) === 'II*\0' || ascii(0, 4) === 'MM\0*') return 'tiff';
  if (ascii(4, 8) === 'ftyp' && /heic|heix|hevc|mif1|msf1|heim|heis/.test(ascii(8, 32))) return 'heic';
  return null;
}

/** Columns and rows of a JPEG from its start-of-frame segment. */
export function jpegSize(bytes: Uint8Array): { columns: number; rows: number } | null {
  let at = 2;
  while (at + 9 < bytes.length) {
    if (bytes[at] !== 0xff) return null;
    const marker = bytes[at + 1]!;
    const length = (bytes[at + 2]! << 8) | bytes[at + 3]!;
    const startOfFrame = marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
    if (startOfFrame)
      return { rows: (bytes[at + 5]! << 8) | bytes[at + 6]!, columns: (bytes[at + 7]! << 8) | bytes[at + 8]! };
    if (length < 2) return null;
    at += 2 + length;
  }
  return null;
}

/**
 * Reads what a picture's EXIF tells of camera and lens. The picture stays on this device: only its first bytes are read,
 * and nothing of it is sent anywhere.
 */
export async function readPhoto(file: Blob, headBytes = HEAD_BYTES): Promise<PhotoReading> {
  let bytes: Uint8Array;
  try {
    bytes = new Uint8Array(await file.slice(0, headBytes).arrayBuffer());
  } catch {
    return { ok: false, message: GONE };
  }
  const kind = pictureKind(bytes);
  if (!kind)
    return {
      ok: false,
      message:
        'This is not a JPEG, PNG, HEIC or TIFF picture, whatever its name says. Choose a picture as it left the camera.',
    };
  let raw: Raw | undefined;
  try {
    raw = (await parse(bytes, {
      tiff: true,
      exif: true,
      gps: false,
      xmp: false,
      iptc: false,
      icc: false,
      jfif: false,
      ihdr: false,
      translateValues: false,
      reviveValues: false,
    })) as Raw | undefined;
  } catch {
    return {
      ok: false,
      message: 'The picture is damaged: its EXIF cannot be read. Try another picture of the same camera.',
    };
  }
  const size = kind === 'jpeg' ? jpegSize(bytes) : null;
  if (!raw)
    return {
      ok: false,
      message:
        'This picture carries no EXIF; it was probably taken out when it was edited or sent. Choose a picture as it left the camera.',
    };
  return {
    ok: true,
    tags: {
      maker: text(raw, 'Make'),
      model: text(raw, 'Model'),
      lensModel: text(raw, 'LensModel'),
      lensRange: lensRange(raw),
      exifColumns: number(raw, 'ExifImageWidth', ...(kind === 'jpeg' ? [] : ['ImageWidth'])),
      exifRows: number(raw, 'ExifImageHeight', ...(kind === 'jpeg' ? [] : ['ImageHeight'])),
      fileColumns: size?.columns,
      fileRows: size?.rows,
      focalLengthMm: number(raw, 'FocalLength'),
      exposureS: number(raw, 'ExposureTime'),
      iso: number(raw, 'ISO', 'ISOSpeedRatings', 'PhotographicSensitivity'),
      takenAt: takenAt(raw),
      focalLength35Mm: number(raw, 'FocalLengthIn35mmFormat'),
      focalPlaneXResolution: number(raw, 'FocalPlaneXResolution'),
      focalPlaneYResolution: number(raw, 'FocalPlaneYResolution'),
      focalPlaneUnit: number(raw, 'FocalPlaneResolutionUnit'),
      fNumber: number(raw, 'FNumber'),
      subjectDistanceM: subjectDistance(raw),
      digitalZoomRatio: number(raw, 'DigitalZoomRatio'),
    },
  };
}
