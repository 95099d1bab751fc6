/** Light of a picture, 0 to 1, row by row from the top left. */
export interface LightPicture {
  width: number;
  height: number;
  light: Float32Array;
}

const sixteen = (light: number): number => Math.round(65_535 * Math.max(0, Math.min(1, light)));

/** A tag of TIFF: number, type (1 bytes, 2 text, 3 short, 4 long, 5 ratio, 10 signed ratio), values. */
type Tag = [number, 1 | 2 | 3 | 4 | 5 | 10, readonly number[] | string];

const SIZES = { 1: 1, 2: 1, 3: 2, 4: 4, 5: 8, 10: 8 } as const;

function valueBytes([, type, values]: Tag): Uint8Array {
  if (typeof values === 'string') return Uint8Array.from([...values, '\0'].map((each) => each.charCodeAt(0) & 0x7f));
  const bytes = new Uint8Array(values.length * SIZES[type]);
  const view = new DataView(bytes.buffer);
  values.forEach((value, i) => {
    if (type === 1) view.setUint8(i, value);
    else if (type === 3) view.setUint16(2 * i, value, true);
    else if (type === 4) view.setUint32(4 * i, value, true);
    else {
      view.setInt32(8 * i, Math.round(value * 1000), true);
      view.setInt32(8 * i + 4, 1000, true);
    }
  });
  return bytes;
}

/** A TIFF of one page, lower byte first; samples of 16 bits follow the tags. Source: TIFF 6.0, sections 2 and 3. */
function tiffFile(own: Tag[], samples: Uint16Array): Uint8Array {
  const offsets: Tag = [273, 4, [0]];
  const tags = [...own, offsets].sort((a, b) => a[0] - b[0]);
  const values = tags.map(valueBytes);
  let at = 8 + 2 + 12 * tags.length + 4;
  const places = values.map((bytes) => {
    if (bytes.length <= 4) return null;
    const place = at;
    at += bytes.length + (bytes.length % 2);
    return place;
  });
  const dataAt = at + (at % 2);
  values[tags.indexOf(offsets)] = valueBytes([273, 4, [dataAt]]);
  const file = new Uint8Array(dataAt + 2 * samples.length);
  const view = new DataView(file.buffer);
  file.set([0x49, 0x49, 42, 0, 8, 0, 0, 0]);
  view.setUint16(8, tags.length, true);
  tags.forEach(([number, type], i) => {
    const entry = 10 + 12 * i;
    const bytes = values[i]!;
    view.setUint16(entry, number, true);
    view.setUint16(entry + 2, type, true);
    view.setUint32(entry + 4, bytes.length / SIZES[type], true);
    const place = places[i] ?? null;
    if (place === null) file.set(bytes, entry + 8);
    else {
      view.setUint32(entry + 8, place, true);
      file.set(bytes, place);
    }
  });
  for (let i = 0; i < samples.length; i++) view.setUint16(dataAt + 2 * i, samples[i]!, true);
  return file;
}

const common = ({ width, height }: LightPicture, model: string): Tag[] => [
  [256, 4, [width]],
  [257, 4, [height]],
  [258, 3, [16]],
  [259, 3, [1]],
  [271, 2, 'Jauge'],
  [272, 2, model],
  [274, 3, [1]],
  [277, 3, [1]],
  [278, 4, [height]],
  [279, 4, [2 * width * height]],
  [284, 3, [1]],
];

/** A grey TIFF of 16 bits, codes as the curve given makes them. @param code code of light, both 0 to 1 */
export function writeTiff(picture: LightPicture, model: string, code: (light: number) => number): Uint8Array {
  const samples = Uint16Array.from(picture.light, (light) => sixteen(code(light)));
  return tiffFile([...common(picture, model), [262, 3, [1]]], samples);
}

/** An uncompressed DNG: a mosaic of red, green, green, blue. Source: DNG 1.4, chapters 2 to 4. */
export function writeDng(picture: LightPicture, model: string): Uint8Array {
  const samples = Uint16Array.from(picture.light, sixteen);
  return tiffFile(
    [
      ...common(picture, model),
      [254, 4, [0]],
      [262, 3, [32_803]],
      [33_421, 3, [2, 2]],
      [33_422, 1, [0, 1, 1, 2]],
      [50_706, 1, [1, 4, 0, 0]],
      [50_707, 1, [1, 1, 0, 0]],
      [50_708, 2, model],
      [50_714, 3, [0]],
      [50_717, 3, [65_535]],
      [50_721, 10, [1, 0, 0, 0, 1, 0, 0, 0, 1]],
      [50_728, 5, [1, 1, 1]],
      [50_778, 3, [21]],
    ],
    samples,
  );
}

const BLOCK = 2880;
const card = (name: string, value: string): string => `${name.padEnd(8)}= ${value.padStart(20)}`.padEnd(80);

/** A FITS image of 16 bits, unsigned by the usual offset of 32768. Source: FITS standard 4.0. */
export function writeFits({ width, height, light }: LightPicture, model: string): Uint8Array {
  const cards = [
    card('SIMPLE', 'T'),
    card('BITPIX', '16'),
    card('NAXIS', '2'),
    card('NAXIS1', String(width)),
    card('NAXIS2', String(height)),
    card('BZERO', '32768'),
    card('BSCALE', '1'),
    `INSTRUME= '${model.slice(0, 60)}'`.padEnd(80),
    `ROWORDER= 'TOP-DOWN'`.padEnd(80),
    'END'.padEnd(80),
  ].join('');
  const dataAt = Math.ceil(cards.length / BLOCK) * BLOCK;
  const file = new Uint8Array(dataAt + Math.ceil((2 * light.length) / BLOCK) * BLOCK);
  file.fill(0x20, 0, dataAt);
  for (let i = 0; i < cards.length; i++) file[i] = cards.charCodeAt(i);
  const view = new DataView(file.buffer);
  for (let i = 0; i < light.length; i++) view.setInt16(dataAt + 2 * i, sixteen(light[i]!) - 32_768);
  return file;
}

/** A SER film of frames of one size, 16 bits, grey. Source: SER format description, version 3. */
export function writeSer(frames: LightPicture[], camera: string): Uint8Array {
  const [first] = frames;
  if (!first) return new Uint8Array();
  const { width, height } = first;
  const HEADER = 178;
  const file = new Uint8Array(HEADER + frames.length * width * height * 2);
  const view = new DataView(file.buffer);
  const text = (at: number, words: string, most: number) => {
    for (let i = 0; i < Math.min(most, words.length); i++) file[at + i] = words.charCodeAt(i) & 0x7f;
  };
  text(0, 'LUCAM-RECORDER', 14);
  [0, 0, 0, width, height, 16, frames.length].forEach((value, i) => view.setInt32(14 + 4 * i, value, true));
  text(82, camera, 40);
  frames.forEach(({ light }, frame) => {
    for (let i = 0; i < light.length; i++)
      view.setUint16(HEADER + 2 * (frame * width * height + i), sixteen(light[i]!), true);
  });
  return file;
}
