import { Body, altitudeDeg, bodyAt, siderealDeg, type Site } from './ephemeris';
import { comingNight, moonlessWindow } from './moonless';
import { nightAt } from './night';

const MINUTE = 60_000;
const places: [string, Site][] = [
  ['an island at 28.7°', { latitudeDeg: 28.7, longitudeDeg: -17.9, heightM: 700 }],
  ['a marsh at 54.3°', { latitudeDeg: 54.3, longitudeDeg: 8.6, heightM: 0 }],
  ['a desert at −23°', { latitudeDeg: -23, longitudeDeg: 17, heightM: 1200 }],
];
/** Straight from the ephemeris, without what a night keeps in between. */
const altitude = (body: Body, site: Site, ms: number) =>
  altitudeDeg(bodyAt(body, site, ms), site, siderealDeg(site, ms));

describe.each(places)('the dark without the Moon on %s', (_, site) => {
  // Nine nights over a month meet a Moon of every phase.
  it.each([0, 3, 7, 11, 14, 18, 21, 25, 28])('in night %d is the longest there is, minute by minute', (day) => {
    const noon = Date.UTC(2026, 10, 10, 12) - (site.longitudeDeg / 15) * 3_600_000 + day * 86_400_000;
    const { window } = comingNight(site, noon, 0);
    let [best, from] = [0, NaN];
    for (let ms = noon; ms <= noon + 86_400_000; ms += MINUTE) {
      const good = altitude(Body.Sun, site, ms) < -18 && altitude(Body.Moon, site, ms) < -0.833;
      if (good && Number.isNaN(from)) from = ms;
      if (good) continue;
      if (!Number.isNaN(from)) best = Math.max(best, ms - from);
      from = NaN;
    }
    const found = window ? window.toMs - window.fromMs : 0;
    expect(Math.abs(found - best)).toBeLessThan(4 * MINUTE);
    if (!window) return expect(best).toBeLessThan(4 * MINUTE);
    const middle = (window.fromMs + window.toMs) / 2;
    expect(altitude(Body.Sun, site, middle)).toBeLessThan(-17.9);
    expect(altitude(Body.Moon, site, middle)).toBeLessThan(-0.7);
    return undefined;
  });
});

it('there is none in a night that does not get dark', () => {
  const site = { latitudeDeg: 60, longitudeDeg: 10, heightM: 0 };
  expect(moonlessWindow(site, nightAt(site, Date.UTC(2026, 5, 20, 11)))).toBeNull();
});
