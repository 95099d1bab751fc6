import { radiusMm, thetaRad, type Projection } from './projection';

/** Where the camera looks: declination of the frame's centre, and the position angle of the frame's up, from north through east. */
export interface Pointing {
  declinationDeg: number;
  rollDeg: number;
}

/** A direction on the sky, unit vector: x to the equator on the camera's own meridian, y east, z to the north pole. */
export type Direction = readonly [number, number, number];

/** A point of the frame, mm from its centre as the photographer sees the scene: x right, y up. */
export interface FramePoint {
  xMm: number;
  yMm: number;
}

/** A camera that stands still under the sky. */
export interface SkyCamera {
  projection: Projection;
  focalMm: number;
  forward: Direction;
  right: Direction;
  up: Direction;
}

const RAD = Math.PI / 180;
const dot = (a: Direction, b: Direction): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/**
 * Sets a camera up under the sky. At roll 0 north is up and east is left, as one sees it from below.
 *
 * @param focalMm focal length that forms the picture, at infinity
 */
export function skyCamera(projection: Projection, focalMm: number, { declinationDeg, rollDeg }: Pointing): SkyCamera {
  const [sinD, cosD] = [Math.sin(declinationDeg * RAD), Math.cos(declinationDeg * RAD)];
  const [sinR, cosR] = [Math.sin(rollDeg * RAD), Math.cos(rollDeg * RAD)];
  // North is (−sin δ, 0, cos δ), east (0, 1, 0).
  return {
    projection,
    focalMm,
    forward: [cosD, 0, sinD],
    up: [-sinD * cosR, sinR, cosD * cosR],
    right: [-sinD * sinR, -cosR, cosD * sinR],
  };
}

/** The direction seen at a point of the frame, or null where a fisheye throws no picture. */
export function directionAt(
  { projection, focalMm, forward, right, up }: SkyCamera,
  { xMm, yMm }: FramePoint,
): Direction | null {
  const radius = Math.hypot(xMm, yMm);
  const theta = thetaRad(projection, focalMm, radius);
  if (theta === null) return null;
  if (radius === 0) return forward;
  const [along, across] = [Math.cos(theta), Math.sin(theta) / radius];
  const at = (i: 0 | 1 | 2) => forward[i] * along + (right[i] * xMm + up[i] * yMm) * across;
  return [at(0), at(1), at(2)];
}

/** Where a direction falls on the frame, or null when it lies behind a rectilinear lens. */
export function pointAt(camera: SkyCamera, direction: Direction): FramePoint | null {
  const along = dot(camera.forward, direction);
  const x = dot(camera.right, direction);
  const y = dot(camera.up, direction);
  const { projection, focalMm } = camera;
  if (projection === 'rectilinear')
    return along > 1e-9 ? { xMm: (focalMm * x) / along, yMm: (focalMm * y) / along } : null;
  const across = Math.hypot(x, y);
  if (across < 1e-15) return { xMm: 0, yMm: 0 };
  const radius = radiusMm(projection, focalMm, Math.atan2(across, along)) / across;
  return { xMm: radius * x, yMm: radius * y };
}
