import type { PlanetReading, SamplingStand } from '@/core/sky/planet';
import type { RateLimit } from '@/core/sky/capture';

/** What holds the frame rate down, in words. */
export const LIMIT_WORDS: Record<RateLimit, string> = {
  exposure: 'held by the exposure',
  link: 'held by the cable or card',
  readout: 'held by the sensor’s read-out',
  unknown: 'by the exposure; the body’s read-out is not entered, so it may be less',
};

/** A file's size. */
export function bytesText(bytes: number): string {
  if (bytes >= 1e9) return `${(bytes / 1e9).toFixed(bytes >= 1e10 ? 0 : 1)}\u202fGB`;
  return `${Math.max(1, Math.round(bytes / 1e6))}\u202fMB`;
}

/** The numbers of a planet's reading, in their order, with their names. */
export const PLANET_FIGURES = [
  { name: 'discPx', label: 'Disc' },
  { name: 'pixelScaleArcsec', label: 'Scale' },
  { name: 'criticalFNumber', label: 'All the detail at' },
  { name: 'fNumberOverPitch', label: 'Against the pixel' },
  { name: 'smallestDetailArcsec', label: 'Opening’s finest detail' },
  { name: 'longestCaptureS', label: 'Holds still for', testID: 'longest-capture' },
] as const satisfies readonly { name: keyof PlanetReading; label: string; testID?: string }[];

/** A mark for how finely a planet is sampled, and the same in a word. */
export const STAND_MARKS: Record<SamplingStand, string> = { coarse: '▽', customary: '●', fineSeeing: '●', empty: '▲' };
export const STAND_BRIEF: Record<SamplingStand, string> = {
  coarse: 'coarse',
  customary: 'customary',
  fineSeeing: 'best air only',
  empty: 'empty',
};
