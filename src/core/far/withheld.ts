import type { FarReading } from './readFar';

/** What a reading still tells where the lens does not focus there: nothing that depends on a picture. */
const ALWAYS = [
  'distanceM',
  'reachPxPerMrad',
  'pixelScaleArcsec',
  'megapixels',
  'neededPixels',
  'judgeBy',
  'warnings',
  'obstacle',
] as const;
/** What there is nothing to say about where the subject does not fit into the frame. */
const NOT_OVERFLOWING = ['verdict', 'shareOfFrame'] as const;

/** A reading as it may be told: without what its obstacle makes meaningless. */
export type ToldReading = Partial<Omit<FarReading, 'focus'>>;

/** Leaves out of a reading what cannot be said: pixels and verdict out of the focus range, the verdict where it does not fit. */
export function told({ focus: _, ...reading }: FarReading): ToldReading {
  if (reading.obstacle)
    return Object.fromEntries(ALWAYS.flatMap((key) => (reading[key] === undefined ? [] : [[key, reading[key]]])));
  if (!reading.overflow) return reading;
  return Object.fromEntries(
    Object.entries(reading).filter(([key]) => !(NOT_OVERFLOWING as readonly string[]).includes(key)),
  );
}
