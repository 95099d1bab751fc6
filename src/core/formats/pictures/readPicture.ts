import { fail, ok, type Problem, type Result } from '../../quantity/result';
import { GONE, isGone } from '../goneFile';
import type { ByteSource } from './byteSource';
import type { Decoded } from './decoded';
import { fitsPicture } from './fits/fitsPicture';
import { kindOfPicture, nameOfUnread, type PictureKind } from './kindOfPicture';
import { mosaicPage } from './mosaicPage';
import { serFrameOf, serHeader, SER_HEADER_BYTES, sharpestFrame } from './serPicture';
import { pagesOf, vipsPicture, type VipsLibrary } from './vipsPicture';

/** Larger pictures are refused: they would not fit into the memory of a phone. */
export const MOST_PIXELS = 100_000_000;

export interface PictureRead {
  decoded: Decoded;
  kind: PictureKind;
  /** Which frame of a film or page of a file, counted from 0, and of how many; nothing where there is but one. */
  frame?: number;
  frames?: number;
}

export interface ReadWays {
  /** The library that decodes common formats, loaded when it is needed; with what decodes AVIF only where that is. */
  vips: (avif: boolean) => Promise<VipsLibrary>;
  /** What the browser decodes itself: some know HEIC. The command line has none. */
  browser?: (() => Promise<Decoded>) | undefined;
  /** Camera raw, packed or of a maker's own kind; the command line has none. Throws ReaderMissing where it cannot be had. */
  raw?: (() => Promise<Decoded>) | undefined;
  /** Which frame of a film or page of a file, counted from 0; the sharpest or largest where nothing is said. */
  frame?: number | undefined;
  /** Is told how many pixels there are to be read, as soon as that is known. */
  onPixels?: ((pixels: number) => void) | undefined;
  onProgress?: ((share: number) => void) | undefined;
}

const READ = 'JPEG, PNG, TIFF, WebP, GIF, AVIF, FITS, SER and DNG can be read, camera raw on the Bench in the browser';
const unknown = fail(
  'picture.unknown',
  `This is no picture that can be read. ${READ}; save or export it as one of these.`,
  'picture',
);
const notRead = (name: string) =>
  fail('picture.unread', `This is ${name}, which is not read. ${READ}; save or export it as one of these.`, 'picture');
const damaged = (detail: string) =>
  fail('picture.damaged', `The picture is damaged or cut short (${detail}). Copy it from the card again.`, 'picture');
const heic = fail(
  'picture.heic',
  'HEIC pictures cannot be decoded here. Let the phone save as “most compatible”, or export this one as JPEG.',
  'picture',
);
const gone = fail('picture.gone', GONE, 'picture');
const noSuchFrame = (frames: number) =>
  fail(
    'picture.frame',
    frames === 1 ? 'This file holds one picture: ask for frame 0.' : `This file holds frames 0 to ${frames - 1} only.`,
    'frame',
  );

/** Thrown where what reads a kind of picture is not there: nothing is known of the file itself. */
export class ReaderMissing extends Error {}

/** Thrown where a file is refused for what it is, in words for the person. */
class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}
const refuse = (refusal: Result<never>): never => {
  throw new Refused((refusal as { problem: Problem }).problem);
};

const tooLarge = (width: number, height: number) =>
  fail(
    'picture.large',
    `The picture is ${width.toLocaleString('en')} × ${height.toLocaleString('en')} px: it has more than 100 million pixels. Cut out the part that matters and bring that.`,
    'picture',
  );

const readerMissing = (error: ReaderMissing) =>
  fail(
    'picture.reader',
    `The picture could not be read: ${error.message}. Start the server again, then choose the picture again.`,
    'picture',
  );

/** Refuses a picture by its size, before there is room made for it; else tells how much there is to read. */
const sizeGate =
  (onPixels: ReadWays['onPixels'], times = 1) =>
  (width: number, height: number): void => {
    if (width * height > MOST_PIXELS) refuse(tooLarge(width, height));
    onPixels?.(times * width * height);
  };

/** One frame of a film, which is read frame by frame: a film is larger than the memory of a phone. */
function frameOfFilm(bytes: ByteSource, ways: ReadWays): Omit<PictureRead, 'kind'> | null {
  const header = serHeader(bytes.read(0, SER_HEADER_BYTES));
  if (!header) return null;
  sizeGate(ways.onPixels, ways.frame === undefined ? header.frames : 1)(header.width, header.height);
  if (ways.frame !== undefined && !(ways.frame < header.frames)) refuse(noSuchFrame(header.frames));
  const frame = ways.frame ?? sharpestFrame(bytes, header, ways.onProgress);
  const decoded = serFrameOf(bytes, header, frame);
  return decoded && { decoded, frame, frames: header.frames };
}

