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
  assumed: { type: 'boolean', title: 'Typical numbers, not entered' },
} as const;
const detailClass = {
  type: 'string',
  title: 'Sharpness class',
  enum: ['excellent', 'good', 'fair', 'weak'],
} as const;
const obstructionShare = between('Central obstruction (share of the diameter)', 0, 0.9);
const closestFocusM = between('Closest focus in m', 0.01, 1000);

const sharpness = {
  type: 'object',
  title: 'Sharpness at one f-number',
  additionalProperties: false,
  required: ['focalMm', 'fNumber'],
  properties: {
    focalMm: between('Focal length in mm', 1, 20_000),
    fNumber: between('f-number', 0.5, 128),
    lens50LpPerMm: positive('50 % frequency in lp/mm', 1000),
    plusMinusLpPerMm: between('50 % frequency, ± lp/mm', 0, 1000),
    lens50CornerLpPerMm: positive('50 % frequency in the corner in lp/mm', 1000),
  },
} as const;

const photographic = {
  focalWideMm: between('Shortest focal length in mm', 1, 20_000),
  focalTeleMm: between('Longest focal length in mm', 1, 20_000),
  fNumberWide: between('Widest f-number at the short end', 0.5, 128),
  fNumberTele: between('Widest f-number at the long end', 0.5, 128),
  fNumberSmallest: between('Smallest aperture, f-number', 0.5, 256),
  closestFocusM,
  closestRatio: between('Reproduction ratio at closest focus', 0.0001, 20),
  imageCircleWideMm: between('Image circle in mm', 1, 500),
  imageCircleTeleMm: between('Image circle at the long end in mm', 1, 500),
  lens50CornerLpPerMm: positive('50 % frequency in the corner in lp/mm', 1000),
  sharpness: {
    type: 'array',
    title: 'Sharpness measured, by focal length and f-number',
    maxItems: 80,
    items: sharpness,
  },
  detailClass,
  autofocus: { type: 'boolean', title: 'Autofocus' },
} as const;
const photographicRequired = [
  'kind',
  'name',
  'focalWideMm',
  'focalTeleMm',
  'fNumberWide',
  'fNumberTele',
  'detailClass',
  'autofocus',
] as const;

const kind = <K extends string>(name: K) => ({ type: 'string', title: 'Kind', const: name }) as const;

export const lensSchema = {
  $id: 'lens',
  title: 'Lens',
  type: 'object',
  additionalProperties: false,
  required: photographicRequired,
  properties: {
    kind: kind('lens'),
    ...common,
    ...photographic,
    design: { type: 'string', title: 'Design', enum: ['refractive', 'mirror', 'diffractive'] },
    obstructionShare,
    fixedAperture: { type: 'boolean', title: 'One aperture only' },
    stabiliserStops: between('Stabiliser in stops', 0, 12),
    lengthMm: between('Length in mm', 1, 3000),
    flangeMm: between('Flange distance it was made for in mm', 0.5, 200),
    madeFor: {
      type: 'string',
      title: 'Made for',
      enum: ['mediumFormat', 'fullFrame', 'apsC', 'fourThirds', 'oneInch', 'phone'],
    },
    takesConverters: { type: 'boolean', title: 'A converter goes in behind it' },
  },
} as const;

export const builtInSchema = {
  $id: 'builtIn',
  title: 'Built-in lens',
  type: 'object',
  additionalProperties: false,
  required: photographicRequired,
  properties: { kind: kind('builtIn'), ...common, ...photographic },
} as const;

export const telescopeSchema = {
  $id: 'telescope',
  title: 'Telescope',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'apertureMm', 'focalMm', 'detailClass'],
  properties: {
    kind: kind('telescope'),
    ...common,
    apertureMm: between('Aperture in mm', 10, 5000),
    focalMm: between('Focal length in mm', 20, 50_000),
    obstructionShare,
    backFocusMm: between('Back focus in mm', 0, 2000),
    imageCircleMm: between('Image circle in mm', 1, 500),
    detailClass,
  },
} as const;

export const scopeSchema = {
  $id: 'scope',
  title: 'Spotting scope',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'objectiveMm', 'magnificationLow', 'magnificationHigh', 'detailClass'],
  properties: {
    kind: kind('scope'),
    ...common,
    objectiveMm: between('Objective in mm', 10, 500),
    magnificationLow: between('Lowest magnification', 1, 500),
    magnificationHigh: between('Highest magnification', 1, 500),
    magnificationSet: between('Magnification set', 1, 500),
    eyeReliefMm: between('Eye relief in mm', 0, 100),
    apparentFieldDeg: between('Apparent field in degrees', 5, 120),
    closestFocusM,
    detailClass,
  },
} as const;

export const objectiveSchema = {
  $id: 'objective',
  title: 'Microscope objective',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'magnification', 'numericalAperture', 'correction'],
  properties: {
    kind: kind('objective'),
    ...common,
    magnification: between('Magnification', 0.5, 200),
    numericalAperture: between('Numerical aperture', 0.01, 1.6),
    correction: { type: 'string', title: 'Corrected for', enum: ['infinity', 'finite'] },
    tubeLengthMm: between('Tube length in mm', 50, 500),
    designTubeFocalMm: between('Tube lens it was made for in mm', 50, 500),
    workingDistanceMm: between('Working distance in mm', 0.01, 300),
    fieldNumberMm: between('Field number in mm', 1, 60),
  },
} as const;

/** An optic that forms the picture, or stands in front of one that does. */
export const opticSchema = {
  $id: 'optic',
  title: 'Optic',
  type: 'object',
  required: ['kind'],
  discriminator: { propertyName: 'kind' },
  oneOf: [{ $ref: 'lens' }, { $ref: 'builtIn' }, { $ref: 'telescope' }, { $ref: 'scope' }, { $ref: 'objective' }],
} as const;

export const OPTIC_KIND_SCHEMAS = {
  lens: lensSchema,
  builtIn: builtInSchema,
  telescope: telescopeSchema,
  scope: scopeSchema,
  objective: objectiveSchema,
} as const;

export type Lens = FromSchema<typeof lensSchema>;
export type Optic =
  | Lens
  | FromSchema<typeof builtInSchema>
  | FromSchema<typeof telescopeSchema>
  | FromSchema<typeof scopeSchema>
  | FromSchema<typeof objectiveSchema>;
