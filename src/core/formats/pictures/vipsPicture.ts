import type Vips from 'wasm-vips';
import type { ByteSource } from './byteSource';
import type { Decoded } from './decoded';

export type VipsLibrary = typeof Vips;
type VipsImage = Vips.Image;

/** Which picture of a file: a page counted from 0, and one that hangs below it where there are such. */
export interface PageAsked {
  page: number;
  below?: number | undefined;
}

export interface VipsWays extends PageAsked {
  /** Is told the size as soon as the header is read, before any room is made; throws to refuse it. */
  onSize: (width: number, height: number) => void;
  onProgress?: ((share: number) => void) | undefined;
}

/** Rows are taken in pieces of about so many bytes: the whole would stand in memory twice. */
const PIECE_BYTES = 8 << 20;
/** More than this inside the library is no picture but a trap, bytes. */
export const MOST_LIBRARY_BYTES = 600 << 20;

/** So much of a file is read at once. */
const AHEAD_BYTES = 1 << 20;

/** A file's bytes as the library asks for them, wherever it wants to read. */
function sourceOf(vips: VipsLibrary, bytes: ByteSource): Vips.SourceCustom {
  const source = new vips.SourceCustom();
  let at = 0;
  // It asks for a few kilobytes at a time; a browser takes as long for those as for a megabyte.
  let [ahead, aheadAt] = [new Uint8Array(0), 0];
  source.onRead = (length) => {
    if (vips.Stats.mem() > MOST_LIBRARY_BYTES) return undefined;
    if (at < aheadAt || at >= aheadAt + ahead.length) [ahead, aheadAt] = [bytes.read(at, at + AHEAD_BYTES), at];
    const piece = ahead.subarray(at - aheadAt, at - aheadAt + length);
    at += piece.length;
    return piece;
  };
  source.onSeek = (offset, whence) => {
    at = whence === 0 ? Number(offset) : Number(offset) + (whence === 1 ? at : bytes.size);
    return at;
  };
  return source;
}

/** Opens one page: its header alone is read. */
function opened(vips: VipsLibrary, bytes: ByteSource, { page, below }: PageAsked): VipsImage {
  const options = { access: 'sequential', fail_on: 'error' } as const;
  const one = below === undefined ? { ...(page > 0 && { page }) } : { page, subifd: below };
  return vips.Image.newFromSource(sourceOf(vips, bytes), '', { ...options, ...one });
}

const said = (image: VipsImage, name: string): number | undefined =>
  image.getTypeof(name) === 0 ? undefined : image.getInt(name);

/** How many pages are looked at for the largest, and counted at most. */
const MOST_PAGES = 64;

export interface Pages {
  count: number;
  /** The one with the most pixels, the first of these. */
  largest: number;
}

/** How many pictures a file holds, and which is the largest: of an animation all are alike. */
export function pagesOf(vips: VipsLibrary, bytes: ByteSource, ofOneSize: boolean): Pages {
  const first = opened(vips, bytes, { page: 0 });
  const count = said(first, 'n-pages') ?? 1;
  let [largest, most] = [0, first.width * first.height];
  first.delete();
  for (let page = 1; page < Math.min(count, ofOneSize ? 1 : MOST_PAGES); page++) {
    const image = opened(vips, bytes, { page });
    if (image.width * image.height > most) [largest, most] = [page, image.width * image.height];
    image.delete();
  }
  return { count, largest };
}

const PLAIN = new Set<unknown>(['b-w', 'grey16', 'srgb', 'rgb16', 'rgb', 'multiband', 'cmyk', 'scrgb']);

/** Colours that are not light of three colours are made so: Lab, XYZ and their like. */
function inPlainColours(image: VipsImage): VipsImage {
  if (PLAIN.has(image.interpretation)) return image;
  if (image.bands < 3) return image;
  return image.colourspace(image.format === 'ushort' ? 'rgb16' : 'srgb');
}

type Codes = Uint8Array | Uint16Array | Float32Array;

const roomOf = (format: unknown, count: number): Codes =>
  format === 'uchar' ? new Uint8Array(count) : format === 'ushort' ? new Uint16Array(count) : new Float32Array(count);

/** Ink of four colours as light of three, each ink taking its share. Source: PostScript Language Reference, 7.2.4. */
function withoutInk(piece: Codes, into: Codes, at: number, bands: number, white: number): void {
  for (let from = 0, to = at; from < piece.length; from += bands)
    for (let colour = 0; colour < 3; colour++)
      into[to++] = Math.round(((white - piece[from + colour]!) * (white - piece[from + 3]!)) / white);
}

/** Of green half, of red and blue a quarter: three numbers with a point a pixel would not fit on a phone. */
function meanOfColours(piece: Codes, into: Codes, at: number, bands: number): void {
  for (let from = 0, to = at; from < piece.length; from += bands)
    into[to++] = 0.25 * piece[from]! + 0.5 * piece[from + 1]! + 0.25 * piece[from + 2]!;
}

function firstOf(piece: Codes, into: Codes, at: number, bands: number, kept: number): void {
  for (let from = 0, to = at; from < piece.length; from += bands)
    for (let band = 0; band < kept; band++) into[to++] = piece[from + band]!;
}

