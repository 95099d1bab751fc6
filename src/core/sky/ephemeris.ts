import {
  AngleFromSun,
  Body,
  Equator,
  GeoVector,
  Illumination,
  MakeTime,
  MoonPhase,
  Observer,
  RotateVector,
  Rotation_EQJ_EQD,
  SiderealTime,
  Vector,
  type AstroTime,
} from 'astronomy-engine';
import type { PlanetName } from './planet';
import { PLANETS } from './planet';

/** An observer: north and east positive, metres above the sea. */
export interface Site {
  latitudeDeg: number;
  longitudeDeg: number;
  heightM: number;
}

const J2000_MS = Date.UTC(2000, 0, 1, 12);
const DAY_MS = 86_400_000;
const AU_KM = 149_597_870.7;
const RAD = Math.PI / 180;

/** @param ms since 1970, UTC */
export const timeOf = (ms: number): AstroTime => MakeTime((ms - J2000_MS) / DAY_MS);
export const msOf = (time: AstroTime): number => Math.round(J2000_MS + time.ut * DAY_MS);
export const observerOf = ({ latitudeDeg, longitudeDeg, heightM }: Site): Observer =>
  new Observer(latitudeDeg, longitudeDeg, heightM);

/** Right ascension and declination of the day, degrees, seen from the site where that matters. */
export interface Place {
  raDeg: number;
  declinationDeg: number;
}

/** A fixed object's coordinates J2000 brought to the day: precession and nutation. */
export function ofDate(raHours: number, declinationDeg: number, ms: number): Place {
  const time = timeOf(ms);
  const [ra, dec] = [raHours * 15 * RAD, declinationDeg * RAD];
  const turned = RotateVector(
    Rotation_EQJ_EQD(time),
    new Vector(Math.cos(dec) * Math.cos(ra), Math.cos(dec) * Math.sin(ra), Math.sin(dec), time),
  );
  return {
    raDeg: (Math.atan2(turned.y, turned.x) / RAD + 360) % 360,
    declinationDeg: Math.asin(Math.max(-1, Math.min(1, turned.z))) / RAD,
  };
}

/** Where a body of the solar system stands from the site. */
export function bodyAt(body: Body, site: Site, ms: number): Place & { distanceAu: number } {
  const { ra, dec, dist } = Equator(body, timeOf(ms), observerOf(site), true, true);
  return { raDeg: ra * 15, declinationDeg: dec, distanceAu: dist };
}

/** Altitude above the mathematical horizon, degrees, without refraction. */
export function altitudeDeg({ raDeg, declinationDeg }: Place, { latitudeDeg }: Site, localSiderealDeg: number): number {
  const hour = (localSiderealDeg - raDeg) * RAD;
  const [lat, dec] = [latitudeDeg * RAD, declinationDeg * RAD];
  return (
    Math.asin(
      Math.max(-1, Math.min(1, Math.sin(lat) * Math.sin(dec) + Math.cos(lat) * Math.cos(dec) * Math.cos(hour))),
    ) / RAD
  );
}

/** Apparent sidereal time at the site, degrees. */
export const siderealDeg = ({ longitudeDeg }: Site, ms: number): number =>
  (((SiderealTime(timeOf(ms)) * 15 + longitudeDeg) % 360) + 360) % 360;

const BODIES: Record<PlanetName, Body> = {
  Mercury: Body.Mercury,
  Venus: Body.Venus,
  Mars: Body.Mars,
  Jupiter: Body.Jupiter,
  Saturn: Body.Saturn,
  Uranus: Body.Uranus,
  Neptune: Body.Neptune,
};

/** A planet on a night: its disc, how far from the Sun, how bright. */
export interface PlanetNight extends Place {
  discArcsec: number;
  fromSunDeg: number;
  magnitude: number;
  litShare: number;
}

/** @source apparent disc: the planet's equatorial radius over its distance */
export function planetOn(planet: PlanetName, site: Site, ms: number): PlanetNight {
  const body = BODIES[planet];
  const place = bodyAt(body, site, ms);
  const { mag, phase_fraction: litShare } = Illumination(body, timeOf(ms));
  return {
    raDeg: place.raDeg,
    declinationDeg: place.declinationDeg,
    discArcsec: (2 * Math.asin(PLANETS[planet].radiusKm / (place.distanceAu * AU_KM)) * 3600) / RAD,
    fromSunDeg: AngleFromSun(body, timeOf(ms)),
    magnitude: mag,
    litShare,
  };
}

const MOON_RADIUS_KM = 1737.4;
const SUN_RADIUS_KM = 695_700;

/** Moon and Sun: how large they stand in the sky, arcseconds. */
export function discsOf(site: Site, ms: number): { moonArcsec: number; sunArcsec: number } {
  const size = (body: Body, radiusKm: number) =>
    (2 * Math.asin(radiusKm / (bodyAt(body, site, ms).distanceAu * AU_KM)) * 3600) / RAD;
  return { moonArcsec: size(Body.Moon, MOON_RADIUS_KM), sunArcsec: size(Body.Sun, SUN_RADIUS_KM) };
}

/** A body of the sky whose disc can be measured. */
export type DiscBody = PlanetName | 'Moon' | 'Sun';

/** Equatorial radius, and how far the middles of body and Earth lie apart, km. */
export function apartKm(name: DiscBody, ms: number): { radiusKm: number; distanceKm: number } {
  const body = name === 'Moon' ? Body.Moon : name === 'Sun' ? Body.Sun : BODIES[name];
  const radiusKm = name === 'Moon' ? MOON_RADIUS_KM : name === 'Sun' ? SUN_RADIUS_KM : PLANETS[name].radiusKm;
  return { radiusKm, distanceKm: GeoVector(body, timeOf(ms), true).Length() * AU_KM };
}

/** Share of the Moon's disc that is lit, 0 to 1. */
export const moonLitShare = (ms: number): number => Illumination(Body.Moon, timeOf(ms)).phase_fraction;

/** How the Moon stands in its month, in words. */
export function moonPhaseName(ms: number): string {
  const eighth = Math.round(MoonPhase(timeOf(ms)) / 45) % 8;
  return ['new', 'waxing crescent', 'first quarter', 'waxing', 'full', 'waning', 'last quarter', 'waning crescent'][
    eighth
  ]!;
}

/** Angle between two directions, degrees. */
export function separationDeg(a: Place, b: Place): number {
  const [d1, d2, dr] = [a.declinationDeg * RAD, b.declinationDeg * RAD, (a.raDeg - b.raDeg) * RAD];
  return (
    Math.acos(Math.max(-1, Math.min(1, Math.sin(d1) * Math.sin(d2) + Math.cos(d1) * Math.cos(d2) * Math.cos(dr)))) / RAD
  );
}

export { Body };
