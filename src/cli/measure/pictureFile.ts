import fs from 'node:fs';
import path from 'node:path';
import { parse } from 'exifr';
import { greyOf, type Decoded } from '@/core/formats/pictures/decoded';
import type { Grey } from '@/core/picture/grey';
import type { Tone } from '@/core/picture/tone';
import { fail, ok, type Result } from '@/core/quantity/result';
import { fileReader } from '@/reader/startNode';

/** A picture file, opened. */
export interface PictureFile {
  decoded: Decoded;
  grey: Grey;
  /** Which frame or page of the file it is, counted from 0, and of how many; nothing where there is but one. */
  page?: number | undefined;
  frames?: number | undefined;
  /** What it says of how it was taken; nothing where it says nothing. */
  exposureS: number | null;
  focalMm: number | null;
  iso: number | null;
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

/** EXIF stands near the start; more than this of a picture is never needed for it. */
const HEAD_BYTES = 4 << 20;

function headOf(file: string): Uint8Array {
  const opened = fs.openSync(file, 'r');
  try {
    const head = new Uint8Array(Math.min(HEAD_BYTES, fs.fstatSync(opened).size));
    fs.readSync(opened, head, 0, head.length, 0);
    return head;
  } finally {
    fs.closeSync(opened);
  }
}

/** Opens a picture file. Names are meant from where the command was typed. */
export async function openPicture(
  file: string,
  tone: Tone | undefined,
  frame: number | undefined,
): Promise<Result<PictureFile>> {
  const at = path.resolve(process.env.INIT_CWD ?? process.cwd(), file);
  let head: Uint8Array;
  try {
    head = headOf(at);
  } catch (error) {
    return fail('picture.missing', `Cannot read ${file}: ${(error as Error).message}`, 'picture');
  }
  const reader = fileReader();
  try {
    const read = await reader.read(at, { frame });
    if (!read.ok) return read;
    const { decoded, frame: page, frames } = read.value;
    return ok({ decoded, grey: greyOf(decoded, tone), page, frames, ...(await exposureOf(head)) });
  } finally {
    reader.end();
  }
}
