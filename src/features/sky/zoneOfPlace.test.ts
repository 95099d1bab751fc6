import { zoneMisfit, zoneOfPlace } from './zoneOfPlace';

const NOVEMBER = Date.UTC(2026, 10, 26);
const JULY = Date.UTC(2026, 6, 1);

it.each([
  [54.3, 8.6, 'Europe/Berlin'],
  [28.7, -17.9, 'Atlantic/Canary'],
  [-22.6, 17.1, 'Africa/Windhoek'],
  [-45, 170.5, 'Pacific/Auckland'],
])('the place at %d, %d keeps the clocks of %s', (latitudeDeg, longitudeDeg, zone) => {
  expect(zoneOfPlace({ latitudeDeg, longitudeDeg })).toBe(zone);
});

it('clocks that tell another time there are named, others that agree are not', () => {
  const berlin = { latitudeDeg: 54.3, longitudeDeg: 8.6 };
  expect(zoneMisfit({ ...berlin, zone: 'Europe/Paris' }, NOVEMBER)).toBeNull();
  expect(zoneMisfit({ ...berlin, zone: 'Europe/London' }, NOVEMBER)).toBe('Europe/Berlin');
  // Agree in winter and differ in summer.
  expect(zoneMisfit({ ...berlin, zone: 'Africa/Algiers' }, NOVEMBER)).toBeNull();
  expect(zoneMisfit({ ...berlin, zone: 'Africa/Algiers' }, JULY)).toBe('Europe/Berlin');
});
