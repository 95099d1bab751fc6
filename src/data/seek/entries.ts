import type { StoredOf } from '@/contract/resources';
import { countedPixelsOf, searchForm } from '@/contract/readingWords';
import { countedPixelsText } from '../countedPixelsText';
import type { Measurement } from '@/contract/schemas/measurement';
import type { Entry } from '@/core/seek/entry';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';

/** Rows the Book is looked through in. */
export interface BookRows {
  readings: readonly StoredOf<'readings'>[];
  pictureGroups: readonly StoredOf<'pictureGroups'>[];
  measurements: readonly StoredOf<'measurements'>[];
  outings: readonly StoredOf<'outings'>[];
}

const two = (value: number): string => String(value).padStart(2, '0');

/** A moment by the clock of this device. */
export function localMoment(iso: string): string {
  const date = new Date(iso);
  if (Number.isNaN(date.getTime())) return '1970-01-01T00:00';
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}T${two(date.getHours())}:${two(date.getMinutes())}`;
}

const px = (pixels: number): string => `${formatFixed(Math.round(pixels))}\u202fpx`;
const joined = (parts: readonly (string | undefined | false)[]): string => parts.filter(Boolean).join(' · ');
const wordsFrom = (parts: readonly (string | undefined)[]): string =>
  searchForm(parts.filter((part) => part !== undefined).join('\n'));

function readingEntry({ id, data }: StoredOf<'readings'>, units: UnitSystem): Entry {
  const { input, setupName, note, takenAt } = data;
  const stars = data.desk === 'stars';
  const subject = data.desk === 'stars' ? 'Stars' : data.input.subject.name;
  const lens = input.chain.find(({ kind }) => kind === 'lens' || kind === 'scope')?.name;
  const pixels = stars ? undefined : countedPixelsOf(data);
  const distanceM = data.desk === 'far' ? data.input.distanceM : undefined;
  const told = data.desk === 'stars' ? `${formatFigures(data.result.limitS, 3)}\u202fs` : countedPixelsText(data);
  return {
    id,
    kind: 'reading',
    href: `/book/${id}`,
    at: localMoment(takenAt),
    subject,
    lens,
    setup: setupName,
    pixels,
    distanceM,
    line: joined([told, distanceM !== undefined && shownText(showLengthM(distanceM, units)), setupName]),
    words: wordsFrom([subject, setupName, lens, input.body.name, input.output.name, note, 'reading']),
  };
}

function groupEntry({ id, data }: StoredOf<'pictureGroups'>, outing: string | undefined, units: UnitSystem): Entry {
  const { subjectName, bodyName, lensName, converterName, verdict, note, takenFrom, pixelsOnSubject, distanceM } = data;
  const setup = [bodyName, lensName, converterName].filter(Boolean).join(' + ') || undefined;
  return {
    id,
    kind: 'group',
    href: data.outingId && outing !== undefined ? `/book/outings/${data.outingId}/log` : undefined,
    at: takenFrom.slice(0, 16),
    subject: subjectName,
    lens: lensName,
    setup,
    outing,
    pixels: pixelsOnSubject,
    distanceM,
    verdict,
    line: joined([
      `${formatFixed(data.pictures)} ${data.pictures === 1 ? 'picture' : 'pictures'}`,
      pixelsOnSubject !== undefined && px(pixelsOnSubject),
      distanceM !== undefined && shownText(showLengthM(distanceM, units)),
      setup,
    ]),
    words: wordsFrom([
      subjectName,
      bodyName,
      lensName,
      converterName,
      verdict,
      note,
      outing,
      data.firstFile,
      data.lastFile,
      'pictures',
    ]),
  };
}

const ASKED: Record<Measurement['asked'], string> = {
  ruler: 'Ratio, by a ruler',
  length: 'Length',
  disc: 'Disc',
  subject: 'Subject',
  larger: 'Two pictures, larger?',
  edge: 'Sharpness',
  stars: 'Run of stars',
  pair: 'Two pictures, more detail?',
  light: 'Noise of a sensor',
  shake: 'Held by hand',
};

function measurementEntry({ id, data }: StoredOf<'measurements'>): Entry {
  const { asked, found, setupName, measuredAt, pictureName, note } = data;
  const [first] = found;
  return {
    id,
    kind: 'measurement',
    href: '/book',
    at: localMoment(measuredAt),
    subject: ASKED[asked],
    setup: setupName,
    line: joined([first && `${first.name}: ${formatFigures(first.value, 4)}\u202f${first.unit}`, setupName]),
    words: wordsFrom([ASKED[asked], setupName, pictureName, note, 'measured', ...found.map(({ name }) => name)]),
  };
}

function outingEntry({ id, data }: StoredOf<'outings'>): Entry {
  const { name, day, place, wants, note, tide } = data;
  return {
    id,
    kind: 'outing',
    href: `/book/outings/${id}`,
    at: `${day}T00:00`,
    subject: name,
    outing: name,
    line: joined([place.name, `${formatFixed(wants.length)} ${wants.length === 1 ? 'picture' : 'pictures'} wanted`]),
    words: wordsFrom([name, place.name, note, tide, 'outing', ...wants.map((want) => want.name)]),
  };
}

/** Everything the Book holds, as it is looked through. */
export function bookEntries({ readings, pictureGroups, measurements, outings }: BookRows, units: UnitSystem): Entry[] {
  const names = new Map(outings.map(({ id, data }) => [id, data.name]));
  return [
    ...readings.flatMap((row) => ('unreadable' in row.data ? [] : [readingEntry(row, units)])),
    ...pictureGroups.map((row) => groupEntry(row, row.data.outingId && names.get(row.data.outingId), units)),
    ...measurements.map(measurementEntry),
    ...outings.map(outingEntry),
  ];
}
