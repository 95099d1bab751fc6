import fs from 'node:fs';
import path from 'node:path';
import { orientation, parse } from 'exifr';
import { decode } from 'jpeg-js';
import { greyOf, type Decoded } from '@/core/formats/pictures/decoded';
import { readPicture } from '@/core/formats/pictures/readPicture';
import type { Grey } from '@/core/picture/grey';
import type { Tone } from '@/core/picture/tone';
import { fail, ok, type Result } from '@/core/quantity/result';

/** A picture file, opened. */
export interface PictureFile {
  decoded: Decoded;
  grey: Grey;
  /** What it says of how it was taken; nothing where it says nothing. */
  exposureS: number | null;
  focalMm: number | null;
  iso: number | null;
}

/** JPEG, decoded by a package, turned as its EXIF says. */
async function jpegPicture(file: Blob): Promise<Decoded> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const { width, height, data } = decode(bytes, {
    useTArray: true,
    formatAsRGBA: false,
    maxResolutionInMP: 101,
    maxMemoryUsageInMB: 4096,
  });
  let turned: number | undefined;
  try {
    turned = await orientation(bytes);
  } catch {
    // A picture without readable EXIF stands as it is stored.
    turned = undefined;
  }
  return { width, height, channels: 3, codes: data, black: 0, white: 255, tone: 'srgb', orientation: turned, bits: 8 };
}

/** What EXIF says of the exposure. */
async function exposureOf(bytes: Uint8Array): Promise<Pick<PictureFile, 'exposureS' | 'focalMm' | 'iso'>> {
  let raw: Record<string, unknown> | undefined;
  try {
    raw = (await parse(bytes, ['ExposureTime', 'FocalLength', 'ISO'])) as Record<string, unknown> | undefined;
  } catch {
    // No EXIF, or none that can be read: then nothing is known.
    raw = undefined;
  }
  const number = (name: string) => {
    const value = raw?.[name];
    return typeof value === 'number' && value > 0 && Number.isFinite(value) ? value : null;
  };
  return { exposureS: number('ExposureTime'), focalMm: number('FocalLength'), iso: number('ISO') };
}

/** Opens a picture file. Names are meant from where the command was typed. */
export async function openPicture(
  file: string,
  tone: Tone | undefined,
  frame: number | undefined,
): Promise<Result<PictureFile>> {
  let bytes: Buffer<ArrayBuffer>;
  try {
    bytes = fs.readFileSync(path.resolve(process.env.INIT_CWD ?? process.cwd(), file));
  } catch (error) {
    return fail('picture.missing', `Cannot read ${file}: ${(error as Error).message}`, 'picture');
  }
  const read = await readPicture(new Blob([bytes]), { jpeg: jpegPicture, frame });
  if (!read.ok) return read;
  const { decoded } = read.value;
  return ok({ decoded, grey: greyOf(decoded, tone), ...(await exposureOf(bytes)) });
}
