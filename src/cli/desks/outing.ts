import { between, note, text } from '@/contract/schemas/fields';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import type { Served } from '@/core/bag/serve';
import { outingCalendar } from '@/core/outing/calendar';
import { outingMarkdown, outingText } from '@/core/outing/markdown';
import { outingNight, type OutingNight } from '@/core/outing/outingNight';
import { outingWeight, outingWords, type OutingParts } from '@/core/outing/outingWords';
import { planOuting, type PlannedPicture } from '@/core/outing/planOuting';
import { settingsFor, type CardBy, type Settings } from '@/core/outing/settings';
import type { HandBy } from '@/core/far/handInUse';
import { learn } from '@/core/learned/learn';
import type { IsoBy } from '@/core/noise/isoInUse';
import { fail, ok } from '@/core/quantity/result';
import type { ReferenceExposure } from '@/core/sky/starExposure';
import { desk } from '../desk';
import { choice, choices, convention, list, objectSchema, type Choices, type FarInput } from './fields';
import {
  PLAIN_KIT,
  PLAIN_WANTS,
  kitOf,
  namedPieces,
  plainServed,
  wantsOf,
  type PlainKit,
  type PlainWant,
} from './plainKit';

interface OutingInput extends PlainKit, Pick<Choices, 'judgeBy' | 'threshold' | 'units'> {
  name: string;
  day: string;
  span?: 'day' | 'night' | undefined;
  place: {
    name: string;
    latitudeDeg?: number | undefined;
    longitudeDeg?: number | undefined;
    heightM?: number | undefined;
    utcOffsetHours?: number | undefined;
  };
  wants: PlainWant[];
  bag: string[];
  supportWeightG?: number | undefined;
  otherWeightG?: number | undefined;
  batteries?: number | undefined;
  cardGb?: number | undefined;
  tide?: string | undefined;
  note?: string | undefined;
  reference?: ReferenceExposure | undefined;
  cropConvention?: FarInput['cropConvention'];
  log?: PictureGroup[] | undefined;
  handBy?: HandBy | undefined;
  isoBy?: IsoBy | undefined;
  starRule?: 'own' | undefined;
}

const HOUR_MS = 3_600_000;

/** Noon of the day by the clocks of the place, ms UTC; null where there is no such day. */
function noonOf(day: string, utcOffsetHours: number): number | null {
  const noon = Date.parse(`${day}T12:00:00Z`);
  return Number.isFinite(noon) && iso(noon).startsWith(day) ? noon - utcOffsetHours * HOUR_MS : null;
}

// The core has no calendar; here a number becomes a text.
const iso = (ms: number): string => new Date(ms).toISOString();

function nightOf({ place }: OutingInput, noonMs: number): OutingNight | null {
  const { latitudeDeg, longitudeDeg, heightM = 0 } = place;
  if (latitudeDeg === undefined || longitudeDeg === undefined) return null;
  return outingNight({ latitudeDeg, longitudeDeg, heightM }, noonMs);
}

/** Numbers of the card, by their names. */
const NUMBERS = [
  'focalMm',
  'fNumber',
  'longestS',
  'shortestS',
  'isoLow',
  'isoHigh',
  'focusFromM',
  'distanceM',
  'ratio',
  'workingDistanceMm',
  'depthM',
  'depthMm',
] as const satisfies readonly (keyof Settings)[];

const plainSettings = (settings: Settings) => ({
  desk: settings.desk,
  mode: settings.mode.name,
  ...Object.fromEntries(NUMBERS.flatMap((name) => (settings[name] ? [[name, settings[name]]] : []))),
  closer: settings.closer.map(({ atM, ...rest }) => ({ ...rest, atM })),
});

function plainPicture(picture: PlannedPicture, settings: Settings | null, nameOf: (id: string) => string) {
  const { wantId, enough, served, others, swap, adds, most } = picture;
  const named = (each: Served | null) => (each ? plainServed(each) : null);
  return {
    want: wantId,
    enough,
    by: named(served),
    others: others.map(plainServed),
    swap: swap && {
      body: nameOf(swap.bodyId),
      takes: swap.takes.map(nameOf),
      puts: swap.puts.map(nameOf),
    },
    ...(enough ? {} : { adds: adds && adds.map(nameOf), most: named(most) }),
    settings: settings && plainSettings(settings),
  };
}

const span = (stretch: { fromMs: number; toMs: number } | null) =>
  stretch && { from: iso(stretch.fromMs), to: iso(stretch.toMs) };

const plainNight = ({ night, before, numbers, moonless, moon }: OutingNight) => ({
  sunriseOfDay: before.sunrise === null ? null : iso(before.sunrise),
  sunset: night.sunset === null ? null : iso(night.sunset),
  sunrise: night.sunrise === null ? null : iso(night.sunrise),
  dark: span(night.dark),
  darkWithoutMoon: span(moonless),
  darkHours: numbers.darkHours,
  moonLit: numbers.moonLit,
  moonPhase: night.moonPhase,
  moon: moon.map(({ kind, ms }) => ({ kind, at: iso(ms) })),
});

