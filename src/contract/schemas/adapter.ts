import type { FromSchema } from 'json-schema-to-ts';
import { between, mount, note, positive, price, retired, text, weightG, wish } from './fields';

const common = {
  name: text('Name'),
  maker: text('Maker', 60),
  mount,
  lens50LpPerMm: positive('50 % frequency in lp/mm', 1000),
  weightG,
  price,
  note: note('Note'),
  retired,
  wish,
} as const;
const autofocus = { type: 'boolean', title: 'Keeps autofocus' } as const;
const kind = <K extends string>(name: K) => ({ type: 'string', title: 'Kind', const: name }) as const;
const lengths = (title: string) =>
  ({ type: 'array', title, maxItems: 12, items: between('Length of a tube in mm', 0.5, 1000) }) as const;

export const converterSchema = {
  $id: 'converter',
  title: 'Converter',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'factor', 'autofocus'],
  properties: { kind: kind('converter'), ...common, factor: between('Factor', 1.01, 10), autofocus },
} as const;

const detailClass = {
  type: 'string',
  title: 'Sharpness class',
  enum: ['excellent', 'good', 'fair', 'weak'],
} as const;

export const innerConverterSchema = {
  $id: 'innerConverter',
  title: 'Built-in converter',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'factor', 'detailClass'],
  properties: {
    kind: kind('innerConverter'),
    ...common,
    factor: between('Factor', 1.01, 10),
    detailClass,
    builtInto: text('Lens it is built into'),
    switchedIn: { type: 'boolean', title: 'Switched in' },
  },
} as const;

export const reducerSchema = {
  $id: 'reducer',
  title: 'Focal reducer',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'factor', 'autofocus'],
  properties: {
    kind: kind('reducer'),
    ...common,
    factor: between('Factor', 0.2, 0.99),
    neededCircleMm: between('Image circle it needs in mm', 1, 500),
    lensMount: text('Mount on the lens’s side', 40),
    autofocus,
  },
} as const;

export const barlowSchema = {
  $id: 'barlow',
  title: 'Barlow',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'factor'],
  properties: { kind: kind('barlow'), ...common, factor: between('Factor', 1.01, 10) },
} as const;

export const tubesSchema = {
  $id: 'tubes',
  title: 'Extension tubes',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'lengthsMm', 'autofocus'],
  properties: {
    kind: kind('tubes'),
    ...common,
    lengthsMm: { ...lengths('Lengths of the tubes in mm'), minItems: 1 },
    usedMm: lengths('Tubes used in mm'),
    autofocus,
  },
} as const;

export const bellowsSchema = {
  $id: 'bellows',
  title: 'Bellows',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'shortestMm', 'longestMm'],
  properties: {
    kind: kind('bellows'),
    ...common,
    shortestMm: between('Shortest extension in mm', 0.5, 1000),
    longestMm: between('Longest extension in mm', 0.5, 2000),
    extensionMm: between('Extension set in mm', 0.5, 2000),
  },
} as const;

export const closeUpSchema = {
  $id: 'closeUp',
  title: 'Close-up lens',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'dioptres'],
  properties: { kind: kind('closeUp'), ...common, dioptres: between('Dioptres', 0.1, 50) },
} as const;

export const filterSchema = {
  $id: 'filter',
  title: 'Filter',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'stops'],
  properties: {
    kind: kind('filter'),
    ...common,
    stops: between('Stops it takes', 0, 25),
    solar: { type: 'boolean', title: 'Certified solar filter' },
  },
} as const;

export const reversingSchema = {
  $id: 'reversing',
  title: 'Reversing ring',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name'],
  properties: { kind: kind('reversing'), ...common, lengthMm: between('Length in mm', 0, 200) },
} as const;

export const couplingSchema = {
  $id: 'coupling',
  title: 'Coupling ring',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name'],
  properties: { kind: kind('coupling'), ...common },
} as const;

export const tubeLensSchema = {
  $id: 'tubeLens',
  title: 'Tube lens',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'focalMm'],
  properties: {
    kind: kind('tubeLens'),
    ...common,
    focalMm: between('Focal length in mm', 20, 1000),
    imageCircleMm: between('Image circle in mm', 1, 500),
  },
} as const;

export const afocalSchema = {
  $id: 'afocal',
  title: 'Afocal adapter',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name'],
  properties: { kind: kind('afocal'), ...common },
} as const;

export const mountAdapterSchema = {
  $id: 'mountAdapter',
  title: 'Mount adapter',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'lensMount', 'addsMm', 'autofocus'],
  properties: {
    kind: kind('mountAdapter'),
    ...common,
    lensMount: text('Mount on the lens’s side', 40),
    addsMm: between('Length it adds in mm', 0, 200),
    autofocus,
  },
} as const;

export const ADAPTER_KIND_SCHEMAS = {
  converter: converterSchema,
  innerConverter: innerConverterSchema,
  reducer: reducerSchema,
  barlow: barlowSchema,
  tubes: tubesSchema,
  bellows: bellowsSchema,
  closeUp: closeUpSchema,
  filter: filterSchema,
  reversing: reversingSchema,
  coupling: couplingSchema,
  tubeLens: tubeLensSchema,
  afocal: afocalSchema,
  mountAdapter: mountAdapterSchema,
} as const;

/** A part that changes what a lens does: behind it, in front of it, or between two. */
export const adapterSchema = {
  $id: 'adapter',
  title: 'Adapter',
  type: 'object',
  required: ['kind'],
  discriminator: { propertyName: 'kind' },
  oneOf: [
    { $ref: 'converter' },
    { $ref: 'innerConverter' },
    { $ref: 'reducer' },
    { $ref: 'barlow' },
    { $ref: 'tubes' },
    { $ref: 'bellows' },
    { $ref: 'closeUp' },
    { $ref: 'filter' },
    { $ref: 'reversing' },
    { $ref: 'coupling' },
    { $ref: 'tubeLens' },
    { $ref: 'afocal' },
    { $ref: 'mountAdapter' },
  ],
} as const;

export type Adapter =
  | FromSchema<typeof converterSchema>
  | FromSchema<typeof innerConverterSchema>
  | FromSchema<typeof reducerSchema>
  | FromSchema<typeof barlowSchema>
  | FromSchema<typeof tubesSchema>
  | FromSchema<typeof bellowsSchema>
  | FromSchema<typeof closeUpSchema>
  | FromSchema<typeof filterSchema>
  | FromSchema<typeof reversingSchema>
  | FromSchema<typeof couplingSchema>
  | FromSchema<typeof tubeLensSchema>
  | FromSchema<typeof afocalSchema>
  | FromSchema<typeof mountAdapterSchema>;
