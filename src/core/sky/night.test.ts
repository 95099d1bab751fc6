import { Horizon, MoonPhase, SearchMoonPhase } from 'astronomy-engine';
import { DEEP_OBJECTS } from './catalogue';
import {
  Body,
  altitudeDeg,
  bodyAt,
  discsOf,
  moonLitShare,
  moonPhaseName,
  msOf,
  observerOf,
  ofDate,
  planetOn,
  separationDeg,
  siderealDeg,
  timeOf,
  type Place,
  type Site,
} from './ephemeris';
import { altitudesOf, bestWindow, nightAt } from './night';

const utc = (text: string): number => Date.parse(`${text}Z`);
const greenwich: Site = { latitudeDeg: 51.4779, longitudeDeg: 0, heightM: 45 };
/** Altitude by the package’s own transformation. */
const horizonOf = (place: Place, site: Site, ms: number) => ({
  altitudeDeg: Horizon(timeOf(ms), observerOf(site), place.raDeg / 15, place.declinationDeg).altitude,
});
const minutes = (a: number, b: number): number => Math.abs(a - b) / 60_000;

// Published facts: The Astronomical Almanac and the almanac offices' public tables (phases of the Moon, seasons, oppositions,
// rising and setting), each rounded as printed there.
describe('against the almanac', () => {
  it('the Moon was full on 2024-01-25 at 17:54 and new on 2024-04-08 at 18:21 UT', () => {
    const full = SearchMoonPhase(180, timeOf(utc('2024-01-20T00:00')), 10)!;
    const dark = SearchMoonPhase(0, timeOf(utc('2024-04-01T00:00')), 10)!;
    expect(minutes(msOf(full), utc('2024-01-25T17:54'))).toBeLessThan(1);
    expect(minutes(msOf(dark), utc('2024-04-08T18:21'))).toBeLessThan(1);
    expect(moonLitShare(utc('2024-01-25T17:54'))).toBeGreaterThan(0.99);
    expect(moonLitShare(utc('2024-04-08T18:21'))).toBeLessThan(0.001);
    expect([
      moonPhaseName(utc('2024-01-25T17:54')),
      moonPhaseName(utc('2024-04-08T18:21')),
      moonPhaseName(utc('2024-04-15T19:13')),
    ]).toEqual(['full', 'new', 'first quarter']);
    expect(Math.abs(MoonPhase(timeOf(utc('2024-01-25T17:54'))) - 180)).toBeLessThan(0.05);
  });

  it('the Sun crossed the equator on 2025-03-20 at 09:01 UT and stood at its farthest north, 23.44°, on 2025-06-21', () => {
    expect(Math.abs(bodyAt(Body.Sun, greenwich, utc('2025-03-20T09:01')).declinationDeg)).toBeLessThan(0.003);
    expect(bodyAt(Body.Sun, greenwich, utc('2025-06-21T02:42')).declinationDeg).toBeCloseTo(23.44, 2);
  });

  it('Jupiter stood opposite the Sun on 2024-12-07, 48″ across; Mars on 2025-01-16, 14.5″; Saturn on 2025-09-21, 19.4″', () => {
    const jupiter = planetOn('Jupiter', greenwich, utc('2024-12-07T21:00'));
    expect(jupiter.fromSunDeg).toBeGreaterThan(178);
    expect(jupiter.discArcsec).toBeCloseTo(48.2, 0);
    expect(jupiter.magnitude).toBeCloseTo(-2.8, 1);
    const mars = planetOn('Mars', greenwich, utc('2025-01-16T03:00'));
    expect(mars.fromSunDeg).toBeGreaterThan(175);
    expect(Math.abs(mars.discArcsec - 14.5)).toBeLessThan(0.2);
    const saturn = planetOn('Saturn', greenwich, utc('2025-09-21T06:00'));
    expect(saturn.fromSunDeg).toBeGreaterThan(177);
    expect(Math.abs(saturn.discArcsec - 19.4)).toBeLessThan(0.2);
  });

  it('Venus stood 47° from the Sun on 2025-01-10 and Mercury never goes beyond 28°', () => {
    expect(planetOn('Venus', greenwich, utc('2025-01-10T05:00')).fromSunDeg).toBeCloseTo(47.2, 0);
    expect(planetOn('Mercury', greenwich, utc('2025-03-08T06:00')).fromSunDeg).toBeLessThan(28.5);
  });

  it('the Sun set at Greenwich on 2025-06-21 at 20:21 UT and rose at 03:43', () => {
    expect(minutes(nightAt(greenwich, utc('2025-06-21T12:00')).sunset!, utc('2025-06-21T20:21'))).toBeLessThan(2);
    expect(minutes(nightAt(greenwich, utc('2025-06-20T12:00')).sunrise!, utc('2025-06-21T03:43'))).toBeLessThan(2);
  });

  it('Sun and Moon are about half a degree across: the Sun 32′32″ in early January, 31′28″ in early July', () => {
    expect(discsOf(greenwich, utc('2025-01-04T12:00')).sunArcsec / 60).toBeCloseTo(32.53, 1);
    expect(discsOf(greenwich, utc('2025-07-03T12:00')).sunArcsec / 60).toBeCloseTo(31.47, 1);
    const { moonArcsec } = discsOf(greenwich, utc('2025-11-05T22:00'));
    // The full Moon at its nearest of 2025.
    expect(moonArcsec / 60).toBeGreaterThan(33);
  });
});

