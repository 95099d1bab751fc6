/** What a picture file is by its first bytes; its name may say anything. */
export type PictureKind = 'jpeg' | 'png' | 'tiff' | 'fits' | 'ser' | 'heic' | 'unknown';

const ascii = (bytes: Uint8Array, from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));

export function kindOfPicture(bytes: Uint8Array): PictureKind {
  if (bytes[0] === 0xff && bytes[1] === 0xd8) return 'jpeg';
  if (bytes[0] === 0x89 && ascii(bytes, 1, 4) === 'PNG') return 'png';
  if (['II*\0', 'MM\0*'].includes(ascii(bytes, 0, 4))) return 'tiff';
  if (ascii(bytes, 0, 9) === 'SIMPLE  =') return 'fits';
  if (ascii(bytes, 0, 14) === 'LUCAM-RECORDER') return 'ser';
  if (ascii(bytes, 4, 8) === 'ftyp' && /heic|heix|hevc|mif1|msf1|heim|heis/.test(ascii(bytes, 8, 32))) return 'heic';
  return 'unknown';
}
