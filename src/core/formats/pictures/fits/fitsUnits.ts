import type { ByteSource } from '../byteSource';

const BLOCK = 2880;
const CARD = 80;

export type Cards = ReadonlyMap<string, string>;

/** One header with what follows it, of which a file has one or several. */
export interface FitsUnit {
  cards: Cards;
  /** Where its data begin, and how long they are, bytes. */
  dataAt: number;
  dataBytes: number;
}

/** The cards of a header, and where its data begin in what was given. Source: FITS standard 4.0, sections 3 and 4. */
export function fitsHeader(bytes: Uint8Array): { cards: Map<string, string>; dataAt: number } | null {
  const cards = new Map<string, string>();
  for (let at = 0; at + CARD <= bytes.length; at += CARD) {
    const card = String.fromCharCode(...bytes.subarray(at, at + CARD));
    const name = card.slice(0, 8).trim();
    if (name === 'END') return { cards, dataAt: Math.ceil((at + CARD) / BLOCK) * BLOCK };
    if (card[8] !== '=') continue;
    const value = card.slice(10);
    const quoted = /^\s*'((?:[^']|'')*)'/.exec(value);
    cards.set(name, quoted ? quoted[1]!.replaceAll("''", "'").trim() : value.split('/')[0]!.trim());
  }
  return null;
}

/** The number a card gives; what is said otherwise where there is none. */
export function numberOf(cards: Cards, name: string, otherwise: number): number {
  const value = Number(cards.get(name)?.replace('D', 'E'));
  return cards.has(name) && Number.isFinite(value) ? value : otherwise;
}

/** Source: FITS standard 4.0, equation 2. */
function dataBytesOf(cards: Cards): number {
  const axes = numberOf(cards, 'NAXIS', 0);
  if (!(axes > 0) || axes > 999) return 0;
  let count = 1;
  for (let i = 1; i <= axes; i++) count *= Math.max(0, numberOf(cards, `NAXIS${i}`, 0));
  const each = Math.abs(numberOf(cards, 'BITPIX', 8)) / 8;
  return each * numberOf(cards, 'GCOUNT', 1) * (numberOf(cards, 'PCOUNT', 0) + count);
}

/** A header is looked for so far on, bytes; it is read in steps, for most are short. */
const [HEADER_STEP, LONGEST_HEADER] = [4 * BLOCK, 400 * BLOCK];
const MOST_UNITS = 200;

function headerAt(bytes: ByteSource, at: number): { cards: Map<string, string>; dataAt: number } | null {
  for (let length = HEADER_STEP; ; length *= 4) {
    const header = fitsHeader(bytes.read(at, at + Math.min(length, LONGEST_HEADER)));
    if (header || length >= LONGEST_HEADER || at + length >= bytes.size) return header;
  }
}

/** All units of a file, one after the other. */
export function fitsUnits(bytes: ByteSource): FitsUnit[] {
  const units: FitsUnit[] = [];
  for (let at = 0; at < bytes.size && units.length < MOST_UNITS;) {
    const header = headerAt(bytes, at);
    if (!header) break;
    const dataBytes = dataBytesOf(header.cards);
    const dataAt = at + header.dataAt;
    units.push({ cards: header.cards, dataAt, dataBytes });
    const next = dataAt + BLOCK * Math.ceil(dataBytes / BLOCK);
    if (!(next > at)) break;
    at = next;
  }
  return units;
}
