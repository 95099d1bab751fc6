import { between, text } from '@/contract/schemas/fields';
import { planetInputSchema, type PlanetInputData } from '@/contract/schemas/planetInput';
import { starsInputSchema, type StarsInputData } from '@/contract/schemas/starsInput';
import { systemProperties, type SystemInputData } from '@/contract/schemas/systemInput';
import { foldSystem } from '@/core/optics/foldSystem';
import { fail, ok } from '@/core/quantity/result';
import { deepLevers } from '@/core/sky/deepLevers';
import { findObjects } from '@/core/sky/findObjects';
import { bestRollDeg } from '@/core/sky/mosaic';
import { angleOfViewDeg } from '@/core/optics/angleOfView';
import { planCapture } from '@/core/sky/capture';
import { captureQuantities } from '@/core/sky/captureQuantities';
import { DEEP_OBJECTS, type DeepObject } from '@/core/sky/catalogue';
import { ofDate, planetOn, type Site } from '@/core/sky/ephemeris';
import { comingNight, moonlessWindow, type MoonlessWindow } from '@/core/sky/moonless';
import { bestWindow, nightAt } from '@/core/sky/night';
import { nightQuantities } from '@/core/sky/nightQuantities';
import { PLANETS, PLANET_NAMES, readPlanet } from '@/core/sky/planet';
import { starsFromPlain } from '@/core/sky/plainStars';
import { USUAL_DISC_ARCSEC, discOnSensor } from '@/core/sky/discOnSensor';
import { sunBlock } from '@/core/sky/sunGuard';
import { readDeep } from '@/core/sky/readDeep';
import { readStars, type StarsReading } from '@/core/sky/readStars';
import { starLevers, type StarCandidate } from '@/core/sky/starLevers';
import { planStrokes } from '@/core/sky/strokes';
import type { SunBelow } from '@/core/sky/sunBelow';
import { NEAR_SUN_DEG, SUN_WARNING } from '@/core/sky/sunWarning';
import { desk } from '../desk';
import { plainSystem } from '../plainSystem';
import { plainPatch, withKit } from '../kitAround';
import { list, namedSetup, objectSchema, restOfKit, type NamedSetup, type RestOfKit } from './fields';

const plainStars = ({ grid: _, runInputs: __, ...reading }: StarsReading) => reading;

interface StarsInput extends StarsInputData {
  kit?: { setups?: NamedSetup[] | undefined } | undefined;
}

export const stars = desk<StarsInput>({
  about: 'the longest exposure under the stars by every school, and levers of the kit',
  schema: objectSchema(
    'Reading of the stars',
    {
      ...starsInputSchema.properties,
      kit: objectSchema('The rest of the kit', { setups: list('Other set-ups', namedSetup) }, []),
    },
    starsInputSchema.required,
  ),
  read: ({ kit, ...input }) => {
    const convention = input.cropConvention ?? 'usual';
    const system = foldSystem(input, convention);
    if (!system.ok) return system;
    if (system.value.optics.state.far.ratio > 0)
      return fail(
        'sky.noInfinity',
        'This set-up does not reach infinity. Take tubes and close-up lenses off.',
        'chain',
      );
    const present = starsFromPlain(system.value, input);
    const candidates = (kit?.setups ?? []).map(({ name, setup }): StarCandidate<null> => ({
      id: name,
      kind: 'setup',
      name,
      setup,
      patch: null,
    }));
    const levers = starLevers(present, candidates, convention).map(({ patch: _, ...lever }) => lever);
    return ok({
      desk: 'stars',
      system: plainSystem(system.value),
      reading: plainStars(readStars(present)),
      ...(kit ? { levers } : {}),
    });
  },
});

interface StrokesInput extends StarsInputData {
  arcDeg: number;
  gapS?: number | undefined;
  batteryMin?: number | undefined;
}

export const strokes = desk<StrokesInput>({
  about: 'wanted strokes: frames, time, card and batteries for an arc of the sky',
  schema: objectSchema(
    'Wanted strokes',
    {
      ...starsInputSchema.properties,
      arcDeg: between('Arc in °', 0.01, 360),
      gapS: between('Gap between two pictures in s', 0, 3600),
      batteryMin: between('Minutes a battery exposes', 1, 10_000),
    },
    [...starsInputSchema.required, 'arcDeg'],
  ),
  read: ({ arcDeg, gapS = 1, batteryMin, ...input }) => {
    const system = foldSystem(input, input.cropConvention ?? 'usual');
    if (!system.ok) return system;
    const reading = readStars(starsFromPlain(system.value, input));
    return ok({
      desk: 'strokes',
      exposureS: reading.exposureS,
      ...planStrokes({
        arcDeg,
        exposureS: reading.exposureS.value,
        gapS,
        fileSizeMb: system.value.fileSizeMb,
        batteryMin,
      }),
    });
  },
});

