import { gunzipSync } from 'fflate';
import type { ByteSource } from '../byteSource';
import { numberReader, type FitsImage } from './fitsImage';
import { numberOf, type Cards } from './fitsUnits';
import { riceNumbers } from './rice';

/** Bytes of a cell of a table, by the letter of its kind. Source: FITS standard 4.0, table 18. */
const CELL_BYTES: Record<string, number> = { L: 1, B: 1, I: 2, J: 4, K: 8, A: 1, E: 4, D: 8, C: 8, M: 16, P: 8, Q: 16 };

interface Column {
  at: number;
  letter: string;
}

function columnsOf(cards: Cards): Map<string, Column> {
  const columns = new Map<string, Column>();
  let at = 0;
  for (let i = 1; i <= numberOf(cards, 'TFIELDS', 0); i++) {
    const form = /^\s*(\d*)([LXBIJKAEDCMPQ])/.exec(cards.get(`TFORM${i}`) ?? '');
    if (!form) break;
    const [, many, letter] = form as unknown as [string, string, string];
    columns.set(cards.get(`TTYPE${i}`) ?? String(i), { at, letter });
    const count = many === '' ? 1 : Number(many);
    at += letter === 'X' ? Math.ceil(count / 8) : count * CELL_BYTES[letter]!;
  }
  return columns;
}

/** The value of a setting of the compression, by its name. */
function setting(cards: Cards, name: string, otherwise: number): number {
  for (let i = 1; cards.has(`ZNAME${i}`); i++)
    if (cards.get(`ZNAME${i}`) === name) return numberOf(cards, `ZVAL${i}`, otherwise);
  return otherwise;
}

/** Ten thousand even numbers that everybody draws alike. Source: FITS standard 4.0, appendix I. */
function drawnAlike(): Float32Array {
  const drawn = new Float32Array(10_000);
  let seed = 1;
  for (let i = 0; i < drawn.length; i++) {
    seed = (16_807 * seed) % 2_147_483_647;
    drawn[i] = seed / 2_147_483_647;
  }
  return drawn;
}

const [NO_NUMBER, EXACT_NOUGHT] = [-2_147_483_648, -2_147_483_646];

/** How whole numbers of a tile become those with a point again. Source: FITS standard 4.0, section 10.2. */
class Quantised {
  private readonly drawn = drawnAlike();
  constructor(
    private readonly way: string,
    private readonly first: number,
  ) {}

  undo(numbers: Int32Array, row: number, scale: number, zero: number, blank: number): Float64Array {
    const dithered = this.way.startsWith('SUBTRACTIVE_DITHER');
    let start = (row + this.first - 1) % this.drawn.length;
    let next = Math.floor(this.drawn[start]! * 500);
    return Float64Array.from(numbers, (number) => {
      const share = dithered ? this.drawn[next]! - 0.5 : 0;
      next += 1;
      if (next === this.drawn.length) {
        start = (start + 1) % this.drawn.length;
        next = Math.floor(this.drawn[start]! * 500);
      }
      if (number === blank) return NaN;
      if (this.way === 'SUBTRACTIVE_DITHER_2' && number === EXACT_NOUGHT) return 0;
      return (number - share) * scale + zero;
    });
  }
}

/** The compressed tiles of an image as a table holds them, one a row. */
class TileTable {
  private readonly cards: Cards;
  private readonly columns: Map<string, Column>;
  private readonly rowBytes: number;

  constructor(
    private readonly bytes: ByteSource,
    private readonly image: FitsImage,
  ) {
    this.cards = image.unit.cards;
    this.columns = columnsOf(this.cards);
    this.rowBytes = numberOf(this.cards, 'NAXIS1', 0);
  }

  private cell(row: number, name: string): { view: DataView; letter: string } | null {
    const column = this.columns.get(name);
    if (!column) return null;
    const at = this.image.unit.dataAt + row * this.rowBytes + column.at;
    const read = this.bytes.read(at, at + CELL_BYTES[column.letter]!);
    if (read.length < CELL_BYTES[column.letter]!) throw new Error('it ends in the middle of its data');
    return { view: new DataView(read.buffer), letter: column.letter };
  }

  number(row: number, name: string): number | null {
    const cell = this.cell(row, name);
    if (!cell) return this.cards.has(name) ? numberOf(this.cards, name, NaN) : null;
    if (cell.letter === 'E') return cell.view.getFloat32(0);
    return cell.letter === 'D' ? cell.view.getFloat64(0) : cell.view.getInt32(0);
  }