export const outing = desk<OutingInput>({
  about: 'an outing: which set-up of the bag takes which picture, swaps, what is missing, the card and the calendar',
  schema: objectSchema(
    'Outing',
    {
      name: text('Name'),
      day: { type: 'string', title: 'Day', pattern: '^\\d{4}-\\d{2}-\\d{2}$' },
      span: choice('Day or night', ['day', 'night']),
      place: objectSchema(
        'Place',
        {
          name: text('Name of the place'),
          latitudeDeg: between('Latitude in degrees', -90, 90),
          longitudeDeg: between('Longitude in degrees', -180, 180),
          heightM: between('Height in m', -500, 9000),
          utcOffsetHours: between('Clocks ahead of UTC in hours', -14, 14),
        },
        ['name'],
      ),
      ...PLAIN_KIT,
      wants: PLAIN_WANTS,
      bag: list('Names of what is in the bag', text('Name')),
      supportWeightG: between('Weight of the support in grams', 0, 100_000),
      otherWeightG: between('Weight of all else in grams', 0, 100_000),
      batteries: between('Full batteries', 0, 1000),
      cardGb: between('Room on the cards in GB', 0, 1_000_000),
      tide: text('Tide', 240),
      note: note('Note'),
      reference: objectSchema(
        'An exposure of the sky that is right',
        {
          seconds: between('Exposure in s', 0.001, 36_000),
          fNumber: between('f-number', 0.5, 128),
          iso: between('ISO', 1, 10_000_000),
        },
        ['seconds', 'fNumber', 'iso'],
      ),
      judgeBy: choices.judgeBy,
      threshold: choices.threshold,
      units: choices.units,
      cropConvention: convention,
      log: list('Judged groups of pictures', { $ref: 'pictureGroup' }, 0, 100_000),
      handBy: choice('By what the hand goes', ['own', 'pixels', 'rule']),
      isoBy: choice('By what the ISO goes', ['own', 'acceptable', 'excellent']),
      starRule: choice('Stars by what was learned', ['own']),
    },
    ['name', 'day', 'place', 'bodies', 'optics', 'wants', 'bag'],
  ),
  read: (input) => {
    const { place, day, span: lasting = 'day', judgeBy, threshold, cropConvention, reference, units } = input;
    const { utcOffsetHours = 0 } = place;
    const noonMs = noonOf(day, utcOffsetHours);
    if (noonMs === null) return fail('outing.day', `There is no ${day}. Give the day as YYYY-MM-DD.`, 'day');
    if ((place.latitudeDeg === undefined) !== (place.longitudeDeg === undefined))
      return fail('outing.place', 'A place needs latitude and longitude, or neither.', 'place');
    const wanted = wantsOf(input.wants);
    if (!wanted.ok) return wanted;
    const kit = kitOf(input);
    const carried = namedPieces(kit, input.bag, 'bag');
    if (!carried.ok) return carried;
    const wants = wanted.value;
    const stars = input.starRule && { rule: input.starRule };
    const counting = { judgeBy, threshold, convention: cropConvention, reference, stars };
    const { handBy, isoBy, supportWeightG = 0 } = input;
    const own = input.log && learn(input.log);
    const by: CardBy = { ...counting, units, supported: supportWeightG > 0, own, handBy, isoBy };
    const plan = planOuting({ kit, carried: carried.value, wants, by: counting });
    const night = nightOf(input, noonMs);
    const facts = { ...input, dayText: day, span: lasting, placeName: place.name, note: input.note ?? '' };
    const clock = (ms: number) => iso(ms + utcOffsetHours * HOUR_MS).slice(11, 16);
    const parts: OutingParts = { facts, kit, carried: carried.value, wants, plan, by, night, clock };
    const words = outingWords(parts);
    const card = outingMarkdown(words);
    const calendar = outingCalendar(
      {
        id: `${day}-${encodeURIComponent(input.name)}`,
        name: input.name,
        day,
        span: lasting,
        place,
        description: outingText(words),
        version: 1,
        changedMs: noonMs,
      },
      night,
    );
    if (!calendar.ok) return calendar;
    const names = new Map([
      ...kit.bodies.map(({ id, body }) => [id, body.name] as const),
      ...kit.parts.map(({ id, part }) => [id, part.name] as const),
    ]);
    const nameOf = (id: string) => names.get(id) ?? id;
    return ok({
      desk: 'outing',
      pictures: plan.pictures.map((picture, i) =>
        plainPicture(picture, picture.served && settingsFor(wants[i]!, picture.served, by), nameOf),
      ),
      stayHome: plan.stayHome.map(nameOf),
      weightG: outingWeight(parts) ?? null,
      load: words.load.flatMap(({ name, quantity }) => (quantity ? [{ name, quantity }] : [])),
      missing: words.missing,
      night: night && plainNight(night),
      card,
      calendar: calendar.value,
    });
  },
});