export const planet = desk<PlanetInputData>({
  about: 'a planet: disc, sampling, the longest recording, window, frame rate, file',
  schema: objectSchema('Reading of a planet', planetInputSchema.properties, planetInputSchema.required),
  read: (input) => {
    const system = foldSystem(input, input.cropConvention ?? 'usual');
    if (!system.ok) return system;
    const {
      planet: name,
      discArcsec = PLANETS[name].usualArcsec,
      blurPx = 1,
      margin = 1.4,
      exposureS = 0.008,
      linkMbPerS = 350,
      cardGb = 64,
      bits = 8,
    } = input;
    const reading = readPlanet({ system: system.value, planet: name, discArcsec, blurPx });
    const order = {
      body: system.value.body,
      discPx: reading.discPx.value,
      margin,
      exposureS,
      linkMbPerS,
      durationS: reading.longestCaptureS.value,
      bits,
      cardGb,
    };
    const capture = planCapture(order);
    return ok({
      desk: 'planet',
      system: plainSystem(system.value),
      reading,
      moon: discOnSensor(system.value, 'the Moon', USUAL_DISC_ARCSEC),
      sun: sunBlock(system.value.chain) ?? discOnSensor(system.value, 'the Sun', USUAL_DISC_ARCSEC),
      caution: SUN_WARNING,
      capture,
      captureReasons: captureQuantities(order, capture),
    });
  },
});

const objectFields = objectSchema(
  'Object of the deep sky',
  {
    id: text('Number', 40),
    name: text('Name'),
    kind: { type: 'string', title: 'Kind', enum: ['galaxy', 'nebula', 'planetary', 'remnant', 'open', 'globular'] },
    raHours: between('Right ascension in hours, J2000', 0, 24),
    declinationDeg: between('Declination in °, J2000', -90, 90),
    lengthArcmin: between('Length in arcminutes', 0.01, 10_000),
    widthArcmin: between('Width in arcminutes', 0.01, 10_000),
    positionAngleDeg: between('Position angle in °', -360, 360),
  },
  ['id', 'name', 'kind', 'raHours', 'declinationDeg', 'lengthArcmin', 'widthArcmin'],
);
const objectSchemaOf = {
  title: 'Object',
  oneOf: [
    {
      type: 'string',
      title: 'Catalogue number or name, such as M 31 or Andromeda Galaxy',
      minLength: 1,
      maxLength: 40,
    },
    objectFields,
  ],
} as const;

/** By its number, or by a name that only one has. */
function objectOf(told: string | DeepObject): DeepObject | undefined {
  if (typeof told !== 'string') return told;
  const [first, ...more] = findObjects(told.trim() === '' ? '?' : told);
  return first && (more.length === 0 || samePlain(first.id, told)) ? first : undefined;
}
const samePlain = (a: string, b: string): boolean =>
  a.replace(/\s/g, '').toLowerCase() === b.replace(/\s/g, '').toLowerCase();
const unknown = (told: string | DeepObject) =>
  fail(
    'deep.unknown',
    `“${typeof told === 'string' ? told : told.id}” is not in the catalogue. Known: ${DEEP_OBJECTS.map((each) => each.id).join(', ')}; or give its coordinates and size.`,
    'object',
  );

interface DeepInput extends SystemInputData {
  object: string | DeepObject;
  rollDeg?: number | undefined;
  overlap?: number | undefined;
  seeingArcsec?: number | undefined;
  tolerancePx?: number | undefined;
  mountArcsecPerMin?: number | undefined;
  kit?: RestOfKit | undefined;
}

export const deep = desk<DeepInput>({
  about: 'an object of the deep sky: does it fit, in how many frames, pixel against seeing, unguided times',
  schema: objectSchema(
    'Deep sky',
    {
      ...systemProperties,
      object: objectSchemaOf,
      rollDeg: between('Turn of the frame, north to east, in °', -360, 360),
      overlap: between('Overlap of frames, a share', 0, 0.9),
      seeingArcsec: between('Seeing in ″', 0.1, 30),
      tolerancePx: between('How far a star may run in px', 0.01, 1000),
      mountArcsecPerMin: between('Error of the mount in ″ per minute', 0.001, 10_000),
      kit: restOfKit,
    },
    ['body', 'modeId', 'chain', 'object'],
  ),
  read: ({
    object: told,
    overlap = 0.2,
    seeingArcsec = 3,
    tolerancePx = 1.5,
    mountArcsecPerMin = 6,
    rollDeg = 0,
    kit,
    ...input
  }) => {
    const convention = input.cropConvention ?? 'usual';
    const system = foldSystem(input, convention);
    if (!system.ok) return system;
    const object = objectOf(told);
    if (!object) return unknown(told);
    const { used, focalMm } = system.value;
    const field = {
      widthDeg: angleOfViewDeg(used.widthMm, focalMm.value),
      heightDeg: angleOfViewDeg(used.heightMm, focalMm.value),
    };
    const best = bestRollDeg(object, field, overlap);
    const asked = { object, rollDeg, overlap, seeingArcsec, tolerancePx, mountArcsecPerMin };
    const levers = kit ? deepLevers({ ...asked, ...withKit(input, kit), convention }) : undefined;
    return ok({
      desk: 'deep',
      object,
      rollDeg,
      bestRollDeg: best,
      system: plainSystem(system.value),
      reading: readDeep({ ...asked, system: system.value }),
      ...(levers ? { levers: levers.map((lever) => ({ ...lever, patch: plainPatch(lever.patch) })) } : {}),
    });
  },
});

