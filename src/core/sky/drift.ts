import { directionAt, pointAt, type Direction, type FramePoint, type SkyCamera } from './camera';

/** The sky turns by this much in a second of time, arcseconds. */
export const SIDEREAL_ARCSEC_PER_S = 15.0411;
/** The same in radians. */
export const SIDEREAL_RAD_PER_S = (SIDEREAL_ARCSEC_PER_S / 3600) * (Math.PI / 180);

/** Turns a direction with the sky for some seconds, about the pole, towards the west. */
export function turned([x, y, z]: Direction, seconds: number): Direction {
  const [sin, cos] = [Math.sin(SIDEREAL_RAD_PER_S * seconds), Math.cos(SIDEREAL_RAD_PER_S * seconds)];
  return [x * cos + y * sin, y * cos - x * sin, z];
}

/**
 * How far a star runs on the sensor while the shutter is open, mm; the star stands at `start` when it opens.
 *
 * @returns the distance between its two ends; Infinity when it leaves what the lens can draw
 * @source exact projection of both ends; no small angles
 */
export function driftMm(camera: SkyCamera, start: FramePoint, seconds: number): number {
  const direction = directionAt(camera, start);
  if (!direction) return 0;
  const end = pointAt(camera, turned(direction, seconds));
  return end ? Math.hypot(end.xMm - start.xMm, end.yMm - start.yMm) : Infinity;
}

/** The line a star draws, as points at equal times; it ends where the lens draws no further. */
export function strokeOf(camera: SkyCamera, start: FramePoint, seconds: number, steps: number): FramePoint[] {
  const direction = directionAt(camera, start);
  if (!direction) return [];
  const points: FramePoint[] = [];
  for (let i = 0; i <= steps; i += 1) {
    const point = pointAt(camera, turned(direction, (seconds * i) / steps));
    if (!point) break;
    points.push(point);
  }
  return points;
}
