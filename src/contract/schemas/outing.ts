import { between, count, key, note, text, uuid } from './fields';

/** A day, YYYY-MM-DD; that it exists is checked beside the schema. */
const day = (title: string) => ({ type: 'string', title, pattern: '^\\d{4}-\\d{2}-\\d{2}$' }) as const;

const want = {
  type: 'object',
  title: 'Picture wanted',
  additionalProperties: false,
  required: ['id', 'kind', 'name', 'outputId'],
  properties: {
    id: key('Key of the picture'),
    kind: { type: 'string', title: 'Kind', enum: ['far', 'near', 'stars'] },
    name: text('Name'),
    subjectId: uuid('Subject'),
    outputId: uuid('What the picture is for'),
    distanceM: between('Distance to keep in m', 0.01, 100_000),
    declinationDeg: between('Declination in degrees', -90, 90),
    fieldDeg: between('Width of the sky in degrees', 0.1, 175),
    pictures: count('Pictures hoped for', 100_000),
    note: note('Note', 1000),
  },
} as const;

/** A day or night out: when, where, which pictures are wanted, and what is in the bag. It refers to the kit by ids and outlives it. */
export const outingSchema = {
  $id: 'outing',
  title: 'Outing',
  type: 'object',
  additionalProperties: false,
  required: ['name', 'day', 'span', 'place', 'wants', 'bag'],
  properties: {
    name: text('Name'),
    day: day('Day'),
    span: { type: 'string', title: 'Day or night', enum: ['day', 'night'] },
    place: {
      type: 'object',
      title: 'Place',
      additionalProperties: false,
      required: ['name'],
      properties: {
        name: text('Name of the place'),
        latitudeDeg: between('Latitude in degrees', -90, 90),
        longitudeDeg: between('Longitude in degrees', -180, 180),
        heightM: between('Height in m', -500, 9000),
        zone: text('Time zone', 60),
      },
    },
    wants: { type: 'array', title: 'Pictures wanted', maxItems: 24, items: want },
    bag: {
      type: 'array',
      title: 'Bag',
      maxItems: 100,
      items: {
        type: 'object',
        title: 'Piece',
        additionalProperties: false,
        required: ['type', 'id'],
        properties: {
          type: { type: 'string', title: 'Type of piece', enum: ['body', 'optic', 'adapter'] },
          id: uuid('Piece'),
        },
      },
    },
    supportWeightG: between('Weight of the support in grams', 0, 100_000),
    otherWeightG: between('Weight of all else in grams', 0, 100_000),
    batteries: { type: 'integer', title: 'Full batteries', minimum: 0, maximum: 1000 },
    cardGb: between('Room on the cards in GB', 0, 1_000_000),
    tide: text('Tide', 240),
    note: note('Note'),
  },
} as const;

/** One picture wanted, as it is stored. */
export interface OutingWant {
  id: string;
  kind: 'far' | 'near' | 'stars';
  /** Of the subject, or of the part of the sky; stays when the subject is gone. */
  name: string;
  subjectId?: string | undefined;
  outputId: string;
  distanceM?: number | undefined;
  declinationDeg?: number | undefined;
  fieldDeg?: number | undefined;
  pictures?: number | undefined;
  note?: string | undefined;
}

/** The same as a type; written out to spare the compiler. */
export interface Outing {
  name: string;
  /** YYYY-MM-DD; of a night the evening it begins. */
  day: string;
  span: 'day' | 'night';
  place: {
    name: string;
    latitudeDeg?: number | undefined;
    longitudeDeg?: number | undefined;
    heightM?: number | undefined;
    zone?: string | undefined;
  };
  wants: OutingWant[];
  bag: { type: 'body' | 'optic' | 'adapter'; id: string }[];
  supportWeightG?: number | undefined;
  otherWeightG?: number | undefined;
  batteries?: number | undefined;
  cardGb?: number | undefined;
  /** As the person's own table tells it. */
  tide?: string | undefined;
  note?: string | undefined;
}
