/** How a lens maps angles onto the sensor: straight lines stay straight, or one of the three usual fisheyes. */
export type Projection = 'rectilinear' | 'equisolid' | 'equidistant' | 'stereographic';

export const PROJECTION_NAMES: Record<Projection, string> = {
  rectilinear: 'Rectilinear',
  equisolid: 'Fisheye, equal area',
  equidistant: 'Fisheye, equal angle',
  stereographic: 'Fisheye, stereographic',
};

export const PROJECTIONS = Object.keys(PROJECTION_NAMES) as Projection[];

/**
 * Distance from the frame's centre, mm, of a point at an angle from the axis.
 *
 * @param thetaRad angle from the axis; below 90° for a rectilinear lens
 * @source definitions: f·tan θ, 2f·sin(θ/2), f·θ, 2f·tan(θ/2)
 * @example radiusMm('equidistant', 10, Math.PI / 2) // 15.708
 */
export function radiusMm(projection: Projection, focalMm: number, thetaRad: number): number {
  switch (projection) {
    case 'rectilinear':
      return focalMm * Math.tan(thetaRad);
    case 'equisolid':
      return 2 * focalMm * Math.sin(thetaRad / 2);
    case 'equidistant':
      return focalMm * thetaRad;
    case 'stereographic':
      return 2 * focalMm * Math.tan(thetaRad / 2);
  }
}

/**
 * The angle from the axis seen at a distance from the frame's centre, radians.
 *
 * @returns null where the lens throws no picture: beyond the edge of an equal-area or equal-angle fisheye
 */
export function thetaRad(projection: Projection, focalMm: number, radius: number): number | null {
  switch (projection) {
    case 'rectilinear':
      return Math.atan(radius / focalMm);
    case 'equisolid':
      return radius <= 2 * focalMm ? 2 * Math.asin(radius / (2 * focalMm)) : null;
    case 'equidistant':
      return radius <= focalMm * Math.PI ? radius / focalMm : null;
    case 'stereographic':
      return 2 * Math.atan(radius / (2 * focalMm));
  }
}