  /** What lies behind the table for a row: its length and place stand in the cell. */
  heap(row: number, name: string): Uint8Array | null {
    const cell = this.cell(row, name);
    if (!cell) return null;
    const long = cell.letter === 'Q';
    const length = long ? Number(cell.view.getBigInt64(0)) : cell.view.getInt32(0);
    const place = long ? Number(cell.view.getBigInt64(8)) : cell.view.getInt32(4);
    if (length === 0) return null;
    const table = this.rowBytes * numberOf(this.cards, 'NAXIS2', 0);
    const at = this.image.unit.dataAt + numberOf(this.cards, 'THEAP', table) + place;
    const read = this.bytes.read(at, at + length);
    if (read.length < length) throw new Error('it ends in the middle of its data');
    return read;
  }
}

/** The bytes of a number side by side again, where all first bytes, all second and so on were put together. */
function unshuffled(bytes: Uint8Array, each: number): Uint8Array {
  const count = bytes.length / each;
  const whole = new Uint8Array(bytes.length);
  for (let i = 0; i < count; i++) for (let k = 0; k < each; k++) whole[i * each + k] = bytes[k * count + i]!;
  return whole;
}

function unzipped(bytes: Uint8Array, count: number, bits: number, shuffled: boolean): ArrayLike<number> {
  const each = Math.abs(bits) / 8;
  const plain = gunzipSync(bytes);
  if (plain.length < count * each) throw new Error('a compressed tile ends too early');
  const whole = shuffled && each > 1 ? unshuffled(plain.subarray(0, count * each), each) : plain;
  const read = numberReader(new DataView(whole.buffer, whole.byteOffset), bits);
  return Float64Array.from({ length: count }, (_, i) => read(i));
}

/**
 * Hands every number of a compressed image to what is made of it, with its column, row and plane. Rice and gzip are known.
 * Source: FITS standard 4.0, section 10.
 *
 * @throws Error in words where a tile is damaged or compressed in another way
 */
export function eachOfTiles(
  bytes: ByteSource,
  image: FitsImage,
  take: (x: number, y: number, plane: number, stored: number) => void,
): void {
  const { cards } = image.unit;
  const way = cards.get('ZCMPTYPE') ?? '';
  if (!/^(RICE_1|RICE_ONE|GZIP_1|GZIP_2)$/.test(way))
    throw new Error(`compression support is not there for ${way || 'tiles without a name'}`);
  const table = new TileTable(bytes, image);
  const [wide, high] = [numberOf(cards, 'ZTILE1', image.width), numberOf(cards, 'ZTILE2', 1)];
  const deep = numberOf(cards, 'ZTILE3', 1);
  const planes = image.channels;
  if (!(wide >= 1 && high >= 1) || deep !== 1) throw new Error('its tiles are laid out in a way that is not supported');
  const quantised = new Quantised(cards.get('ZQUANTIZ') ?? 'NO_DITHER', numberOf(cards, 'ZDITHER0', 1));
  const [bytesEach, block] = [setting(cards, 'BYTEPIX', 4), setting(cards, 'BLOCKSIZE', 32)];
  const ofTile = (row: number, count: number): ArrayLike<number> => {
    const spare = table.heap(row, 'GZIP_COMPRESSED_DATA');
    const packed = table.heap(row, 'COMPRESSED_DATA');
    const [scale, zero] = [table.number(row, 'ZSCALE'), table.number(row, 'ZZERO')];
    const whole = image.bits < 0 && scale !== null ? 32 : image.bits;
    if (!packed) {
      if (spare) return unzipped(spare, count, image.bits, false);
      const raw = table.heap(row, 'UNCOMPRESSED_DATA');
      if (!raw) throw new Error('a tile is missing');
      const read = numberReader(new DataView(raw.buffer, raw.byteOffset), image.bits);
      return Float64Array.from({ length: count }, (_, i) => read(i));
    }
    const numbers = way.startsWith('RICE')
      ? riceNumbers(packed, count, bytesEach, block)
      : unzipped(packed, count, whole, way === 'GZIP_2');
    if (image.bits > 0 || scale === null) return numbers;
    const blank = table.number(row, 'ZBLANK') ?? NO_NUMBER;
    return quantised.undo(Int32Array.from(numbers), row, scale, zero ?? 0, blank);
  };
  const [across, down] = [Math.ceil(image.width / wide), Math.ceil(image.height / high)];
  for (let plane = 0; plane < planes; plane++)
    for (let v = 0; v < down; v++)
      for (let u = 0; u < across; u++) {
        const [left, top] = [u * wide, v * high];
        const [right, bottom] = [Math.min(image.width, left + wide), Math.min(image.height, top + high)];
        const numbers = ofTile((plane * down + v) * across + u, (right - left) * (bottom - top));
        for (let y = top, i = 0; y < bottom; y++) for (let x = left; x < right; x++) take(x, y, plane, numbers[i++]!);
      }
}
