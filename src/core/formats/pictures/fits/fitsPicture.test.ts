import { bytesInMemory } from '../byteSource';
import { fitsPicture } from './fitsPicture';

type Bits = 8 | 16 | 32 | -32 | -64;

interface Made {
  bits: Bits;
  width?: number;
  height?: number;
  planes?: number;
  cards?: Record<string, string>;
}

const card = (name: string, value: string) => `${name.padEnd(8)}= ${value.padStart(20)}`.padEnd(80);
const write = (view: DataView): Record<Bits, (i: number, value: number) => void> => ({
  8: (i, value) => view.setUint8(i, value),
  16: (i, value) => view.setInt16(2 * i, value),
  32: (i, value) => view.setInt32(4 * i, value),
  [-32]: (i, value) => view.setFloat32(4 * i, value),
  [-64]: (i, value) => view.setFloat64(8 * i, value),
});

/** A FITS file with these numbers as stored, row by row, plane by plane. */
function fitsOf(
  { bits, width = 4, height = 3, planes = 1, cards = {} }: Made,
  stored: (i: number) => number,
): Uint8Array {
  const sizes = [width, height, ...(planes > 1 ? [planes] : [])];
  const head = [
    card('SIMPLE', 'T'),
    card('BITPIX', String(bits)),
    card('NAXIS', String(sizes.length)),
    ...sizes.map((size, i) => card(`NAXIS${i + 1}`, String(size))),
    ...Object.entries(cards).map(([name, value]) => card(name, value)),
    'END'.padEnd(80),
  ].join('');
  const count = width * height * planes;
  const view = new DataView(new ArrayBuffer((count * Math.abs(bits)) / 8));
  for (let i = 0; i < count; i++) write(view)[bits](i, stored(i));
  const padded = head.padEnd(2880 * Math.ceil(head.length / 2880));
  return Uint8Array.from([...Buffer.from(padded, 'latin1'), ...new Uint8Array(view.buffer)]);
}

const ANY_SIZE = {
  onSize: () => undefined,
  onNoSuch: (images: number): never => {
    throw new Error(`only ${images}`);
  },
};
const readOf = (bytes: Uint8Array) => fitsPicture(bytesInMemory(bytes), ANY_SIZE);
const own = (made: Made, stored: (i: number) => number) => readOf(fitsOf(made, stored))!.decoded;

describe('a FITS image', () => {
  it.each<[string, Made, (i: number) => number, number[], number]>([
    ['of 8 bits', { bits: 8 }, (i) => 20 * i, [0, 20, 220], 255],
    [
      'of 16 bits by the usual offset',
      { bits: 16, cards: { BZERO: '32768' } },
      (i) => 5000 * i - 32_768,
      [0, 5000, 55_000],
      65_535,
    ],
    ['of 16 bits with a sign', { bits: 16 }, (i) => 100 * i - 50, [-50, 50, 1050], 65_535],
    ['of 16 bits in halves', { bits: 16, cards: { BSCALE: '0.5' } }, (i) => 101 * i, [0, 50.5, 555.5], 65_535],
    ['of 32 bits', { bits: 32 }, (i) => 100_000 * i, [0, 100_000, 1_100_000], 1_100_000],
    ['with a point', { bits: -32 }, (i) => i / 16, [0, 1 / 16, 11 / 16], 1],
    ['with a point, long', { bits: -64 }, (i) => 3 * i, [0, 3, 33], 33],
  ])('%s has the numbers that were meant', (_name, made, stored, [first, second, last], white) => {
    const { codes, width, height, channels, ...rest } = own(made, stored);
    expect([width, height, channels, codes.length]).toEqual([4, 3, 1, 12]);
    expect([codes[0], codes[1], codes[11]]).toEqual([first, second, last]);
    expect(rest.white).toBe(white);
  });

  it('that begins at the bottom is turned over', () => {
    const made: Made = { bits: 8, cards: { ROWORDER: "'BOTTOM-UP'" } };
    expect(Array.from(own(made, (i) => i).codes)).toEqual([8, 9, 10, 11, 4, 5, 6, 7, 0, 1, 2, 3]);
  });

  it('of three planes is in colours: counts side by side, numbers with a point as their mean', () => {
    const counts = own({ bits: 8, planes: 3 }, (i) => i);
    expect([counts.channels, ...Array.from(counts.codes).slice(0, 6)]).toEqual([3, 0, 12, 24, 1, 13, 25]);
    const mean = own({ bits: -32, planes: 3 }, (i) => i);
    expect([mean.channels, mean.white]).toEqual([1, 35]);
    mean.codes.forEach((code, i) => expect(code).toBeCloseTo(0.25 * i + 0.5 * (i + 12) + 0.25 * (i + 24), 5));
  });

  it('of any other number of planes is its first', () => {
    expect(Array.from(own({ bits: 8, planes: 2 }, (i) => i).codes)).toEqual(Array.from({ length: 12 }, (_, i) => i));
  });

  it('larger than what is looked at together has every row in its place', () => {
    const [width, height] = [1500, 1000];
    const { codes } = own({ bits: -32, width, height, cards: { ROWORDER: "'BOTTOM-UP'" } }, (i) => i % 65_521);
    for (const [x, y] of [
      [0, 0],
      [1499, 0],
      [0, 999],
      [700, 301],
      [3, 698],
      [3, 699],
      [3, 700],
    ] as const)
      expect(codes[y * width + x]).toBe(((height - 1 - y) * width + x) % 65_521);
  });

  it('holds no number that is none', () => {
    expect(Array.from(own({ bits: -32 }, (i) => (i === 2 ? NaN : 0.5)).codes)[2]).toBe(0);
  });

  it('cut short, or of no known depth, is not read', () => {
    const whole = fitsOf({ bits: 8, planes: 3 }, (i) => i);
    expect(readOf(whole.slice(0, whole.length - 1))).toBeNull();
    expect(() => readOf(fitsOf({ bits: 8, cards: { BITPIX: '24' } }, (i) => i))).toThrow(/no image/);
    expect(() => readOf(Buffer.from('SIMPLE  ='.padEnd(4000)))).toThrow(/no image/);
  });
});
