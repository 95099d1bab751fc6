import type { BodySpec, ReadoutWindow } from '../kit/body';

/** Header of the open SER form, and the time stamp of each frame, bytes. */
const SER_HEADER_BYTES = 178;
const SER_STAMP_BYTES = 8;

export interface CaptureInput {
  body: BodySpec;
  discPx: number;
  /** Window side ÷ disc. */
  margin: number;
  exposureS: number;
  /** What the cable or the card takes, MB/s. */
  linkMbPerS: number;
  durationS: number;
  /** Bits recorded for each pixel: 8 or 16. */
  bits: 8 | 16;
  cardGb: number;
}

/** What holds the frame rate down. */
export type RateLimit = 'exposure' | 'link' | 'readout' | 'unknown';

export interface CapturePlan {
  /** What is recorded: a window of the table, or the smallest even square around the disc where there is none. */
  columns: number;
  rows: number;
  fits: boolean;
  framesPerSecond: number;
  limit: RateLimit;
  frames: number;
  fileBytes: number;
  cardMinutes: number;
}

const even = (value: number): number => 2 * Math.ceil(value / 2 - 1e-9);

/** The smallest window of the body's table that holds the disc; the largest when none does. */
function windowFor(table: readonly ReadoutWindow[], side: number): { window: ReadoutWindow; fits: boolean } | null {
  const bySize = [...table].sort((a, b) => a.columns * a.rows - b.columns * b.rows);
  const found = bySize.find((each) => Math.min(each.columns, each.rows) >= side);
  const window = found ?? bySize.at(-1);
  return window ? { window, fits: found !== undefined } : null;
}

/** The frame rate of a window, and what holds it: the least of 1/exposure, what the link carries, what the body reads out. */
export function rateOf(
  { exposureS, linkMbPerS, bits }: Pick<CaptureInput, 'exposureS' | 'linkMbPerS' | 'bits'>,
  columns: number,
  rows: number,
  readout: number | undefined,
): { framesPerSecond: number; limit: RateLimit } {
  const limits: [RateLimit, number][] = [
    ['exposure', 1 / exposureS],
    ['link', (linkMbPerS * 8e6) / (columns * rows * bits)],
    ...(readout === undefined ? [] : [['readout', readout] as [RateLimit, number]]),
  ];
  const [limit, framesPerSecond] = limits.reduce((least, each) => (each[1] < least[1] ? each : least));
  return { limit: limit === 'exposure' && readout === undefined ? 'unknown' : limit, framesPerSecond };
}

/**
 * Plans a recording of short frames: window, rate, frames, file.
 *
 * @source rate: the least of 1/exposure, what the link carries and what the body reads out; file: the open SER layout, a
 *   178-byte header, the frames, eight bytes of time for each
 */
export function planCapture({
  body,
  discPx,
  margin,
  exposureS,
  linkMbPerS,
  durationS,
  bits,
  cardGb,
}: CaptureInput): CapturePlan {
  const side = even(discPx * margin);
  const { sensor, readoutWindows = [] } = body;
  const listed = windowFor(readoutWindows, side);
  const cut = { columns: Math.min(side, even(sensor.columns - 1)), rows: Math.min(side, even(sensor.rows - 1)) };
  const { columns, rows } = listed?.window ?? cut;
  const frameBytes = columns * rows * (bits / 8);
  const { framesPerSecond, limit } = rateOf(
    { exposureS, linkMbPerS, bits },
    columns,
    rows,
    listed?.window.framesPerSecond,
  );
  const frames = Math.floor(framesPerSecond * durationS + 1e-9);
  return {
    columns,
    rows,
    fits: listed ? listed.fits : side <= Math.min(sensor.columns, sensor.rows),
    framesPerSecond,
    limit,
    frames,
    fileBytes: SER_HEADER_BYTES + frames * (frameBytes + SER_STAMP_BYTES),
    cardMinutes: (cardGb * 1e9) / (framesPerSecond * (frameBytes + SER_STAMP_BYTES)) / 60,
  };
}