/** What becomes of a piece of rows: how many samples a pixel stay, and what puts them there. */
function takerOf(image: VipsImage): { channels: 1 | 2 | 3 | 4; take: (piece: Codes, into: Codes, at: number) => void } {
  const { bands, interpretation, format } = image;
  const white = format === 'ushort' ? 65_535 : 255;
  if (interpretation === 'cmyk' && bands >= 4)
    return { channels: 3, take: (piece, into, at) => withoutInk(piece, into, at, bands, white) };
  if (!['uchar', 'ushort'].includes(String(format)) && bands >= 3)
    return { channels: 1, take: (piece, into, at) => meanOfColours(piece, into, at, bands) };
  if (bands <= 4) return { channels: bands as 1 | 2 | 3 | 4, take: (piece, into, at) => into.set(piece, at) };
  // Further samples are masks or colours nobody named: of several unnamed ones the first.
  const kept = interpretation === 'multiband' ? 1 : 3;
  return { channels: kept, take: (piece, into, at) => firstOf(piece, into, at, bands, kept) };
}

/** Rows as they come, in pieces of any length, handed on in whole rows. */
class RowGatherer {
  private readonly room: Uint8Array<ArrayBuffer>;
  private filled = 0;
  private top = 0;

  constructor(
    private readonly rowBytes: number,
    height: number,
    private readonly handOn: (rows: Uint8Array<ArrayBuffer>, top: number) => void,
  ) {
    this.room = new Uint8Array(rowBytes * Math.max(1, Math.min(height, Math.floor(PIECE_BYTES / rowBytes))));
  }

  add(bytes: Uint8Array): void {
    for (let at = 0; at < bytes.length;) {
      const taken = Math.min(this.room.length - this.filled, bytes.length - at);
      this.room.set(bytes.subarray(at, at + taken), this.filled);
      this.filled += taken;
      at += taken;
      if (this.filled === this.room.length) this.empty();
    }
  }

  /** Hands on what is there; tells how many rows have come in all. */
  empty(): number {
    const rows = Math.floor(this.filled / this.rowBytes);
    if (rows > 0) this.handOn(this.room.subarray(0, rows * this.rowBytes), this.top);
    this.top += rows;
    this.filled = 0;
    return this.top;
  }
}

function codesOf(
  vips: VipsLibrary,
  image: VipsImage,
  onProgress: VipsWays['onProgress'],
): Pick<Decoded, 'channels' | 'codes'> {
  const { width, height, bands } = image;
  const { channels, take } = takerOf(image);
  const codes = roomOf(image.format, width * height * channels);
  const Kind = codes.constructor as new (buffer: ArrayBuffer, at: number, count: number) => Codes;
  const rows = new RowGatherer(width * bands * codes.BYTES_PER_ELEMENT, height, (bytes, top) => {
    take(new Kind(bytes.buffer, 0, bytes.length / codes.BYTES_PER_ELEMENT), codes, top * width * channels);
    onProgress?.(top / height);
  });
  const target = new vips.TargetCustom();
  target.onWrite = (data) => {
    const bytes = data as Uint8Array;
    rows.add(bytes);
    return bytes.length;
  };
  image.rawsaveTarget(target);
  if (rows.empty() < height) throw new Error('it ends in the middle of its data');
  return { channels, codes };
}

/** White of numbers with a point: 1, or the largest where they go beyond; numbers that are none count as no light. */
function whiteOfFloats(codes: Float32Array): number {
  let most = 0;
  for (let i = 0; i < codes.length; i++) {
    const code = codes[i]!;
    if (!Number.isFinite(code)) codes[i] = 0;
    else if (code > most) most = code;
  }
  return most > 1 ? most : 1;
}

/**
 * Reads one page of a picture file: JPEG, PNG, TIFF, WebP, GIF, HEIF. 16 bits stay 16 bits, numbers with a point stay such; ink and
 * Lab become colours; transparency is left out of account by what follows. The file is read piece by piece.
 *
 * @throws Error with the library's words where it is damaged, cut short or of a kind the library does not know
 */
export function vipsPicture(vips: VipsLibrary, bytes: ByteSource, ways: VipsWays): Decoded {
  const stored = opened(vips, bytes, ways);
  ways.onSize(stored.width, stored.height);
  const orientation = said(stored, 'orientation');
  const depth = said(stored, 'bits-per-sample');
  const plain = inPlainColours(stored);
  const whole = ['uchar', 'ushort'].includes(String(plain.format));
  if (/complex/.test(String(plain.format))) throw new Error('its numbers are complex');
  const image = whole || plain.format === 'float' ? plain : plain.cast('float');
  const { width, height } = image;
  const { channels, codes } = codesOf(vips, image, ways.onProgress);
  const white = codes instanceof Float32Array ? whiteOfFloats(codes) : codes instanceof Uint16Array ? 65_535 : 255;
  const bits = codes instanceof Float32Array ? 32 : codes instanceof Uint16Array ? 16 : 8;
  const linear = codes instanceof Float32Array;
  return {
    width,
    height,
    channels,
    codes,
    black: 0,
    white,
    tone: linear ? 'linear' : 'srgb',
    bits: whole && depth !== undefined && depth > 8 && depth < bits ? depth : bits,
    orientation,
  };
}
