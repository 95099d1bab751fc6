import type { Site } from './ephemeris';

/** A place with its time zone, by its IANA name. */
export interface NamedSite extends Site {
  name: string;
  zone: string;
}

const site = (name: string, latitudeDeg: number, longitudeDeg: number, heightM: number, zone: string): NamedSite => ({
  name,
  latitudeDeg,
  longitudeDeg,
  heightM,
  zone,
});

/**
 * A short list of places all over the Earth, to start from.
 *
 * @source geographic facts, rounded to a tenth of a degree and ten metres: enough for a night's plan
 */
export const SITES: readonly NamedSite[] = [
  site('Reykjavík', 64.1, -21.9, 30, 'Atlantic/Reykjavik'),
  site('Tromsø', 69.6, 19, 10, 'Europe/Oslo'),
  site('Edinburgh', 55.9, -3.2, 50, 'Europe/London'),
  site('London', 51.5, -0.1, 20, 'Europe/London'),
  site('Paris', 48.9, 2.4, 40, 'Europe/Paris'),
  site('Hamburg', 53.6, 10, 10, 'Europe/Berlin'),
  site('Innsbruck', 47.3, 11.4, 570, 'Europe/Vienna'),
  site('Lisbon', 38.7, -9.1, 40, 'Europe/Lisbon'),
  site('La Palma', 28.7, -17.9, 700, 'Atlantic/Canary'),
  site('Athens', 38, 23.7, 70, 'Europe/Athens'),
  site('Nairobi', -1.3, 36.8, 1660, 'Africa/Nairobi'),
  site('Windhoek', -22.6, 17.1, 1650, 'Africa/Windhoek'),
  site('Cape Town', -33.9, 18.4, 20, 'Africa/Johannesburg'),
  site('Delhi', 28.6, 77.2, 220, 'Asia/Kolkata'),
  site('Bangkok', 13.8, 100.5, 10, 'Asia/Bangkok'),
  site('Tokyo', 35.7, 139.7, 40, 'Asia/Tokyo'),
  site('Perth', -32, 115.9, 20, 'Australia/Perth'),
  site('Sydney', -33.9, 151.2, 20, 'Australia/Sydney'),
  site('Christchurch', -43.5, 172.6, 10, 'Pacific/Auckland'),
  site('Honolulu', 21.3, -157.9, 10, 'Pacific/Honolulu'),
  site('Anchorage', 61.2, -149.9, 30, 'America/Anchorage'),
  site('Vancouver', 49.3, -123.1, 20, 'America/Vancouver'),
  site('Denver', 39.7, -105, 1600, 'America/Denver'),
  site('Toronto', 43.7, -79.4, 80, 'America/Toronto'),
  site('New York', 40.7, -74, 10, 'America/New_York'),
  site('Mexico City', 19.4, -99.1, 2240, 'America/Mexico_City'),
  site('Lima', -12, -77, 150, 'America/Lima'),
  site('Antofagasta', -23.6, -70.4, 40, 'America/Santiago'),
  site('São Paulo', -23.6, -46.6, 760, 'America/Sao_Paulo'),
];
