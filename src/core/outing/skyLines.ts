import { formatFigures } from '../quantity/format';
import { showQuantity, shownText } from '../quantity/quantityText';
import type { CardLine } from './cardWords';
import type { OutingNight } from './outingNight';

const HOUR_MS = 3_600_000;

interface Stretch {
  fromMs: number;
  toMs: number;
  throughout?: boolean;
}

type Clock = (ms: number) => string;

const span = ({ fromMs, toMs }: Stretch, clock: Clock): string => `${clock(fromMs)} to ${clock(toMs)}`;

/** A stretch of dark with how long it lasts. */
function darkText(dark: Stretch | null, clock: Clock): string {
  if (!dark) return 'not fully';
  if (dark.throughout) return 'all day long';
  return `${span(dark, clock)}, ${formatFigures((dark.toMs - dark.fromMs) / HOUR_MS, 3)}\u202fh`;
}

/** Of a day: until when it is dark in the morning, and from when in the evening. */
function darkOfDay({ night, before }: OutingNight, clock: Clock): string {
  const parts = [
    before.dark ? `until ${clock(before.dark.toMs)}` : '',
    night.dark ? `from ${clock(night.dark.fromMs)}` : '',
  ].filter(Boolean);
  return night.dark?.throughout ? 'all day long' : parts.length ? parts.join(', ') : 'not fully';
}

const moonText = ({ night, numbers }: OutingNight, edges: OutingNight['moon'], clock: Clock): string =>
  [
    `${night.moonPhase}, ${shownText(showQuantity(numbers.moonLit, 'metric'))}`,
    ...edges.map(({ kind, ms }) => `${kind} ${clock(ms)}`),
  ].join(' · ');

const at = (name: string, ms: number | null, clock: Clock): CardLine[] =>
  ms === null ? [] : [{ name, text: clock(ms) }];

/**
 * Light, dark and Moon of an outing, by the clocks of the place: of a day from its morning to its evening, of a night from
 * its evening to the next morning.
 */
export function lightLines(found: OutingNight, lasting: 'day' | 'night', clock: Clock): CardLine[] {
  const { night, before, numbers, moonless, moon, moonOfDay } = found;
  if (lasting === 'day')
    return [
      ...at('First light', before.civil && !before.civil.throughout ? before.civil.toMs : null, clock),
      ...at('Sunrise', before.sunrise, clock),
      ...at('Sunset', night.sunset, clock),
      { name: 'Dark', text: darkOfDay(found, clock) },
      { name: 'Moon', text: moonText(found, moonOfDay, clock), quantity: numbers.moonLit },
    ];
  return [
    ...at('Sunset', night.sunset, clock),
    ...at('Sunrise', night.sunrise, clock),
    { name: 'Dark', text: darkText(night.dark, clock), quantity: numbers.darkHours },
    { name: 'Moon', text: moonText(found, moon, clock), quantity: numbers.moonLit },
    ...(night.dark ? [{ name: 'Dark without the Moon', text: moonless ? span(moonless, clock) : 'never' }] : []),
  ];
}
