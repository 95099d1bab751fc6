import { TZDate } from '@date-fns/tz';
import { addDays, format } from 'date-fns';

/** Whether this device knows a time zone by its name. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** The zone this device is set to. */
export const deviceZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The day whose evening is the next to come at a place, YYYY-MM-DD: before noon it is still last night's day. */
export function tonight(zone: string, nowMs: number): string {
  const now = new TZDate(nowMs, zone);
  return format(now.getHours() < 12 ? addDays(now, -1) : now, 'yyyy-MM-dd');
}

/** The evening a moment of a camera's clock (YYYY-MM-DDTHH:MM:SS) belongs to: before noon it is still last night. */
export const eveningOf = (takenAt: string): string =>
  shiftDay(takenAt.slice(0, 10), Number(takenAt.slice(11, 13)) < 12 ? -1 : 0);

/** A day with a real date, YYYY-MM-DD. */
export function isDay(day: string): boolean {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day);
  if (!match) return false;
  const [year, month, date] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const found = new Date(Date.UTC(year, month - 1, date));
  return found.getUTCMonth() === month - 1 && found.getUTCDate() === date && year >= 1900 && year <= 2100;
}

/** Noon of a day by the clocks of a place, ms UTC; right on the days on which they change. */
export function noonMs(day: string, zone: string): number {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return new TZDate(year, month - 1, date, 12, 0, 0, zone).getTime();
}

/** The clock of a place: 23:05. */
export const clock = (ms: number, zone: string): string => format(new TZDate(ms, zone), 'HH:mm');

/** The day after another, or before it. */
export const shiftDay = (day: string, days: number): string =>
  format(addDays(new Date(`${day}T12:00:00`), days), 'yyyy-MM-dd');

/** Wed 25 Nov 2026. */
export const dayText = (day: string): string => format(new Date(`${day}T12:00:00`), 'EEE d MMM yyyy');
