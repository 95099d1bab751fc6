import {
  Body,
  altitudeDeg,
  bodyAt,
  moonLitShare,
  moonPhaseName,
  separationDeg,
  siderealDeg,
  type Place,
  type Site,
} from './ephemeris';
import { sunBelow, type SunBelow } from './sunBelow';

/** Altitudes through a night, degrees, at even times; the Moon beside them. */
export interface NightFrame {
  /** From local noon to the next noon, ms UTC. */
  fromMs: number;
  toMs: number;
  /** Times of the samples. */
  times: number[];
  siderealDeg: number[];
  sunDeg: number[];
  moonDeg: number[];
  moonPlaces: Place[];
  /** Local sidereal time and the Moon's place between the samples. */
  siderealAt: (ms: number) => number;
  moonAt: (ms: number) => Place;
  /** Sun 18° below the horizon: the sky is dark. None where it never gets that low. */
  dark: SunBelow | null;
  /** Nautical: Sun 12° below; civil: 6° below; down: its upper edge below the horizon. */
  dusk: SunBelow | null;
  civil: SunBelow | null;
  sunDown: SunBelow | null;
  /** When its upper edge goes and comes; null on a day it does neither. */
  sunset: number | null;
  sunrise: number | null;
  moonLitShare: number;
  moonPhase: string;
}

/** Between two samples, ms. */
const STEP_MS = 10 * 60_000;
const HOUR_MS = 3_600_000;
const HOURS = 24;
const SIDEREAL_PER_MS = 360.98564736629 / 86_400_000;
/** Altitude of the Sun's centre when its upper edge touches the horizon: half its disc and the air's refraction there. */
const EDGE_DEG = -0.833;

/** A body's place through a night. Sun and Moon move slowly enough for straight lines between hours. */
function placesFrom(body: Body, site: Site, noonMs: number): (ms: number) => Place {
  const places = Array.from({ length: HOURS + 1 }, (_, i) => bodyAt(body, site, noonMs + i * HOUR_MS));
  return (ms) => {
    const at = Math.max(0, Math.min(HOURS - 1, Math.floor((ms - noonMs) / HOUR_MS)));
    const share = (ms - noonMs) / HOUR_MS - at;
    const [a, b] = [places[at]!, places[at + 1]!];
    const step = ((b.raDeg - a.raDeg + 540) % 360) - 180;
    return {
      raDeg: (a.raDeg + step * share + 360) % 360,
      declinationDeg: a.declinationDeg + (b.declinationDeg - a.declinationDeg) * share,
    };
  };
}

/**
 * A night at a site: from one local noon to the next.
 *
 * @param noonMs local noon, ms UTC
 */
export function nightAt(site: Site, noonMs: number): NightFrame {
  const toMs = noonMs + HOURS * HOUR_MS;
  const times = Array.from({ length: (HOURS * HOUR_MS) / STEP_MS + 1 }, (_, i) => noonMs + i * STEP_MS);
  const start = siderealDeg(site, noonMs);
  const siderealAt = (ms: number) => (start + (ms - noonMs) * SIDEREAL_PER_MS) % 360;
  const sunAt = placesFrom(Body.Sun, site, noonMs);
  const moonAt = placesFrom(Body.Moon, site, noonMs);
  const sunDegAt = (ms: number) => altitudeDeg(sunAt(ms), site, siderealAt(ms));
  const below = (limitDeg: number) => sunBelow(sunDegAt, times, limitDeg);
  const sunDown = below(EDGE_DEG);
  return {
    fromMs: noonMs,
    toMs,
    times,
    siderealDeg: times.map(siderealAt),
    sunDeg: times.map(sunDegAt),
    moonDeg: times.map((ms) => altitudeDeg(moonAt(ms), site, siderealAt(ms))),
    moonPlaces: times.map(moonAt),
    siderealAt,
    moonAt,
    dark: below(-18),
    dusk: below(-12),
    civil: below(-6),
    sunDown,
    sunset: sunDown && sunDown.fromMs > noonMs ? sunDown.fromMs : null,
    sunrise: sunDown && sunDown.toMs < toMs ? sunDown.toMs : null,
    moonLitShare: moonLitShare(noonMs + 12 * HOUR_MS),
    moonPhase: moonPhaseName(noonMs + 12 * HOUR_MS),
  };
}

