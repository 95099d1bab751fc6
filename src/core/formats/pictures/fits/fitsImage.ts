import { numberOf, type Cards, type FitsUnit } from './fitsUnits';

/** What a header says of the image below it, compressed or not. */
export interface FitsImage {
  unit: FitsUnit;
  width: number;
  height: number;
  /** As BITPIX says: of whole numbers 8, 16, 32, 64, with a point -32, -64. */
  bits: number;
  channels: 1 | 3;
  scale: number;
  zero: number;
  /** Of whole numbers the one that stands for none. */
  blank: number | null;
  upsideDown: boolean;
  compressed: boolean;
}

const DEPTHS = [8, 16, 32, 64, -32, -64];

/** Z before the names of what the image was before it was compressed. Source: FITS standard 4.0, section 10.1.1. */
function isCompressed(cards: Cards): boolean {
  return cards.get('XTENSION') === 'BINTABLE' && cards.get('ZIMAGE') === 'T';
}

const isPlain = (cards: Cards): boolean => cards.has('SIMPLE') || cards.get('XTENSION') === 'IMAGE';

/** The image of a unit; nothing where it holds none: a table, or numbers in one row. */
export function imageOf(unit: FitsUnit): FitsImage | null {
  const { cards } = unit;
  const compressed = isCompressed(cards);
  if (!compressed && !isPlain(cards)) return null;
  const z = compressed ? 'Z' : '';
  const number = (name: string, otherwise: number) => numberOf(cards, name, otherwise);
  const [bits, width, height] = [number(`${z}BITPIX`, 0), number(`${z}NAXIS1`, 0), number(`${z}NAXIS2`, 0)];
  if (!DEPTHS.includes(bits) || !(width >= 1) || !(height >= 1) || number(`${z}NAXIS`, 0) < 2) return null;
  const blank = number('BLANK', number('ZBLANK', NaN));
  return {
    unit,
    width,
    height,
    bits,
    channels: number(`${z}NAXIS`, 0) >= 3 && number(`${z}NAXIS3`, 1) === 3 ? 3 : 1,
    scale: number('BSCALE', 1),
    zero: number('BZERO', 0),
    blank: bits > 0 && Number.isFinite(blank) ? blank : null,
    upsideDown: cards.get('ROWORDER')?.toUpperCase() === 'BOTTOM-UP',
    compressed,
  };
}

/** Reads numbers as they are stored, the highest byte first. */
export const numberReader = (view: DataView, bits: number): ((i: number) => number) =>
  ({
    8: (i: number) => view.getUint8(i),
    16: (i: number) => view.getInt16(2 * i),
    32: (i: number) => view.getInt32(4 * i),
    64: (i: number) => Number(view.getBigInt64(8 * i)),
    [-32]: (i: number) => view.getFloat32(4 * i),
    [-64]: (i: number) => view.getFloat64(8 * i),
  })[bits]!;
