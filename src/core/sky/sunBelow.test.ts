import { nightAt } from './night';
import { sunBelow } from './sunBelow';

const RAD = Math.PI / 180;
// Looked up once: in a test's own global scope that takes longer than the cosine.
const { cos, sin } = Math;
const DAY_MS = 86_400_000;

/**
 * The Sun's declination and Greenwich hour angle, degrees, to about 0.01°: the low-precision series of The Astronomical
 * Almanac (page C5), worked out here without the package the core uses.
 */
function sunOf(ms: number): { declinationDeg: number; greenwichHourDeg: number } {
  const n = ms / DAY_MS - 10957.5;
  const g = (357.528 + 0.9856003 * n) * RAD;
  const longitude = (280.46 + 0.9856474 * n + 1.915 * Math.sin(g) + 0.02 * Math.sin(2 * g)) * RAD;
  const tilt = (23.439 - 0.0000004 * n) * RAD;
  const rightAscension = Math.atan2(Math.cos(tilt) * Math.sin(longitude), Math.cos(longitude)) / RAD;
  const sidereal = 280.46061837 + 360.98564736629 * n;
  return {
    declinationDeg: Math.asin(Math.sin(tilt) * Math.sin(longitude)) / RAD,
    greenwichHourDeg: (sidereal - rightAscension) % 360,
  };
}

/** What a second ephemeris may differ by, degrees. */
const WITHIN_DEG = 0.03;
const LIMITS = [
  ['dark', -18],
  ['dusk', -12],
  ['civil', -6],
  ['sunDown', -0.833],
] as const;

/** Samples that stand above a limit within a stretch, and the longest row of samples surely below it. */
function walked(
  sines: Float64Array,
  surely: number,
  hardly: number,
  first: number,
  last: number,
): { above: number; longest: number } {
  let [above, below, longest] = [0, 0, 0];
  for (let i = 0; i < sines.length; i += 1) {
    const sine = sines[i]!;
    if (sine > hardly && i > first && i < last) above += 1;
    below = sine < surely ? below + 1 : 0;
    if (below > longest) longest = below;
  }
  return { above, longest };
}

describe('a whole year of nights, against the Sun sampled every ten seconds', () => {
  const SAMPLES = 8640;
  const sinDeg = (degrees: number) => sin(degrees * RAD);

  it.each([0, 28, 48, 52, 60, 67, 78, 85].flatMap((latitude) => (latitude === 0 ? [0] : [latitude, -latitude])))(
    'at latitude %s°',
    (latitudeDeg) => {
      const longitudeDeg = 17;
      const [sinLat, cosLat] = [sinDeg(latitudeDeg), Math.cos(latitudeDeg * RAD)];
      const sines = new Float64Array(SAMPLES + 1);
      const wrong: string[] = [];
      for (let day = 0; day < 365; day += 1) {
        const noonMs = Date.UTC(2026, 0, 1 + day, 11);
        // The Sun's own motion is straight over an hour; the hour angle turns evenly.
        for (let hour = 0; hour <= 24; hour += 1) {
          const [a, b] = [sunOf(noonMs + hour * 3_600_000), sunOf(noonMs + (hour + 1) * 3_600_000)];
          const turn = (((b.greenwichHourDeg - a.greenwichHourDeg) % 360) + 360) % 360;
          const declination = (a.declinationDeg + b.declinationDeg) / 2;
          const [up, across] = [sinLat * sinDeg(declination), cosLat * Math.cos(declination * RAD)];
          for (let i = 0; i < 360 && hour * 360 + i <= SAMPLES; i += 1) {
            sines[hour * 360 + i] = up + across * cos((a.greenwichHourDeg + (turn * i) / 360 + longitudeDeg) * RAD);
          }
        }
        const night = nightAt({ latitudeDeg, longitudeDeg, heightM: 0 }, noonMs);
        for (const [name, limit] of LIMITS) {
          const span = night[name];
          const [first, last] = span
            ? [(span.fromMs - noonMs) / 10_000, (span.toMs - noonMs) / 10_000]
            : [Infinity, -Infinity];
          const { above, longest } = walked(sines, sinDeg(limit - WITHIN_DEG), sinDeg(limit + WITHIN_DEG), first, last);
          if (above > 0) wrong.push(`${name}, day ${day}: ${above} samples above within the stretch`);
          // The stretch found is no shorter than any the samples show.
          if (longest > 1 && last - first < longest - 1)
            wrong.push(`${name}, day ${day}: ${longest} samples below, found ${last - first}`);
        }
        if (wrong.length > 5) break;
      }
      expect(wrong).toEqual([]);
    },
  );
});

it('has 24 hours of dark and of light as answers', () => {
  const times = Array.from({ length: 145 }, (_, i) => i * 600_000);
  const wave = (top: number, bottom: number) => (ms: number) =>
    (top + bottom) / 2 + ((top - bottom) / 2) * Math.cos((ms / DAY_MS) * 2 * Math.PI);
  expect(sunBelow(wave(-19, -30), times, -18)).toEqual({ fromMs: 0, toMs: DAY_MS, throughout: true });
  expect(sunBelow(wave(40, -17.9), times, -18)).toBeNull();
  // Dark for two minutes between two samples.
  const short = sunBelow((ms) => wave(40, -18.0000235)(ms - 300_000), times, -18)!;
  expect((short.toMs - short.fromMs) / 1000).toBeGreaterThan(20);
  expect((short.toMs - short.fromMs) / 1000).toBeLessThan(600);
  expect((short.toMs + short.fromMs) / 2).toBeCloseTo(DAY_MS / 2 + 300_000, -3);
});