/** A sensor's own picture in TIFF's form, by the library where it is neither packed nor compressed. */
async function sensorPicture(bytes: ByteSource, ways: ReadWays): Promise<Decoded | null> {
  const page = mosaicPage(bytes);
  if (!page) return null;
  if (!page.plain) return ways.raw ? ways.raw() : refuse(packedRaw);
  const { onProgress, onPixels } = ways;
  const read = vipsPicture(await ways.vips(false), bytes, { ...page, onSize: sizeGate(onPixels), onProgress });
  const { black, mosaic, white = read.white } = page;
  return { ...read, black, white, mosaic, tone: 'linear' };
}

const packedRaw = fail(
  'picture.packed',
  'This is camera raw whose numbers are packed. The Bench in the browser reads it; here, export it as TIFF of 16 bits.',
  'picture',
);

async function libraryPicture(kind: PictureKind, bytes: ByteSource, ways: ReadWays) {
  const vips = await ways.vips(kind === 'avif');
  const { count, largest } = pagesOf(vips, bytes, kind !== 'tiff');
  if (ways.frame !== undefined && !(ways.frame < count)) refuse(noSuchFrame(count));
  const page = ways.frame ?? largest;
  const decoded = vipsPicture(vips, bytes, { page, onSize: sizeGate(ways.onPixels), onProgress: ways.onProgress });
  return { decoded, ...(count > 1 && { frame: page, frames: count }) };
}

async function heicPicture({ browser }: ReadWays): Promise<Decoded> {
  if (!browser) return refuse(heic);
  try {
    return await browser();
  } catch (error) {
    if (isGone(error)) throw error;
    return refuse(heic);
  }
}

async function ofKind(kind: PictureKind, bytes: ByteSource, ways: ReadWays): Promise<Omit<PictureRead, 'kind'> | null> {
  if (kind === 'ser') return frameOfFilm(bytes, ways);
  if (kind === 'fits')
    return fitsPicture(bytes, {
      frame: ways.frame,
      onSize: sizeGate(ways.onPixels),
      onNoSuch: (count) => refuse(noSuchFrame(count)),
    });
  if (kind === 'heic') return { decoded: await heicPicture(ways) };
  if (kind === 'unknown') return ways.raw ? { decoded: await ways.raw() } : null;
  const sensor = kind === 'tiff' ? await sensorPicture(bytes, ways) : null;
  return sensor ? { decoded: sensor } : libraryPicture(kind, bytes, ways);
}

/** So much tells what a file is, bytes. */
const FIRST_BYTES = 64;

/** What the library says, in one line and without its own names. */
const libraryWords = (message: string): string =>
  message
    .replace(/^vips::Error,?/, '')
    .replace(/unable to (load from|write to) (source|buffer|memory)[^\n]*/gi, '')
    .replace(/\b\w+_source:|\bVips\w*:|\b\w+2vips:|\bsource is not in a known format/g, '')
    .split('\n')
    .map((each) => each.trim())
    .filter(Boolean)[0] ?? '';

/** Reads a picture file by what it is, whatever its name says. The picture stays where it is. */
export async function readPicture(bytes: ByteSource, ways: ReadWays): Promise<Result<PictureRead>> {
  let kind: PictureKind = 'unknown';
  let first = new Uint8Array(0);
  try {
    first = bytes.read(0, FIRST_BYTES);
    kind = kindOfPicture(first);
    const name = kind === 'unknown' ? nameOfUnread(first) : null;
    if (name) return notRead(name);
    const read = await ofKind(kind, bytes, ways);
    if (!read) return kind === 'unknown' ? unknown : damaged('not all of it is there');
    const { width, height } = read.decoded;
    if (width * height > MOST_PIXELS) return tooLarge(width, height);
    return ok({ kind, ...read });
  } catch (error) {
    return refusalOf(error, kind);
  }
}

function refusalOf(error: unknown, kind: PictureKind): Result<never> {
  if (error instanceof Refused) return { ok: false, problem: error.problem };
  if (error instanceof ReaderMissing) return readerMissing(error);
  if (isGone(error)) return gone;
  if (kind === 'unknown') return unknown;
  // The library's own errors carry their kind beside their words.
  const message = String((error as { message?: unknown } | null)?.message ?? '');
  const words = libraryWords(message);
  if (/not supported|unsupported|not implemented|compression support|bits per sample/i.test(message))
    return fail(
      'picture.variant',
      `This ${kind.toUpperCase()} is of a variety that is not read${words ? ` (${words})` : ''}. Export it as PNG or TIFF of 8 or 16 bits.`,
      'picture',
    );
  return damaged(words || 'it cannot be decoded');
}
