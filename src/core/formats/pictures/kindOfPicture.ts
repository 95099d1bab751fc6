/** What a picture file is by its first bytes; its name may say anything. */
export type PictureKind = 'jpeg' | 'png' | 'tiff' | 'webp' | 'gif' | 'avif' | 'heic' | 'fits' | 'ser' | 'unknown';

const ascii = (bytes: Uint8Array, from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));

/** II or MM and 42: a TIFF; 43: one of the large ones. Source: TIFF 6.0, section 2. */
const TIFF = ['II*\0', 'MM\0*', 'II+\0', 'MM\0+'];
const HEIC = /heic|heix|hevc|hevx|heim|heis|mif1|msf1/;
const AVIF = /avif|avis/;

export function kindOfPicture(bytes: Uint8Array): PictureKind {
  if (bytes[0] === 0xff && bytes[1] === 0xd8) return 'jpeg';
  if (bytes[0] === 0x89 && ascii(bytes, 1, 4) === 'PNG') return 'png';
  if (TIFF.includes(ascii(bytes, 0, 4)) && !isRawOfTiffForm(bytes)) return 'tiff';
  if (/^GIF8[79]a$/.test(ascii(bytes, 0, 6))) return 'gif';
  if (ascii(bytes, 0, 4) === 'RIFF' && ascii(bytes, 8, 12) === 'WEBP') return 'webp';
  if (/^SIMPLE {2}= {16,}[TF]?/.test(ascii(bytes, 0, 40)) || ascii(bytes, 0, 9) === 'SIMPLE  =') return 'fits';
  if (ascii(bytes, 0, 14) === 'LUCAM-RECORDER') return 'ser';
  if (ascii(bytes, 4, 8) === 'ftyp') {
    const brands = ascii(bytes, 8, 40);
    if (AVIF.test(brands)) return 'avif';
    if (HEIC.test(brands)) return 'heic';
  }
  return 'unknown';
}

/** Camera raw that begins as a TIFF does but holds no page of one: "CR" after the first offset. */
const isRawOfTiffForm = (bytes: Uint8Array): boolean => ascii(bytes, 8, 10) === 'CR' && bytes[10] === 2;

/** Formats that are known but not read, by how they begin; told by name, with what to do. */
const NOT_READ: [name: string, begins: (bytes: Uint8Array) => boolean][] = [
  ['a BMP picture', (bytes) => ascii(bytes, 0, 2) === 'BM' && bytes.length > 26],
  ['a layered picture (PSD)', (bytes) => ascii(bytes, 0, 4) === '8BPS'],
  ['a PDF document', (bytes) => ascii(bytes, 0, 5) === '%PDF-'],
  ['a JPEG 2000 picture', (bytes) => ascii(bytes, 4, 8) === 'jP  ' || (bytes[0] === 0xff && bytes[1] === 0x4f)],
  ['a JPEG XL picture', (bytes) => (bytes[0] === 0xff && bytes[1] === 0x0a) || ascii(bytes, 4, 8) === 'JXL '],
  ['an OpenEXR picture', (bytes) => bytes[0] === 0x76 && bytes[1] === 0x2f && bytes[2] === 0x31 && bytes[3] === 0x01],
  ['an XISF picture', (bytes) => ascii(bytes, 0, 8) === 'XISF0100'],
  ['a film', (bytes) => ascii(bytes, 4, 8) === 'ftyp' || ascii(bytes, 8, 12) === 'AVI ' || isMatroska(bytes)],
  ['a packed folder (ZIP)', (bytes) => ascii(bytes, 0, 4) === 'PK\x03\x04'],
  ['a packed file (gzip)', (bytes) => bytes[0] === 0x1f && bytes[1] === 0x8b],
  ['a drawing (SVG)', (bytes) => /^\s*(<\?xml[^>]*>\s*)?<(svg|!DOCTYPE svg)/.test(ascii(bytes, 0, 64))],
  ['a portable bitmap (PNM)', (bytes) => /^P[1-7]\s/.test(ascii(bytes, 0, 3))],
];

const isMatroska = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x1a && bytes[1] === 0x45 && bytes[2] === 0xdf && bytes[3] === 0xa3;

/** What a file is that is not read, in words; nothing where that is not known either. */
export const nameOfUnread = (bytes: Uint8Array): string | null =>
  NOT_READ.find(([, begins]) => begins(bytes))?.[0] ?? null;
