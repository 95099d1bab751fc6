import type { Result } from '../../quantity/result';
import type { PictureRead } from './readPicture';

/** What a reading worker tells: that it has begun, how much there is to read, how far it is, and what came of it. */
export type ReaderNews =
  { id: number; pixels: number } | { id: number; share: number } | { id: number; read: Result<PictureRead> };

/** What reads may take so long to arrive and to start: on a slow phone, or several at once, it has much to wait for, ms. */
export const STARTING_MS = 90_000;
/** Reading may take so long before anything is known of a picture's size, and beyond what its pixels need, ms. */
const READING_MS = 10_000;
/** A pixel's share of the time on a slow phone, ms: ten times what a desktop computer takes. */
const MS_PER_PIXEL = 0.0005;

/** How long a picture of so many pixels may take to be read, ms. */
export const readingTimeMs = (pixels: number): number => READING_MS + MS_PER_PIXEL * pixels;

/** What is said of a file that took longer than its pixels need. */
export const TOO_LONG = {
  code: 'picture.slow',
  message:
    'Reading this file was given up: it takes far longer than its size needs, as damaged files do. Open it in another program and export it as PNG or TIFF.',
  field: 'picture',
} as const;
/** What is said where the reader broke off, which mostly means that memory was short. */
export const BROKE_OFF = {
  code: 'picture.broke',
  message:
    'Reading this file broke off: there was not enough memory for it, or it is damaged. Close other pictures, or cut out the part that matters.',
  field: 'picture',
} as const;
