/** TIFF files made byte by byte, for readers to read: pages of strips, of any depth, and broken ones. Source: TIFF 6.0. */
export interface TiffPage {
  width: number;
  height: number;
  /** Numbers a pixel side by side. */
  codes: readonly number[];
  bits: 8 | 16 | 32;
  channels: number;
  highFirst?: boolean;
  /** Rows a strip, and bytes left empty between strips. */
  rows?: number;
  gap?: number;
  /** 0 white is nought, 1 black is nought, 2 colours, 3 palette, 5 ink. */
  photometric?: number;
  compression?: number;
  /** Numbers with a point. */
  float?: boolean;
  orientation?: number;
  palette?: readonly number[];
}

type Tag = [tag: number, type: 3 | 4, values: readonly number[]];

/** Bytes of one page's strips from a place on, and the tags that tell of them. */
function stripsOf(page: TiffPage, at: number): { bytes: Uint8Array; tags: Tag[] } {
  const { width, height, codes, bits, channels, highFirst = false, rows = height, gap = 0 } = page;
  const each = bits / 8;
  const stripBytes = rows * width * channels * each;
  const strips = Math.ceil(height / rows);
  // Without numbers only the tags are told.
  const view = new DataView(new ArrayBuffer(codes.length ? strips * (stripBytes + gap) : 0));
  codes.forEach((code, i) => {
    const place = i * each + Math.floor((i * each) / stripBytes) * gap;
    if (page.float) view.setFloat32(place, code, !highFirst);
    else if (bits === 8) view.setUint8(place, code);
    else if (bits === 16) view.setUint16(place, code, !highFirst);
    else view.setUint32(place, code, !highFirst);
  });
  const colours = channels >= 3 ? (channels === 4 ? 5 : 2) : 1;
  const tags: Tag[] = [
    [256, 4, [width]],
    [257, 4, [height]],
    [258, 3, Array.from({ length: channels }, () => bits)],
    [259, 3, [page.compression ?? 1]],
    [262, 3, [page.photometric ?? colours]],
    [273, 4, Array.from({ length: strips }, (_, i) => at + i * (stripBytes + gap))],
    [274, 3, [page.orientation ?? 1]],
    [277, 3, [channels]],
    [278, 4, [rows]],
    [279, 4, Array.from({ length: strips }, () => stripBytes)],
    ...(page.palette ? [[320, 3, page.palette] as Tag] : []),
    [339, 3, Array.from({ length: channels }, () => (page.float ? 3 : 1))],
  ];
  return { bytes: new Uint8Array(view.buffer), tags };
}

/** A file of these pages, one after the other; the last directory points at nothing, or where it is told to. */
export function tiffOf(pages: readonly TiffPage[], lastPointsAt?: 'itself'): Uint8Array {
  const highFirst = pages[0]!.highFirst ?? false;
  const low = !highFirst;
  const file: number[] = [...(highFirst ? [0x4d, 0x4d, 0, 42] : [0x49, 0x49, 42, 0]), 0, 0, 0, 0];
  const number = (value: number, bytes: 2 | 4): number[] => {
    const all = Array.from({ length: bytes }, (_, i) => (value >>> (8 * i)) & 255);
    return low ? all : all.reverse();
  };
  const put = (at: number, bytes: readonly number[]) => bytes.forEach((byte, i) => (file[at + i] = byte));
  let pointer = 4;
  for (const page of pages) {
    const { bytes, tags } = stripsOf(page, file.length);
    for (const byte of bytes) file.push(byte);
    if (file.length % 2 === 1) file.push(0);
    const directory = file.length;
    put(pointer, number(directory, 4));
    pointer = directory + 2 + 12 * tags.length;
    const lists: number[] = [];
    put(directory, number(tags.length, 2));
    tags.forEach(([tag, type, values], i) => {
      const all = values.flatMap((value) => number(value, type === 3 ? 2 : 4));
      const short = all.length <= 4;
      const where = short ? [...all, 0, 0, 0, 0].slice(0, 4) : number(pointer + 4 + lists.length, 4);
      if (!short) lists.push(...all);
      put(directory + 2 + 12 * i, [...number(tag, 2), ...number(type, 2), ...number(values.length, 4), ...where]);
    });
    put(pointer, [...number(lastPointsAt === 'itself' ? directory : 0, 4), ...lists]);
  }
  return Uint8Array.from(file);
}
