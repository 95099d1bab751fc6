import { addDays, format, parseISO } from 'date-fns';
import { createEvents, type EventAttributes } from 'ics';
import { fail, ok, type Result } from '../quantity/result';
import type { OutingNight } from './outingNight';

/** What of an outing goes into a calendar. */
export interface CalendarOuting {
  /** Stays the same when the outing is taken out again, so that a calendar puts the new one in the place of the old. */
  id: string;
  name: string;
  /** YYYY-MM-DD; of a night the evening. */
  day: string;
  span: 'day' | 'night';
  place: { name: string; latitudeDeg?: number | undefined; longitudeDeg?: number | undefined };
  /** In plain text: a calendar shows marks of Markdown as they stand. */
  description: string;
  /** Counts its changes. */
  version: number;
  changedMs: number;
}

const PRODUCT = 'Jauge';

const geoOf = ({ latitudeDeg: lat, longitudeDeg: lon }: CalendarOuting['place']) =>
  lat === undefined || lon === undefined ? {} : { geo: { lat, lon } };

/** An event between two moments, ms UTC. */
const timed = (fromMs: number, toMs: number) =>
  ({ start: Math.round(fromMs), end: Math.round(toMs), startInputType: 'utc', endInputType: 'utc' }) as const;

type DayArray = [number, number, number];
const dayArray = (day: string): DayArray => day.split('-').map(Number) as DayArray;

/** The whole day, in no time zone: it ends where the next begins. */
const wholeDay = (day: string) => ({
  start: dayArray(day),
  end: dayArray(format(addDays(parseISO(day), 1), 'yyyy-MM-dd')),
});

function eventsOf(outing: CalendarOuting, found: OutingNight | null): EventAttributes[] {
  const { id, name, day, span, place, description, version, changedMs } = outing;
  const common = { location: place.name, ...geoOf(place), sequence: version - 1, timestamp: changedMs };
  const night = found?.night;
  const through =
    span === 'night' && night && night.sunset !== null && night.sunrise !== null
      ? timed(night.sunset, night.sunrise)
      : wholeDay(day);
  const events = [{ ...common, ...through, uid: `${id}@jauge`, title: name, description, transp: 'OPAQUE' }];
  const also = (key: string, title: string, stretch: { fromMs: number; toMs: number } | null | undefined) =>
    stretch
      ? [{ ...common, ...timed(stretch.fromMs, stretch.toMs), uid: `${id}-${key}@jauge`, title, transp: 'TRANSPARENT' }]
      : [];
  const moment = (key: string, title: string, ms: number | null | undefined) =>
    also(key, title, ms == null ? null : { fromMs: ms, toMs: ms });
  const light = [
    ...moment('firstLight', `First light at ${place.name}`, found?.before.civil?.toMs),
    ...moment('sunrise', `Sunrise at ${place.name}`, found?.before.sunrise),
    ...moment('sunset', `Sunset at ${place.name}`, night?.sunset),
  ];
  const dark = [
    ...also('dark', `Dark at ${place.name}`, night?.dark),
    ...also('moonless', `Dark without the Moon at ${place.name}`, found?.moonless),
  ];
  return [...events, ...(span === 'day' ? light : dark)] as EventAttributes[];
}

/**
 * The outing, with first light, sunrise and sunset of a day or the dark hours of a night, as an iCalendar file (RFC 5545).
 *
 * @returns its text, lines ended by CR LF
 */
export function outingCalendar(outing: CalendarOuting, night: OutingNight | null): Result<string> {
  const { error, value } = createEvents(eventsOf(outing, night), { productId: PRODUCT, calName: outing.name });
  return error || typeof value !== 'string'
    ? fail('calendar.failed', `The calendar could not be written: ${error?.message ?? 'no reason given'}.`)
    : ok(value);
}
