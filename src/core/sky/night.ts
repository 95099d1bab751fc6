import { Body, altitudeDeg, bodyAt, moonLitShare, moonPhaseName, separationDeg, siderealDeg, sunPasses, type Place, type Site } from './ephemeris';

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
  /** Sun 18° below the horizon, where it gets that low; else the deepest there is, or none. */
  dark: { fromMs: number; toMs: number } | null;
  /** Nautical: Sun 12° below. */
  dusk: { fromMs: number; toMs: number } | null;
  sunset: number | null;
  sunrise: number | null;
  moonLitShare: number;
  moonPhase: string;
}

/** Between two samples, ms. */
const STEP_MS = 10 * 60_000;
const SIDEREAL_PER_MS = 360.98564736629 / 86_400_000;

function span(site: Site, altitude: number, noonMs: number): { fromMs: number; toMs: number } | null {
  const fromMs = sunPasses(site, altitude, false, noonMs);
  if (fromMs === null) return null;
  const toMs = sunPasses(site, altitude, true, fromMs);
  return toMs === null ? null : { fromMs, toMs };
}

/**
 * A night at a site: from one local noon to the next.
 *
 * @param noonMs local noon, ms UTC
 */
export function nightAt(site: Site, noonMs: number): NightFrame {
  const toMs = noonMs + 86_400_000;
  const count = Math.round((toMs - noonMs) / STEP_MS);
  const times = Array.from({ length: count + 1 }, (_, i) => noonMs + i * STEP_MS);
  const start = siderealDeg(site, noonMs);
  const sidereal = times.map((ms) => (start + (ms - noonMs) * SIDEREAL_PER_MS) % 360);
  // Sun and Moon move slowly enough for straight lines between hours.
  const hourly = (body: Body) => {
    const places = Array.from({ length: 25 }, (_, i) => bodyAt(body, site, noonMs + i * 3_600_000));
    return times.map((ms): Place => {
      const at = Math.min(23, Math.floor((ms - noonMs) / 3_600_000));
      const share = (ms - noonMs) / 3_600_000 - at;
      const [a, b] = [places[at]!, places[at + 1]!];
      const step = ((b.raDeg - a.raDeg + 540) % 360) - 180;
      return { raDeg: (a.raDeg + step * share + 360) % 360, declinationDeg: a.declinationDeg + (b.declinationDeg - a.declinationDeg) * share };
    });
  };
  const moonPlaces = hourly(Body.Moon);
  const altitudes = (places: Place[]) => places.map((place, i) => altitudeDeg(place, site, sidereal[i]!));
  return {
    fromMs: noonMs,
    toMs,
    times,
    siderealDeg: sidereal,
    sunDeg: altitudes(hourly(Body.Sun)),
    moonDeg: altitudes(moonPlaces),
    moonPlaces,
    dark: span(site, -18, noonMs),
    dusk: span(site, -12, noonMs),
    sunset: sunPasses(site, -0.833, false, noonMs),
    sunrise: sunPasses(site, -0.833, true, noonMs + 6 * 3_600_000),
    moonLitShare: moonLitShare(noonMs + 12 * 3_600_000),
    moonPhase: moonPhaseName(noonMs + 12 * 3_600_000),
  };
}

/** An object's altitude at every sample of a night. */
export const altitudesOf = (place: Place, site: Site, night: NightFrame): number[] => night.siderealDeg.map((sidereal) => altitudeDeg(place, site, sidereal));

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

/**
 * The best part of a night for an object: dark, above 30°, and without the Moon where that leaves at least half an hour.
 *
 * @returns null when it does not stand above 30° in the dark
 */
export function bestWindow(place: Place, site: Site, night: NightFrame, leastDeg = LEAST_ALTITUDE_DEG): BestWindow | null {
  const darkness = night.dark ?? night.dusk;
  if (!darkness) return null;
  const altitudes = altitudesOf(place, site, night);
  const disturbed = (i: number) => night.moonLitShare >= MOON_LIT && night.moonDeg[i]! > 0 && separationDeg(place, night.moonPlaces[i]!) < MOON_FAR_DEG;
  const stretch = (good: (i: number) => boolean): [number, number] | null => {
    let best: [number, number] | null = null;
    let start = -1;
    for (let i = 0; i <= night.times.length; i += 1) {
      const ok = i < night.times.length && good(i);
      if (ok && start < 0) start = i;
      if (!ok && start >= 0) {
        if (!best || i - 1 - start > best[1] - best[0]) best = [start, i - 1];
        start = -1;
      }
    }
    return best;
  };
  const inDark = (i: number) => night.times[i]! >= darkness.fromMs && night.times[i]! <= darkness.toMs && altitudes[i]! >= leastDeg;
  const clear = stretch((i) => inDark(i) && !disturbed(i));
  const found = clear && clear[1] - clear[0] >= 3 ? clear : stretch(inDark);
  if (!found) return null;
  const [from, to] = found;
  let highest = from;
  let nearest = 180;
  let moonDisturbs = false;
  for (let i = from; i <= to; i += 1) {
    if (altitudes[i]! > altitudes[highest]!) highest = i;
    nearest = Math.min(nearest, separationDeg(place, night.moonPlaces[i]!));
    moonDisturbs ||= disturbed(i);
  }
  return { fromMs: night.times[from]!, toMs: night.times[to]!, highestDeg: altitudes[highest]!, highestMs: night.times[highest]!, moonFromDeg: nearest, moonDisturbs };
}
