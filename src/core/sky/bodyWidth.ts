import { computed, type Quantity } from '../quantity/quantity';
import { discsOf, planetOn } from './ephemeris';
import { PLANET_NAMES, type PlanetName } from './planet';

/** A body of the sky whose disc can be measured. */
export type DiscBody = PlanetName | 'Moon' | 'Sun';

export const DISC_BODIES: readonly DiscBody[] = ['Moon', ...PLANET_NAMES, 'Sun'];

const NOWHERE = { latitudeDeg: 0, longitudeDeg: 0, heightM: 0 };
const HOUR_MS = 3_600_000;
/** An observer stands up to an Earth's radius nearer to the Moon, or farther, than another one. */
const MOON_BY_PLACE = 6378 / 384_400;

function arcsecAt(body: DiscBody, ms: number): number {
  if (body === 'Moon') return discsOf(NOWHERE, ms).moonArcsec;
  if (body === 'Sun') return discsOf(NOWHERE, ms).sunArcsec;
  return planetOn(body, NOWHERE, ms).discArcsec;
}

/**
 * How wide a body's equator stands in the sky on an evening, wherever on Earth and whenever in the night: what place and hour
 * change is in its error.
 *
 * @param day YYYY-MM-DD, of the evening
 * @source the body's equatorial radius over its distance, by the ephemeris
 */
export function bodyWidth(body: DiscBody, day: string): Quantity {
  const midnight = Date.parse(`${day}T12:00:00Z`) + 12 * HOUR_MS;
  const value = arcsecAt(body, midnight);
  const byHour = [-24, -12, 12, 24].map((hours) => Math.abs(arcsecAt(body, midnight + hours * HOUR_MS) - value));
  const byPlace = body === 'Moon' ? MOON_BY_PLACE * value : 0;
  return computed(
    value,
    '″',
    () => ({
      name: `${body}, width in the sky`,
      formula: '2 · asin(R / Δ)',
      inputs: [],
      source: `equatorial radius over the distance on the evening of ${day}, by the ephemeris`,
      neglects: 'Place and hour: what they change is in the error.',
    }),
    Math.max(...byHour) + byPlace,
  );
}