describe('where things stand', () => {
  it('agrees with the package’s own horizon, by a shorter way', () => {
    for (const object of DEEP_OBJECTS.slice(0, 12)) {
      const ms = utc('2026-11-25T21:30');
      const place = ofDate(object.raHours, object.declinationDeg, ms);
      expect(altitudeDeg(place, greenwich, siderealDeg(greenwich, ms))).toBeCloseTo(
        horizonOf(place, greenwich, ms).altitudeDeg,
        3,
      );
    }
  });

  it('the pole stands as high as the latitude, whatever the hour', () => {
    for (const sidereal of [0, 77, 200])
      expect(altitudeDeg({ raDeg: 10, declinationDeg: 90 }, greenwich, sidereal)).toBeCloseTo(51.4779, 6);
  });

  it('moves a catalogue’s place by half a degree or less within this century', () => {
    const moved = ofDate(0, 0, utc('2026-01-01T00:00'));
    expect(separationDeg(moved, { raDeg: 0, declinationDeg: 0 })).toBeGreaterThan(0.3);
    expect(separationDeg(moved, { raDeg: 0, declinationDeg: 0 })).toBeLessThan(0.4);
  });
});

describe('a night', () => {
  const m31 = DEEP_OBJECTS.find((each) => each.id === 'M 31')!;
  const noon = utc('2026-11-25T12:00');
  const night = nightAt(greenwich, noon);

  it('goes from noon to noon, dark only while the Sun is 18° down', () => {
    expect(night.times).toHaveLength(145);
    const { fromMs, toMs } = night.dark!;
    night.times.forEach((ms, i) => {
      if (ms > fromMs + 60_000 && ms < toMs - 60_000) expect(night.sunDeg[i]).toBeLessThan(-17.9);
      if (ms < fromMs - 60_000 || ms > toMs + 60_000) expect(night.sunDeg[i]).toBeGreaterThan(-18.1);
    });
    expect(night.sunset!).toBeLessThan(night.dusk!.fromMs);
    expect(night.dusk!.fromMs).toBeLessThan(fromMs);
    expect(night.sunrise!).toBeGreaterThan(toMs);
  });

  it('has no dark hours in a northern midsummer, and none at all under the midnight Sun', () => {
    expect(nightAt(greenwich, utc('2026-06-21T12:00')).dark).toBeNull();
    const north = nightAt({ latitudeDeg: 70, longitudeDeg: 20, heightM: 0 }, utc('2026-06-21T11:00'));
    expect([north.dark, north.dusk, north.sunset]).toEqual([null, null, null]);
    expect(
      bestWindow({ raDeg: 0, declinationDeg: 80 }, { latitudeDeg: 70, longitudeDeg: 20, heightM: 0 }, north),
    ).toBeNull();
  });

  it('follows Moon and object as the exact positions do', () => {
    const place = ofDate(m31.raHours, m31.declinationDeg, noon);
    const altitudes = altitudesOf(place, greenwich, night);
    for (const i of [10, 61, 100, 140]) {
      expect(altitudes[i]!).toBeCloseTo(horizonOf(place, greenwich, night.times[i]!).altitudeDeg, 2);
      expect(
        Math.abs(
          night.moonDeg[i]! -
            horizonOf(bodyAt(Body.Moon, greenwich, night.times[i]!), greenwich, night.times[i]!).altitudeDeg,
        ),
      ).toBeLessThan(0.05);
    }
  });

  it('finds the best window: dark, high, and without a bright Moon nearby where that can be had', () => {
    const place = ofDate(m31.raHours, m31.declinationDeg, noon);
    const best = bestWindow(place, greenwich, night)!;
    expect(best.fromMs).toBeGreaterThanOrEqual(night.dark!.fromMs);
    expect(best.toMs).toBeLessThanOrEqual(night.dark!.toMs);
    expect(best.highestDeg).toBeLessThanOrEqual(90 - Math.abs(51.4779 - place.declinationDeg) + 1e-6);
    const altitudes = altitudesOf(place, greenwich, night);
    night.times.forEach((ms, i) => {
      if (ms >= best.fromMs && ms <= best.toMs) expect(altitudes[i]!).toBeGreaterThanOrEqual(30);
    });
    // What never rises there has no window.
    expect(bestWindow(ofDate(0.4, -72, noon), greenwich, night)).toBeNull();
  });
});
