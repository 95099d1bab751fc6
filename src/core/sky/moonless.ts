import { altitudeDeg, type Site } from './ephemeris';
import { longestStretch, nightAt, type NightFrame } from './night';

/** The Moon's upper edge touches the horizon when its centre stands here: half its disc and the air's refraction, degrees. */
const MOON_EDGE_DEG = -0.833;
const DAY_MS = 86_400_000;

/** The longest stretch of a night that is fully dark with the Moon below the horizon. */
export interface MoonlessWindow {
  fromMs: number;
  toMs: number;
}

/** @returns null where it does not get dark, or the Moon is up all the time it is */
export function moonlessWindow(site: Site, night: NightFrame): MoonlessWindow | null {
  if (!night.dark) return null;
  const { fromMs, toMs } = night.dark;
  return longestStretch(
    fromMs,
    toMs,
    (ms) => altitudeDeg(night.moonAt(ms), site, night.siderealAt(ms)) < MOON_EDGE_DEG,
  );
}

/** One night of those to come. */
export interface ComingNight {
  /** Local noon before it, ms UTC. */
  noonMs: number;
  window: MoonlessWindow | null;
  moonLitShare: number;
}

/** A night some days after a local noon; the length of the day is taken as even, so clocks that are changed move it by an hour. */
export function comingNight(site: Site, noonMs: number, days: number): ComingNight {
  const noon = noonMs + days * DAY_MS;
  const night = nightAt(site, noon);
  return { noonMs: noon, window: moonlessWindow(site, night), moonLitShare: night.moonLitShare };
}
