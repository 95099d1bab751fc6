import type { FramePoint } from '@/core/sky/camera';
import { strokeOf } from '@/core/sky/drift';
import type { StarsReading } from '@/core/sky/readStars';

/** How many stars a drawing shows, and points of a stroke: more of them where it bends. */
const STARS = 110;
const stepsFor = (seconds: number): number => Math.max(1, Math.min(24, Math.ceil(seconds / 120)));

/** Places of the drawn stars as shares of the frame: even without being regular (Roberts’ sequence). */
const SHARES = Array.from(
  { length: STARS },
  (_, i) => [(0.5 + i * 0.7548776662) % 1, (0.5 + i * 0.569840291) % 1] as const,
);

/** The strokes of the stars of a drawing, mm. */
export function strokesOf(reading: StarsReading, widthMm: number, heightMm: number, seconds: number): FramePoint[][] {
  const steps = stepsFor(seconds);
  return SHARES.map(([x, y]) =>
    strokeOf(reading.grid.camera, { xMm: (x - 0.5) * widthMm, yMm: (0.5 - y) * heightMm }, seconds, steps),
  ).filter((stroke) => stroke.length > 0);
}

/** The stroke of one star in pixels from where it begins, x right, y down. */
export function strokePx(
  reading: StarsReading,
  start: FramePoint,
  seconds: number,
  pitchUm: number,
): [number, number][] {
  const perMm = 1000 / pitchUm;
  return strokeOf(reading.grid.camera, start, seconds, stepsFor(seconds)).map(({ xMm, yMm }) => [
    (xMm - start.xMm) * perMm,
    (start.yMm - yMm) * perMm,
  ]);
}
