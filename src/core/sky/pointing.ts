import type { Pointing } from './camera';

const RAD = Math.PI / 180;

/**
 * Where a level camera looks that points at an azimuth and an altitude.
 *
 * @param azimuthDeg from north through east
 * @param latitudeDeg north positive
 * @returns declination of the frame's centre, and the position angle of the zenith there (the frame's up)
 * @source the triangle of pole, zenith and star
 * @example pointingOf(180, 40, 50) // declination 0, roll 0: the equator on the meridian
 */
export function pointingOf(azimuthDeg: number, altitudeDeg: number, latitudeDeg: number): Pointing {
  const [sinA, cosA] = [Math.sin(azimuthDeg * RAD), Math.cos(azimuthDeg * RAD)];
  const [sinH, cosH] = [Math.sin(altitudeDeg * RAD), Math.cos(altitudeDeg * RAD)];
  const [sinL, cosL] = [Math.sin(latitudeDeg * RAD), Math.cos(latitudeDeg * RAD)];
  const sinD = sinH * sinL + cosH * cosL * cosA;
  // Towards the zenith, seen from the star: north and east parts of that direction.
  const east = -sinA * cosL;
  const north = sinL * cosH - cosL * sinH * cosA;
  const roll = Math.abs(east) < 1e-12 && Math.abs(north) < 1e-12 ? 0 : Math.atan2(east, north) / RAD;
  return { declinationDeg: Math.asin(Math.max(-1, Math.min(1, sinD))) / RAD, rollDeg: roll };
}
