import fs from 'node:fs';
import path from 'node:path';
import { orientation } from 'exifr';
import { decode } from 'jpeg-js';
import { greyOf, type Decoded } from '@/core/formats/pictures/decoded';
import { readPicture } from '@/core/formats/pictures/readPicture';
import type { Grey } from '@/core/picture/grey';
import type { Tone } from '@/core/picture/tone';
import { fail, ok, type Result } from '@/core/quantity/result';

/** JPEG, decoded by a package, turned as its EXIF says. */
async function jpegPicture(bytes: Uint8Array): Promise<Decoded> {
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

/** The light of a picture file. Names are meant from where the command was typed. */
export async function lightOfFile(
  file: string,
  tone: Tone | undefined,
  frame: number | undefined,
): Promise<Result<Grey>> {
  let bytes: Uint8Array;
  try {
    bytes = fs.readFileSync(path.resolve(process.env.INIT_CWD ?? process.cwd(), file));
  } catch (error) {
    return fail('picture.missing', `Cannot read ${file}: ${(error as Error).message}`, 'picture');
  }
  const read = await readPicture(bytes, { jpeg: jpegPicture, frame });
  return read.ok ? ok(greyOf(read.value.decoded, tone)) : read;
}
