import { fail, ok, type Result } from '../../quantity/result';
import { GONE, isGone } from '../goneFile';
import type { Decoded } from './decoded';
import { fitsPicture } from './fitsPicture';
import { kindOfPicture, type PictureKind } from './kindOfPicture';
import { pngPicture } from './pngPicture';
import { pngRows } from './pngRows';
import { pixelsOfPng } from './pngStream';
import { serFrameOf, serHeader, SER_HEADER_BYTES, sharpestFrame } from './serPicture';
import { tiffPicture } from './tiffPicture';

/** Larger pictures are refused: they would not fit into the memory of a phone. */
export const MOST_PIXELS = 100_000_000;

/** How JPEG is decoded: by the browser, or by a package on the command line. */
export type JpegDecoder = (file: Blob) => Promise<Decoded>;

export interface PictureRead {
  decoded: Decoded;
  kind: PictureKind;
  /** Which frame of a film, counted from 0. */
  frame?: number;
}

export interface ReadWays {
  jpeg: JpegDecoder;
  /** Camera raw, packed or of a maker's own kind; the command line has none. Throws ReaderMissing where it cannot be had. */
  raw?: (file: Blob) => Promise<Decoded>;
  /** A frame of a film, counted from 0; the sharpest where nothing is said. */
  frame?: number | undefined;
  onProgress?: (share: number) => void;
  /** Gives the file's memory back as soon as it is decoded. */
  letGo?: (buffer: ArrayBufferLike) => void;
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
const gone = fail('picture.gone', GONE, 'picture');
const tooLarge = fail(
  'picture.large',
  'The picture has more than 100 million pixels. Cut out the part that matters and bring that.',
  'picture',
);

/** Thrown where what reads a kind of picture is not there: nothing is known of the file itself. */
export class ReaderMissing extends Error {}

const readerMissing = fail(
  'picture.reader',
  'The picture could not be read: the part of Jauge that reads camera raw did not arrive. Start the server again, then choose the picture again.',
  'picture',
);

async function bytesOf(file: Blob): Promise<Uint8Array> {
  return new Uint8Array(await file.arrayBuffer());
}

/** One frame of a film, which is read frame by frame: a film is larger than the memory of a phone. */
async function frameOf(film: Blob, ways: ReadWays): Promise<{ decoded: Decoded; frame: number } | null> {
  const header = serHeader(await bytesOf(film.slice(0, SER_HEADER_BYTES)));
  if (!header) return null;
  const frame = ways.frame ?? (await sharpestFrame(film, header, ways.onProgress));
  const decoded = await serFrameOf(film, header, frame);
  return decoded && { decoded, frame };
}

/** Formats whose file is read whole; its memory is given back where the picture is not the file's own numbers. */
async function ofWhole(
  file: Blob,
  decode: (bytes: Uint8Array) => Decoded | null,
  letGo: ReadWays['letGo'],
): Promise<Decoded | null> {
  const bytes = await bytesOf(file);
  const decoded = decode(bytes);
  if (decoded?.codes.buffer !== bytes.buffer) letGo?.(bytes.buffer);
  return decoded;
}

async function decodedOf(kind: PictureKind, file: Blob, ways: ReadWays): Promise<Decoded | null> {
  if (kind === 'jpeg') return ways.jpeg(file);
  if (kind === 'png') return (await pngRows(file.stream())) ?? ofWhole(file, pngPicture, ways.letGo);
  if (kind === 'fits') return fitsPicture(file);
  const tiff = kind === 'tiff' ? await ofWhole(file, tiffPicture, ways.letGo) : null;
  return tiff ?? (ways.raw ? ways.raw(file) : null);
}

/** So much tells what a file is, bytes. */
const FIRST_BYTES = 64;

/** Reads a picture file by what it is, whatever its name says. The picture stays where it is. */
export async function readPicture(file: Blob, ways: ReadWays): Promise<Result<PictureRead>> {
  let kind: PictureKind = 'unknown';
  try {
    const first = await bytesOf(file.slice(0, FIRST_BYTES));
    kind = kindOfPicture(first);
    if (kind === 'heic') return heic;
    // Before there is room made for it.
    if (kind === 'png' && pixelsOfPng(first) > MOST_PIXELS) return tooLarge;
    if (kind === 'unknown' && !ways.raw) return unknown;
    const frame = kind === 'ser' ? await frameOf(file, ways) : null;
    const decoded = kind === 'ser' ? frame?.decoded : await decodedOf(kind, file, ways);
    if (!decoded)
      return kind === 'unknown' ? unknown : damaged('not all of it is there, or it is of a kind that is not read');
    if (decoded.width * decoded.height > MOST_PIXELS) return tooLarge;
    return ok({ kind, decoded, ...(frame && { frame: frame.frame }) });
  } catch (error) {
    if (error instanceof ReaderMissing) return readerMissing;
    if (isGone(error)) return gone;
    if (kind === 'unknown') return unknown;
    return damaged((error as Error).message || 'it cannot be decoded');
  }
}
