import { tiffPicture } from './tiffPicture';

const [WIDTH, HEIGHT] = [5, 6];

interface Made {
  bits: 8 | 16;
  channels: 1 | 3;
  highFirst?: boolean;
  /** Rows a strip, and bytes left empty between strips. */
  rows?: number;
  gap?: number;
  whiteIsZero?: boolean;
}

/** Codes that differ in both their bytes, at every place. */
const codesOf = ({ bits, channels }: Made): number[] =>
  Array.from({ length: WIDTH * HEIGHT * channels }, (_, i) => (i * 7919 + 300) % 2 ** bits);

/** A TIFF put together byte by byte: header, strips, tags of one long each or a list behind them. */
function tiffOf(made: Made): Uint8Array {
  const { bits, channels, highFirst = false, rows = HEIGHT, gap = 0, whiteIsZero = false } = made;
  const low = !highFirst;
  const bytes = bits / 8;
  const stripBytes = rows * WIDTH * channels * bytes;
  const strips = HEIGHT / rows;
  const tagsAt = 8 + strips * (stripBytes + gap) + 1;
  const listsAt = tagsAt + 400;
  const view = new DataView(new ArrayBuffer(listsAt + 8 * strips));
  view.setUint16(0, highFirst ? 0x4d4d : 0x4949, low);
  view.setUint16(2, 42, low);
  view.setUint32(4, tagsAt, low);
  codesOf(made).forEach((code, i) => {
    const strip = Math.floor((i * bytes) / stripBytes);
    const at = 8 + strip * gap + i * bytes;
    if (bits === 8) view.setUint8(at, code);
    else view.setUint16(at, code, low);
  });
  const offsets = Array.from({ length: strips }, (_, i) => 8 + i * (stripBytes + gap));
  const tags: [number, number[]][] = [
    [256, [WIDTH]],
    [257, [HEIGHT]],
    [258, [bits]],
    [259, [1]],
    [262, [whiteIsZero ? 0 : channels === 3 ? 2 : 1]],
    [273, offsets],
    [277, [channels]],
    [278, [rows]],
    [279, offsets.map(() => stripBytes)],
  ];
  view.setUint16(tagsAt, tags.length, low);
  let list = listsAt;
  tags.forEach(([tag, values], i) => {
    const at = tagsAt + 2 + 12 * i;
    view.setUint16(at, tag, low);
    view.setUint16(at + 2, 4, low);
    view.setUint32(at + 4, values.length, low);
    if (values.length === 1) return view.setUint32(at + 8, values[0]!, low);
    view.setUint32(at + 8, list, low);
    values.forEach((value) => {
      view.setUint32(list, value, low);
      list += 4;
    });
  });
  return new Uint8Array(view.buffer);
}

describe('a TIFF', () => {
  it.each<[string, Made]>([
    ['of colours, 16 bits, lower byte first', { bits: 16, channels: 3 }],
    ['of colours, 16 bits, higher byte first', { bits: 16, channels: 3, highFirst: true }],
    ['of colours, 8 bits, higher byte first', { bits: 8, channels: 3, highFirst: true }],
    ['of greys, 16 bits, in strips one after the other', { bits: 16, channels: 1, rows: 2 }],
    ['of greys, 16 bits, in strips apart', { bits: 16, channels: 1, rows: 2, gap: 6 }],
    [
      'of greys, 16 bits, in strips apart, higher byte first',
      { bits: 16, channels: 1, rows: 3, gap: 4, highFirst: true },
    ],
    ['of colours, 8 bits, in strips at odd places', { bits: 8, channels: 3, rows: 1, gap: 3 }],
  ])('%s has the codes that were written', (_name, made) => {
    const { width, height, channels, bits, codes } = tiffPicture(tiffOf(made))!;
    expect([width, height, channels, bits]).toEqual([WIDTH, HEIGHT, made.channels, made.bits]);
    expect(Array.from(codes)).toEqual(codesOf(made));
  });

  it('whose white is nought is turned over', () => {
    const made: Made = { bits: 8, channels: 1, whiteIsZero: true };
    expect(Array.from(tiffPicture(tiffOf(made))!.codes)).toEqual(codesOf(made).map((code) => 255 - code));
  });

  it('in one piece is used where it lies: nothing of its size is made', () => {
    const file = tiffOf({ bits: 16, channels: 3, rows: 2 });
    expect(tiffPicture(file)!.codes.buffer).toBe(file.buffer);
  });

  it('that was cut short is not read as black', () => {
    const file = tiffOf({ bits: 16, channels: 1, rows: 2 });
    // Tags first, as most programs write them: what is cut off is the end of the picture.
    const view = new DataView(file.buffer);
    const strips = view.getUint32(4, true) + 2 + 12 * 5;
    view.setUint32(view.getUint32(strips + 8, true) + 8, file.length - 19, true);
    expect(() => tiffPicture(file)).toThrow(/middle of its data/);
    view.setUint32(view.getUint32(strips + 8, true) + 8, file.length - 20, true);
    expect(tiffPicture(file)).not.toBeNull();
  });

  it('of other depths is not read', () => {
    const deep = tiffOf({ bits: 8, channels: 1 });
    const tags = new DataView(deep.buffer).getUint32(4, true);
    new DataView(deep.buffer).setUint32(tags + 2 + 12 * 2 + 8, 32, true);
    expect(tiffPicture(deep)).toBeNull();
  });
});
