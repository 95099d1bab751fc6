import { placeIsDark } from './placeIsDark';

const at = (latitudeDeg: number, longitudeDeg: number) => ({ latitudeDeg, longitudeDeg, heightM: 0 });

/** Altitude of the Sun by the low-precision series of the Astronomical Almanac (0.01° in 1950 to 2050), degrees. */
function almanacAltitudeDeg(latitudeDeg: number, longitudeDeg: number, ms: number): number {
  const rad = Math.PI / 180;
  const n = (ms - Date.UTC(2000, 0, 1, 12)) / 86_400_000;
  const mean = 280.46 + 0.9856474 * n;
  const anomaly = (357.528 + 0.9856003 * n) * rad;
  const longitude = (mean + 1.915 * Math.sin(anomaly) + 0.02 * Math.sin(2 * anomaly)) * rad;
  const tilt = (23.439 - 0.0000004 * n) * rad;
  const ra = Math.atan2(Math.cos(tilt) * Math.sin(longitude), Math.cos(longitude));
  const declination = Math.asin(Math.sin(tilt) * Math.sin(longitude));
  const hourAngle = (280.46062 + 360.98564737 * n + longitudeDeg) * rad - ra;
  const phi = latitudeDeg * rad;
  return (
    Math.asin(Math.sin(phi) * Math.sin(declination) + Math.cos(phi) * Math.cos(declination) * Math.cos(hourAngle)) / rad
  );
}

it('agrees with the almanac’s series everywhere, all year, but within 0.05° of the limit', () => {
  let dark = 0;
  let light = 0;
  for (let latitude = -80; latitude <= 80; latitude += 20)
    for (let hour = 0; hour < 365 * 24; hour += 37) {
      const ms = Date.UTC(2026, 0, 1) + hour * 3_600_000;
      const altitude = almanacAltitudeDeg(latitude, latitude / 2, ms);
      if (Math.abs(altitude + 6) < 0.05) continue;
      const isDark = placeIsDark(at(latitude, latitude / 2), ms);
      expect({ latitude, ms, isDark }).toEqual({ latitude, ms, isDark: altitude < -6 });
      if (isDark) dark += 1;
      else light += 1;
    }
  expect(Math.min(dark, light)).toBeGreaterThan(300);
});
