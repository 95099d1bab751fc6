import { formatFigures } from '@/core/quantity/format';
import { whenText } from '@/features/book/whenText';

/** Units as they end the names of fields, longest first. */
const UNITS: [ending: string, unit: string][] = [
  ['MbPerS', 'MB/s'],
  ['MPerS', 'm/s'],
  ['Percent', '%'],
  ['Deg', '°'],
  ['Mm', 'mm'],
  ['Um', 'µm'],
  ['Nm', 'nm'],
  ['Mb', 'MB'],
  ['Kg', 'kg'],
  ['Px', 'px'],
  ['Ms', 'ms'],
  ['M', 'm'],
  ['G', 'g'],
  ['S', 's'],
  ['E', 'e⁻'],
];

/** What no splitting of a name makes readable. */
const NAMES: Record<string, string> = {
  iso: 'ISO',
  at: 'End of focus',
  held: 'How it was held',
  takenAt: 'When',
  measuredAt: 'Measured',
  asked: 'Question',
  found: 'Found',
  used: 'As it is used',
  thumbnail: 'Small picture',
  bodyId: 'Body',
  modeId: 'Mode',
  opticId: 'Optic',
  outputId: 'Output',
  subjectId: 'Subject',
  setupId: 'Set-up',
  setupName: 'Set-up',
  chain: 'Chain',
};

/** Words of a name written in one: “keepDistance” → “keep distance”, “minFNumber” → “min f-number”. */
const split = (name: string): string =>
  name
    .replace(/FNumber/g, ' f-number')
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase();

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The name of a field without its unit, and the unit. */
export function nameAndUnit(field: string): { name: string; unit: string } {
  const own = NAMES[field];
  if (own) return { name: own, unit: '' };
  const [ending, unit] = UNITS.find(([each]) => field.length > each.length && field.endsWith(each)) ?? ['', ''];
  return { name: capital(split(field.slice(0, field.length - ending.length))), unit };
}

const ISO_TIME = /^\d{4}-\d\d-\d\dT\d\d:\d\d/;
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
/** Digits are shown as far as a person types them. */
const DIGITS = 8;

/**
 * A value as a person reads it.
 *
 * @param nameOf what a row is called, by its id
 */
export function valueWords(value: unknown, unit: string, nameOf: (id: string) => string | undefined): string {
  if (value === undefined || value === null || value === '') return 'not given';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return unit ? `${numberWords(value)} ${unit}` : numberWords(value);
  if (Array.isArray(value)) return value.map((each) => valueWords(each, unit, nameOf)).join(', ') || 'none';
  if (typeof value !== 'string') return 'given';
  if (value.startsWith('data:')) return 'a picture';
  if (ISO_TIME.test(value)) return whenText(value);
  if (UUID.test(value)) return nameOf(value) ?? 'one that is not here any more';
  // A choice as it is stored: one word in small letters with capitals in it.
  return /^[a-z]+([A-Z][a-z]*)+$/.test(value) ? split(value) : value;
}

const numberWords = (value: number): string =>
  Number.isInteger(value)
    ? String(value)
    : formatFigures(value, DIGITS)
        .replace(/(\.\d*?)0+$/, '$1')
        .replace(/\.$/, '');