interface NightInput {
  latitudeDeg: number;
  longitudeDeg: number;
  heightM?: number | undefined;
  /** Evening, as YYYY-MM-DD at the place. */
  date: string;
  /** Clock of the place against UTC; by its longitude when left out. */
  utcOffsetHours?: number | undefined;
  objects?: (string | DeepObject)[] | undefined;
  /** How many nights to look ahead for the dark without the Moon. */
  nightsAhead?: number | undefined;
}

const HOUR_MS = 3_600_000;
const iso = (ms: number): string => new Date(ms).toISOString();
const spanOf = (span: SunBelow | null) =>
  span === null
    ? null
    : span.throughout
      ? { throughout: true }
      : { from: iso(span.fromMs), to: iso(span.toMs), hours: (span.toMs - span.fromMs) / HOUR_MS };

const windowText = (window: MoonlessWindow | null) =>
  window && { from: iso(window.fromMs), to: iso(window.toMs), hours: (window.toMs - window.fromMs) / HOUR_MS };

/** The dark without the Moon in each of the nights to come, the first one too. */
const comingNights = (site: Site, noonMs: number, nights: number) =>
  Array.from({ length: nights }, (_, days) => {
    const { noonMs: noon, window, moonLitShare } = comingNight(site, noonMs, days);
    return { evening: iso(noon), moonLitShare, darkWithoutMoon: windowText(window) };
  });

export const night = desk<NightInput>({
  about: 'a night at a place: twilights, Moon, planets, best windows of objects (times in UTC)',
  schema: objectSchema(
    'Night',
    {
      latitudeDeg: between('Latitude in °', -90, 90),
      longitudeDeg: between('Longitude in °, east positive', -180, 180),
      heightM: between('Height above the sea in m', -500, 9000),
      date: { type: 'string', title: 'Evening', pattern: '^\\d{4}-\\d{2}-\\d{2}$' },
      utcOffsetHours: between('Clock against UTC in hours', -14, 14),
      objects: list('Objects', objectSchemaOf),
      nightsAhead: {
        type: 'integer',
        title: 'Nights to look ahead for the dark without the Moon',
        minimum: 0,
        maximum: 60,
      },
    },
    ['latitudeDeg', 'longitudeDeg', 'date'],
  ),
  read: ({
    latitudeDeg,
    longitudeDeg,
    heightM = 0,
    date,
    utcOffsetHours = longitudeDeg / 15,
    objects = ['M 31'],
    nightsAhead = 0,
  }) => {
    const noon = Date.parse(`${date}T12:00:00Z`);
    if (Number.isNaN(noon) || !iso(noon).startsWith(date))
      return fail('night.date', `There is no ${date}. Give the evening as YYYY-MM-DD.`, 'date');
    const found = objects.map((told) => ({ told, object: objectOf(told) }));
    const missing = found.find((each) => !each.object);
    if (missing) return unknown(missing.told);
    const site = { latitudeDeg, longitudeDeg, heightM };
    const frame = nightAt(site, noon - utcOffsetHours * HOUR_MS);
    const midnight = frame.fromMs + 12 * HOUR_MS;
    const windowOf = (place: { raDeg: number; declinationDeg: number }) => {
      const best = bestWindow(place, site, frame);
      return (
        best && {
          from: iso(best.fromMs),
          to: iso(best.toMs),
          highestDeg: best.highestDeg,
          highestAt: iso(best.highestMs),
          moonFromDeg: best.moonFromDeg,
          moonDisturbs: best.moonDisturbs,
        }
      );
    };
    const { darkHours, moonLit } = nightQuantities(frame, null, '');
    return ok({
      desk: 'night',
      from: iso(frame.fromMs),
      to: iso(frame.toMs),
      darkHours,
      dark: spanOf(frame.dark),
      nautical: spanOf(frame.dusk),
      civil: spanOf(frame.civil),
      sunDown: spanOf(frame.sunDown),
      sunset: frame.sunset === null ? null : iso(frame.sunset),
      sunrise: frame.sunrise === null ? null : iso(frame.sunrise),
      moonLit,
      moonPhase: frame.moonPhase,
      darkWithoutMoon: windowText(moonlessWindow(site, frame)),
      ...(nightsAhead > 0 ? { coming: comingNights(site, frame.fromMs, nightsAhead) } : {}),
      objects: found.map(({ object }) => ({
        id: object!.id,
        name: object!.name,
        best: windowOf(ofDate(object!.raHours, object!.declinationDeg, midnight)),
      })),
      planets: PLANET_NAMES.map((name) => {
        const seen = planetOn(name, site, midnight);
        return {
          name,
          ...seen,
          best: windowOf(seen),
          ...(seen.fromSunDeg < NEAR_SUN_DEG ? { caution: SUN_WARNING } : {}),
        };
      }),
    });
  },
});
