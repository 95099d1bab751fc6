import { fail, ok, type Result } from '../../quantity/result';
import type { Decoded } from './decoded';
import { fitsPicture } from './fitsPicture';
import { kindOfPicture, type PictureKind } from './kindOfPicture';
import { pngPicture } from './pngPicture';
import { pngRows } from './pngRows';
import { serFrame, serHeader, sharpestFrame } from './serPicture';
import { tiffPicture } from './tiffPicture';

/** Larger pictures are refused: they would not fit into the memory of a phone. */
export const MOST_PIXELS = 100_000_000;

/** How JPEG is decoded: by the browser, or by a package on the command line. */
export type JpegDecoder = (bytes: Uint8Array) => Promise<Decoded>;

export interface PictureRead {
  decoded: Decoded;
  kind: PictureKind;
  /** Which frame of a film, counted from 0. */
  frame?: number;
}

export interface ReadWays {
  jpeg: JpegDecoder;
  /** Camera raw, packed or of a maker's own kind; the command line has none. */
  raw?: (bytes: Uint8Array) => Promise<Decoded>;
  /** A frame of a film, counted from 0; the sharpest where nothing is said. */
  frame?: number | undefined;
  onProgress?: (share: number) => void;
}

const unknown = fail(
  'picture.unknown',
  'This is no picture that can be read. JPEG, PNG, TIFF, FITS, SER and DNG can, camera raw on the Bench in the browser; save or export it as one of these.',
  'picture',
);
const heic = fail(
  'picture.heic',
  'HEIC pictures cannot be decoded here. Let the phone save as “most compatible”, or export this one as JPEG.',
  'picture',
);
const damaged = (detail: string) =>
  fail('picture.damaged', `The picture is damaged or cut short (${detail}). Copy it from the card again.`, 'picture');
const tooLarge = fail(
  'picture.large',
  'The picture has more than 100 million pixels. Cut out the part that matters and bring that.',
  'picture',
);

async function decodedOf(
  kind: PictureKind,
  bytes: Uint8Array,
  ways: ReadWays,
): Promise<{ decoded: Decoded; frame?: number } | null> {
  if (kind === 'jpeg') return { decoded: await ways.jpeg(bytes) };
  if (kind === 'png') return { decoded: (await pngRows(bytes)) ?? pngPicture(bytes) };
  if (kind === 'fits') return wrapped(fitsPicture(bytes));
  if (kind === 'tiff') return wrapped(tiffPicture(bytes)) ?? (ways.raw ? { decoded: await ways.raw(bytes) } : null);
  if (kind === 'ser') {
    const header = serHeader(bytes);
    if (!header) return null;
    const frame = ways.frame ?? sharpestFrame(bytes, header, ways.onProgress);
    const decoded = serFrame(bytes, header, frame);
    return decoded && { decoded, frame };
  }
  return ways.raw ? { decoded: await ways.raw(bytes) } : null;
}

const wrapped = (decoded: Decoded | null) => decoded && { decoded };

/** Reads a picture file by what it is, whatever its name says. The picture stays where it is. */
export async function readPicture(bytes: Uint8Array, ways: ReadWays): Promise<Result<PictureRead>> {
  const kind = kindOfPicture(bytes);
  if (kind === 'heic') return heic;
  if (kind === 'unknown' && !ways.raw) return unknown;
  try {
    const read = await decodedOf(kind, bytes, ways);
    if (!read)
      return kind === 'unknown' ? unknown : damaged('not all of it is there, or it is of a kind that is not read');
    if (read.decoded.width * read.decoded.height > MOST_PIXELS) return tooLarge;
    return ok({ kind, ...read });
  } catch (error) {
    if (kind === 'unknown') return unknown;
    return damaged((error as Error).message || 'it cannot be decoded');
  }
}
