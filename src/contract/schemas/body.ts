import type { FromSchema } from 'json-schema-to-ts';
import { between, count, key, mount, note, positive, price, retired, text, weightG, wish } from './fields';

const framesPerSecond = positive('Frames per second', 10_000);

const cropMode = {
  type: 'object',
  title: 'Crop mode',
  additionalProperties: false,
  required: ['id', 'name'],
  properties: {
    id: key('Key of the mode'),
    name: text('Name of the mode', 60),
    factor: between('Crop factor of the mode', 1, 20),
    aspect: between('Aspect of the mode (width ÷ height)', 0.2, 5),
    pixels: {
      type: 'object',
      title: 'Exact pixels of the mode',
      additionalProperties: false,
      required: ['columns', 'rows'],
      properties: { columns: count('Columns', 100_000), rows: count('Rows', 100_000) },
    },
    framesPerSecond,
    framesPerSecondWithAccessory: positive('Frames per second with accessory', 10_000),
    fileSizeMb: positive('File size in MB', 10_000),
    finder: { type: 'string', title: 'Finder', enum: ['masks', 'outlines', 'fills'] },
    switchedByLens: { type: 'boolean', title: 'Switched on by a lens of the smaller format' },
  },
} as const;

const videoMode = {
  type: 'object',
  title: 'Video mode',
  additionalProperties: false,
  required: ['id', 'name', 'sampledColumns', 'sampledRows', 'recordedColumns', 'recordedRows', 'framesPerSecond'],
  properties: {
    id: key('Key of the video mode'),
    name: text('Name of the video mode', 60),
    sampledColumns: count('Sampled columns', 100_000),
    sampledRows: count('Sampled rows', 100_000),
    recordedColumns: count('Recorded columns', 100_000),
    recordedRows: count('Recorded rows', 100_000),
    framesPerSecond: { type: 'array', title: 'Frame rates', minItems: 1, maxItems: 20, items: framesPerSecond },
    processedZoomLimit: between('Processed zoom up to', 1, 10),
    restrictions: {
      type: 'array',
      title: 'Restrictions',
      maxItems: 5,
      uniqueItems: true,
      items: {
        type: 'string',
        title: 'Restriction',
        enum: ['compressedStillsOnly', 'noRaw', 'simpleFocusAreas', 'noStills', 'noVideo'],
      },
    },
  },
} as const;

const readoutWindow = {
  type: 'object',
  title: 'Read-out window',
  additionalProperties: false,
  required: ['columns', 'rows', 'framesPerSecond'],
  properties: {
    columns: count('Columns of the window', 100_000),
    rows: count('Rows of the window', 100_000),
    framesPerSecond,
  },
} as const;

const light = {
  type: 'object',
  title: 'Noise at one ISO',
  additionalProperties: false,
  required: ['iso', 'fullWellE', 'readNoiseE'],
  properties: {
    iso: between('ISO', 1, 10_000_000),
    fullWellE: positive('Full, electrons', 100_000_000),
    readNoiseE: positive('Noise of reading, electrons', 100_000),
    fullWellPlusMinusE: between('Full, ± electrons', 0, 100_000_000),
    readNoisePlusMinusE: between('Noise of reading, ± electrons', 0, 100_000),
  },
} as const;

/** A camera body: its sensor, its modes, and what its autofocus can do. */
export const bodySchema = {
  $id: 'body',
  title: 'Body',
  type: 'object',
  additionalProperties: false,
  required: ['name', 'sensor', 'antiAliasFilter', 'cropModes'],
  properties: {
    name: text('Name'),
    maker: text('Maker', 60),
    mount,
    flangeMm: between('Flange distance in mm', 0.5, 200),
    sensor: {
      type: 'object',
      title: 'Sensor',
      additionalProperties: false,
      required: ['widthMm', 'heightMm', 'columns', 'rows'],
      properties: {
        widthMm: between('Sensor width in mm', 0.5, 200),
        heightMm: between('Sensor height in mm', 0.5, 200),
        columns: count('Pixel columns', 100_000),
        rows: count('Pixel rows', 100_000),
      },
    },
    antiAliasFilter: { type: 'string', title: 'Anti-aliasing filter', enum: ['none', 'weak', 'standard'] },
    designYear: { type: 'integer', title: 'Year of design', minimum: 1990, maximum: 2100 },
    light: { type: 'array', title: 'Noise measured, by ISO', maxItems: 40, items: light },
    bitsPerSample: { type: 'integer', title: 'Bits per sample', minimum: 8, maximum: 32 },
    cropModes: { type: 'array', title: 'Crop modes', maxItems: 30, items: cropMode },
    videoModes: { type: 'array', title: 'Video modes', maxItems: 60, items: videoMode },
    readoutWindows: { type: 'array', title: 'Read-out windows', maxItems: 30, items: readoutWindow },
    framesPerSecond,
    framesPerSecondWithAccessory: positive('Frames per second with accessory', 10_000),
    fastestShutterPerS: between('Fastest shutter speed, as 1/x s', 1, 1_000_000),
    fileSizeMb: positive('File size in MB', 10_000),
    burstBufferMb: positive('Burst buffer in MB', 10_000_000),
    cardWriteMbPerS: positive('Writes to the card in MB per second', 100_000),
    autofocusLimitFNumber: between('Autofocus up to f-number', 0.5, 128),
    slowAutofocusLimitFNumber: between('Slow autofocus up to f-number', 0.5, 128),
    stabiliserStops: between('Stabiliser in stops', 0, 12),
    screenDiagonalMm: between('Screen diagonal in mm', 10, 500),
    screenWidthMm: between('Screen width in mm', 5, 500),
    screenHeightMm: between('Screen height in mm', 5, 500),
    picturesPerBattery: count('Pictures with one battery', 100_000),
    cropModeKey: text('Key for the crop mode', 60),
    finderMaskKey: text('Key for the mask in the finder', 60),
    processedZoomKey: text('Key for the processed zoom', 60),
    weightG,
    price,
    note: note('Note'),
    retired,
    wish,
  },
} as const;

export type Body = FromSchema<typeof bodySchema>;
