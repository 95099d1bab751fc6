import { aimOf, steadyAim, type Aim } from '@/core/sky/deviceAim';
import type { SkySite } from './skyOptions';

/** A direction the device told, against true north where the place is known. */
export interface TakenAim extends Aim {
  /** How far the readings went apart while it was held, degrees. */
  spreadDeg: number;
  /** What was added to the compass to reach true north, degrees; null without a place. */
  declinationDeg: number | null;
}

/** So long the device is listened to, ms: long enough for a hand to come to rest. */
const LISTEN_MS = 1500;

/** What some browsers add: the compass itself, from magnetic north through east. */
interface CompassEvent extends DeviceOrientationEvent {
  webkitCompassHeading?: number;
}

/** Some browsers ask the person first, and only where a key was pressed. */
interface Asked {
  requestPermission?: () => Promise<string>;
}

function readingOf(event: CompassEvent): Aim | null {
  const { alpha, beta, gamma, absolute, webkitCompassHeading } = event;
  if (beta === null || gamma === null) return null;
  const { altitudeDeg } = aimOf({ alphaDeg: 0, betaDeg: beta, gammaDeg: gamma });
  if (typeof webkitCompassHeading === 'number') return { azimuthDeg: webkitCompassHeading, altitudeDeg };
  // An angle that counts from wherever the device lay at the start says nothing of north.
  return alpha !== null && absolute ? aimOf({ alphaDeg: alpha, betaDeg: beta, gammaDeg: gamma }) : null;
}

function listen(): Promise<Aim[]> {
  return new Promise((resolve) => {
    const aims: Aim[] = [];
    const hear = (event: Event) => {
      const aim = readingOf(event as CompassEvent);
      if (aim) aims.push(aim);
    };
    const names = ['deviceorientationabsolute', 'deviceorientation'];
    for (const name of names) window.addEventListener(name, hear);
    setTimeout(() => {
      for (const name of names) window.removeEventListener(name, hear);
      resolve(aims);
    }, LISTEN_MS);
  });
}

/** What is to be added to a compass at a place to reach true north, degrees, by the World Magnetic Model. */
export async function declinationDeg(site: SkySite, ms: number): Promise<number> {
  const { model } = await import('geomagnetism');
  return model(new Date(ms), { allowOutOfBoundsModel: true }).point([site.latitudeDeg, site.longitudeDeg]).decl;
}

/**
 * Asks the device where its back points. To be called when a key is pressed: some browsers ask the person then.
 *
 * @param siteNow asked once the device was listened to: the place may have come meanwhile
 * @returns null when it does not tell, or was not allowed to
 */
export async function takeAim(siteNow: () => SkySite | null): Promise<TakenAim | null> {
  if (typeof DeviceOrientationEvent === 'undefined') return null;
  const asked = await (DeviceOrientationEvent as Asked).requestPermission?.().catch(() => 'denied');
  if (asked !== undefined && asked !== 'granted') return null;
  const steady = steadyAim((await listen()).slice(-MOST_READINGS));
  if (!steady) return null;
  const site = siteNow();
  const declination = site ? await declinationDeg(site, Date.now()) : null;
  return {
    ...steady,
    azimuthDeg: (steady.azimuthDeg + (declination ?? 0) + 360) % 360,
    declinationDeg: declination,
  };
}

/** The last ones, when the hand had come to rest. */
const MOST_READINGS = 20;