/** An object's altitude at every sample of a night. */
export const altitudesOf = (place: Place, site: Site, night: NightFrame): number[] =>
  night.siderealDeg.map((sidereal) => altitudeDeg(place, site, sidereal));

/** When an object is best taken, and why not longer. */
export interface BestWindow {
  fromMs: number;
  toMs: number;
  highestDeg: number;
  highestMs: number;
  /** Nearest the Moon comes meanwhile, and whether it is up and bright enough to matter. */
  moonFromDeg: number;
  moonDisturbs: boolean;
}

/** Below this the air is thick; above it an object is worth the time. */
export const LEAST_ALTITUDE_DEG = 30;
/** A Moon lit less than this, or lower, or farther than this from the object, does not matter much. */
const MOON_LIT = 0.25;
const MOON_FAR_DEG = 60;

/** Closer than this an edge of a window is not worth seeking, ms. */
const EDGE_WITHIN_MS = 1000;
/** A clear stretch shorter than this is no reason to leave out the time with the Moon, ms. */
const WORTH_MS = 30 * 60_000;

/** The longest stretch of a span in which something holds, to the second. */
export function longestStretch(
  fromMs: number,
  toMs: number,
  good: (ms: number) => boolean,
): { fromMs: number; toMs: number } | null {
  const count = Math.max(1, Math.ceil((toMs - fromMs) / STEP_MS));
  const nodes = Array.from({ length: count + 1 }, (_, i) => fromMs + ((toMs - fromMs) * i) / count);
  const edge = (a: number, b: number): number => {
    let [inside, outside] = good(a) ? [a, b] : [b, a];
    while (Math.abs(inside - outside) > EDGE_WITHIN_MS) {
      const middle = (inside + outside) / 2;
      if (good(middle)) inside = middle;
      else outside = middle;
    }
    return inside;
  };
  let best: { fromMs: number; toMs: number } | null = null;
  let start: number | null = good(nodes[0]!) ? nodes[0]! : null;
  const end = (at: number) => {
    if (start !== null && (!best || at - start > best.toMs - best.fromMs)) best = { fromMs: start, toMs: at };
    start = null;
  };
  for (let i = 1; i < nodes.length; i += 1) {
    const holds = good(nodes[i]!);
    if (holds === (start !== null)) continue;
    const at = edge(nodes[i - 1]!, nodes[i]!);
    if (holds) start = at;
    else end(at);
  }
  if (start !== null) end(nodes.at(-1)!);
  return best;
}

/**
 * The best part of a night for an object: dark, above 30°, and without the Moon where that leaves at least half an hour. Where
 * it does not get fully dark, the nautical night stands for it.
 *
 * @returns null when it does not stand above 30° in the dark
 */
export function bestWindow(
  place: Place,
  site: Site,
  night: NightFrame,
  leastDeg = LEAST_ALTITUDE_DEG,
): BestWindow | null {
  const darkness = night.dark ?? night.dusk;
  if (!darkness) return null;
  const altitudeAt = (ms: number) => altitudeDeg(place, site, night.siderealAt(ms));
  const moonDistance = (ms: number) => separationDeg(place, night.moonAt(ms));
  const disturbed = (ms: number) =>
    night.moonLitShare >= MOON_LIT &&
    altitudeDeg(night.moonAt(ms), site, night.siderealAt(ms)) > 0 &&
    moonDistance(ms) < MOON_FAR_DEG;
  const high = (ms: number) => altitudeAt(ms) >= leastDeg;
  const clear = longestStretch(darkness.fromMs, darkness.toMs, (ms) => high(ms) && !disturbed(ms));
  const found =
    clear && clear.toMs - clear.fromMs >= WORTH_MS ? clear : longestStretch(darkness.fromMs, darkness.toMs, high);
  if (!found) return null;
  const within = [found.fromMs, ...night.times.filter((ms) => ms > found.fromMs && ms < found.toMs), found.toMs];
  const highestMs = within.reduce((a, b) => (altitudeAt(b) > altitudeAt(a) ? b : a));
  return {
    ...found,
    highestDeg: altitudeAt(highestMs),
    highestMs,
    moonFromDeg: Math.min(...within.map(moonDistance)),
    moonDisturbs: within.some(disturbed),
  };
}
