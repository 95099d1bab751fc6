import { clock, dayText, eveningOf, isDay, isZone, noonMs, shiftDay, tonight } from './localTime';

it('finds noon by the clocks of a place, also around the days on which they change', () => {
  expect(new Date(noonMs('2026-11-25', 'Europe/Berlin')).toISOString()).toBe('2026-11-25T11:00:00.000Z');
  expect(new Date(noonMs('2026-07-01', 'Europe/Berlin')).toISOString()).toBe('2026-07-01T10:00:00.000Z');
  // Clocks go back in the night of 25 October 2026, one hour more between the noons.
  expect(noonMs('2026-10-25', 'Europe/Berlin') - noonMs('2026-10-24', 'Europe/Berlin')).toBe(25 * 3_600_000);
  expect(new Date(noonMs('2026-11-25', 'Asia/Kolkata')).toISOString()).toBe('2026-11-25T06:30:00.000Z');
  expect(clock(Date.parse('2026-11-25T22:05:00Z'), 'Australia/Sydney')).toBe('09:05');
});

it('calls the night after midnight by the day it began on, at the place and not at the device', () => {
  expect(tonight('Europe/London', Date.parse('2026-11-25T23:00:00Z'))).toBe('2026-11-25');
  expect(tonight('Europe/London', Date.parse('2026-11-26T03:00:00Z'))).toBe('2026-11-25');
  expect(tonight('Pacific/Auckland', Date.parse('2026-11-25T23:30:00Z'))).toBe('2026-11-26');
});

it('knows days and zones that exist', () => {
  expect([isDay('2026-02-29'), isDay('2028-02-29'), isDay('26-1-1'), isDay('2026-13-01')]).toEqual([
    false,
    true,
    false,
    false,
  ]);
  expect([isZone('Europe/Paris'), isZone('Mars/Olympus')]).toEqual([true, false]);
  expect([shiftDay('2026-12-31', 1), shiftDay('2026-03-01', -1), dayText('2026-11-25')]).toEqual([
    '2027-01-01',
    '2026-02-28',
    'Wed 25 Nov 2026',
  ]);
});

it('knows the evening a picture belongs to by its clock', () => {
  expect(eveningOf('2026-03-01T02:13:00')).toBe('2026-02-28');
  expect(eveningOf('2026-02-28T21:00:00')).toBe('2026-02-28');
  expect(eveningOf('2028-03-01T11:59:59')).toBe('2028-02-29');
});
