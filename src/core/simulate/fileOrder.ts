import type { Order, Truth } from './take';

/** The files the simulated camera writes. */
export type SimulatedFormat = 'jpeg' | 'png' | 'tiff' | 'dng' | 'fits' | 'ser';

/** What a picture file says of how it was taken. */
export interface ExifMade {
  maker: string;
  model: string;
  lens: string;
  focalMm: number;
  fNumber: number;
  exposureS: number;
  iso: number;
}

/** An order with the file it is to become. */
export interface FileOrder {
  order: Order;
  format: SimulatedFormat;
  exif: ExifMade;
}

/** What the worker of the simulated camera tells. */
export type SimulatedNews = { share: number } | { file: Uint8Array; truth: Truth } | { message: string };

export const FORMAT_FILES: Record<SimulatedFormat, { name: string; ending: string; type: string }> = {
  jpeg: { name: 'JPEG', ending: 'jpg', type: 'image/jpeg' },
  png: { name: 'PNG, 16 bits', ending: 'png', type: 'image/png' },
  tiff: { name: 'TIFF, 16 bits', ending: 'tif', type: 'image/tiff' },
  dng: { name: 'DNG', ending: 'dng', type: 'image/x-adobe-dng' },
  fits: { name: 'FITS', ending: 'fits', type: 'image/fits' },
  ser: { name: 'SER', ending: 'ser', type: 'application/octet-stream' },
};
