import { altitudeDeg, type Site } from '../sky/ephemeris';
import { moonlessWindow, type MoonlessWindow } from '../sky/moonless';
import { nightAt, type NightFrame } from '../sky/night';
import { nightQuantities, type NightQuantities } from '../sky/nightQuantities';

/** When the Moon's upper edge comes or goes. */
export interface MoonEdge {
  kind: 'rises' | 'sets';
  ms: number;
}

/** When it is light and dark at the place of an outing. */
export interface OutingNight {
  /** The night after noon of the day, and the one that ends on its morning. */
  night: NightFrame;
  before: NightFrame;
  numbers: NightQuantities;
  moonless: MoonlessWindow | null;
  /** From noon to noon, and on the day itself from midnight to midnight; in the order in which it happens. */
  moon: MoonEdge[];
  moonOfDay: MoonEdge[];
}

/** The Moon's upper edge touches the horizon when its centre stands here: half its disc and the air's refraction, degrees. */
const MOON_EDGE_DEG = -0.833;
/** Crossings are found to a second. */
const WITHIN_MS = 1000;
const DAY_MS = 86_400_000;

function moonEdges(site: Site, night: NightFrame): MoonEdge[] {
  const above = (ms: number) => altitudeDeg(night.moonAt(ms), site, night.siderealAt(ms)) > MOON_EDGE_DEG;
  return night.times.slice(1).flatMap((ms, i) => {
    let [from, to] = [night.times[i]!, ms];
    const up = above(from);
    if (up === above(to)) return [];
    while (to - from > WITHIN_MS) {
      const middle = (from + to) / 2;
      if (above(middle) === up) from = middle;
      else to = middle;
    }
    return [{ kind: up ? 'sets' : 'rises', ms: to } as const];
  });
}

/**
 * Light and dark of an outing: the night that begins on its day, and the one that ends on its morning.
 *
 * @param noonMs noon of the day at the place, ms UTC
 */
export function outingNight(site: Site, noonMs: number): OutingNight {
  const night = nightAt(site, noonMs);
  const before = nightAt(site, noonMs - DAY_MS);
  const moon = moonEdges(site, night);
  const midnightMs = noonMs - DAY_MS / 2;
  return {
    night,
    before,
    numbers: nightQuantities(night, null, ''),
    moonless: moonlessWindow(site, night),
    moon,
    moonOfDay: [...moonEdges(site, before), ...moon].filter(({ ms }) => ms >= midnightMs && ms < midnightMs + DAY_MS),
  };
}
