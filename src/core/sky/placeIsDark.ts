import { Body } from 'astronomy-engine';
import { altitudeDeg, bodyAt, siderealDeg } from './ephemeris';
import type { Site } from './ephemeris';

/** The end of civil twilight: from here on one does not read outdoors without a light. */
const CIVIL_DEG = -6;

/**
 * Whether it is dark at a place: the Sun's centre is more than 6° below the horizon, without refraction.
 *
 * @param ms moment, ms UTC
 */
export const placeIsDark = (site: Site, ms: number): boolean =>
  altitudeDeg(bodyAt(Body.Sun, site, ms), site, siderealDeg(site, ms)) < CIVIL_DEG;
