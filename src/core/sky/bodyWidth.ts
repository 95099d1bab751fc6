import { computed, type Quantity } from '../quantity/quantity';
import { apartKm, type DiscBody } from './ephemeris';
import { PLANET_NAMES } from './planet';

export const DISC_BODIES: readonly DiscBody[] = ['Moon', ...PLANET_NAMES, 'Sun'];

const HOUR_MS = 3_600_000;
const ARCSEC = (180 * 3600) / Math.PI;
/** Nobody stands nearer to a body than this before the middle of the Earth: its equator's radius and its highest mountain. */
const EARTH_KM = 6378.2 + 8.9;
/** Midnight comes to every place within half a day of Greenwich's, and a night lasts half a day to either side at most. */
const HOURS = Array.from({ length: 17 }, (_, i) => 3 * i - 24);

/**
 * How wide a body's equator stands in the sky on an evening, wherever on Earth and whenever in the night: what place and hour
 * change is in its error. Seen on the horizon a body is as far as from the middle of the Earth, overhead an Earth's radius
 * nearer.
 *
 * @param day YYYY-MM-DD, of the evening
 * @source the body's equatorial radius over its distance, by the ephemeris
 */
export function bodyWidth(body: DiscBody, day: string): Quantity {
  const midnight = Date.parse(`${day}T12:00:00Z`) + 12 * HOUR_MS;
  const { radiusKm, distanceKm } = apartKm(body, midnight);
  const width = (km: number) => 2 * Math.asin(radiusKm / km) * ARCSEC;
  const distances = HOURS.map((hours) => apartKm(body, midnight + hours * HOUR_MS).distanceKm);
  const value = width(distanceKm);
  return computed(
    value,
    '″',
    () => ({
      name: `${body}, width in the sky`,
      formula: `2 · asin(${radiusKm} km / ${Math.round(distanceKm)} km)`,
      inputs: [],
      source: `equatorial radius over the distance from the middle of the Earth at the midnight that ends ${day}, Greenwich, by the ephemeris`,
      neglects: 'Place and hour: what they change is in the error.',
    }),
    Math.max(width(Math.min(...distances) - EARTH_KM) - value, value - width(Math.max(...distances))),
  );
}
