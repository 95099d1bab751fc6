import type { FromSchema } from 'json-schema-to-ts';
import { between, count, key, mount, note, positive, price, text, weightG } from './fields';

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
    framesPerSecond: positive('Frames per second', 1000),
    fileSizeMb: positive('File size in MB', 10_000),
  },
} as const;

/** A camera body: its sensor, its crop modes, and what its autofocus can do. */
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
    cropModes: { type: 'array', title: 'Crop modes', maxItems: 30, items: cropMode },
    framesPerSecond: positive('Frames per second', 1000),
    fileSizeMb: positive('File size in MB', 10_000),
    autofocusLimitFNumber: between('Autofocus up to f-number', 0.5, 128),
    slowAutofocusLimitFNumber: between('Slow autofocus up to f-number', 0.5, 128),
    weightG,
    price,
    note: note('Note'),
  },
} as const;

export type Body = FromSchema<typeof bodySchema>;
