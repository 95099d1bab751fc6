import type { ByteSource } from './byteSource';
import type { Decoded } from './decoded';
import type { PageAsked } from './vipsPicture';

/** A page of a raw file in TIFF's form that holds the sensor's own numbers, and what its tags say of them. */
export interface MosaicPage extends PageAsked, Required<Pick<Decoded, 'black' | 'mosaic'>> {
  white: number | undefined;
  /** Neither packed nor compressed: what reads TIFF reads it. */
  plain: boolean;
}

/** Source: TIFF 6.0, section 8; TIFF/EP, ISO 12234-2; DNG 1.6, chapter 4. */
const TAG = {
  bits: 258,
  compression: 259,
  photometric: 262,
  below: 330,
  pattern: 33_422,
  black: 50_714,
  white: 50_717,
} as const;
const MOSAIC = 32_803;
const WANTED = new Set<number>(Object.values(TAG));

/** Bytes of a number of each type: of one, two, four bytes, of a fraction. */
const BYTES: Record<number, number> = { 1: 1, 3: 2, 4: 4, 5: 8, 13: 4 };
/** No directory has more tags, no tag of these more numbers, and no file more pages, that is worth following. */
const [MOST_TAGS, MOST_NUMBERS, MOST_DIRECTORIES] = [512, 64, 64];

interface Directory {
  numbers: Map<number, number[]>;
  next: number;
}

function numbersAt(view: DataView, type: number, count: number, low: boolean): number[] {
  return Array.from({ length: count }, (_, i) => {
    const at = i * BYTES[type]!;
    if (type === 1) return view.getUint8(at);
    if (type === 3) return view.getUint16(at, low);
    return type === 5 ? view.getUint32(at, low) / view.getUint32(at + 4, low) : view.getUint32(at, low);
  });
}

/** One directory of a file; nothing where there is none at that place. */
function directoryAt(bytes: ByteSource, at: number, low: boolean): Directory | null {
  const head = bytes.read(at, at + 2);
  if (at < 8 || head.length < 2) return null;
  const count = new DataView(head.buffer).getUint16(0, low);
  const body = bytes.read(at + 2, at + 2 + 12 * count + 4);
  if (count > MOST_TAGS || body.length < 12 * count + 4) return null;
  const view = new DataView(body.buffer);
  const numbers = new Map<number, number[]>();
  for (let i = 0; i < count; i++) {
    const [tag, type] = [view.getUint16(12 * i, low), view.getUint16(12 * i + 2, low)];
    const many = Math.min(MOST_NUMBERS, view.getUint32(12 * i + 4, low));
    if (!WANTED.has(tag) || !(type in BYTES)) continue;
    const length = many * BYTES[type]!;
    const from = length <= 4 ? at + 2 + 12 * i + 8 : view.getUint32(12 * i + 8, low);
    const stored = bytes.read(from, from + length);
    if (stored.length === length) numbers.set(tag, numbersAt(new DataView(stored.buffer), type, many, low));
  }
  return { numbers, next: view.getUint32(12 * count, low) };
}

function mosaicOf({ numbers }: Directory, where: PageAsked): MosaicPage | null {
  if (numbers.get(TAG.photometric)?.[0] !== MOSAIC) return null;
  const bits = numbers.get(TAG.bits)?.[0];
  return {
    ...where,
    black: numbers.get(TAG.black)?.[0] ?? 0,
    white: numbers.get(TAG.white)?.[0],
    mosaic: (numbers.get(TAG.pattern) ?? [0, 1, 1, 2]).slice(0, 4) as [number, number, number, number],
    plain: (numbers.get(TAG.compression)?.[0] ?? 1) === 1 && (bits === 8 || bits === 16),
  };
}

/**
 * Looks through a TIFF's directories for a sensor's own picture, those below the first pages too. Each place is looked at once, for
 * a directory may point at itself.
 *
 * @returns nothing where all pages are ordinary ones
 */
export function mosaicPage(bytes: ByteSource): MosaicPage | null {
  const head = bytes.read(0, 8);
  if (head.length < 8) return null;
  const view = new DataView(head.buffer);
  const low = head[0] === 0x49;
  if (view.getUint16(2, low) !== 42) return null;
  const seen = new Set<number>();
  let at = view.getUint32(4, low);
  for (let page = 0; at !== 0 && !seen.has(at) && seen.size < MOST_DIRECTORIES; page++) {
    seen.add(at);
    const directory = directoryAt(bytes, at, low);
    if (!directory) return null;
    const here = mosaicOf(directory, { page });
    if (here) return here;
    for (const [below, place] of (directory.numbers.get(TAG.below) ?? []).entries()) {
      if (seen.has(place) || seen.size >= MOST_DIRECTORIES) continue;
      seen.add(place);
      const hanging = directoryAt(bytes, place, low);
      const found = hanging && mosaicOf(hanging, { page, below });
      if (found) return found;
    }
    at = directory.next;
  }
  return null;
}
