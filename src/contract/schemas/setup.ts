import type { FromSchema } from 'json-schema-to-ts';
import { between, key, note, retired, text, uuid } from './fields';

/** An ordered chain of parts from the subject to the sensor, by their ids. */
export const chainOfIds = {
  type: 'array',
  title: 'Optics chain',
  minItems: 1,
  maxItems: 20,
  items: {
    type: 'object',
    title: 'Part of the chain',
    additionalProperties: false,
    required: ['type', 'id'],
    properties: {
      type: { type: 'string', title: 'Type of part', enum: ['optic', 'adapter'] },
      id: uuid('Part'),
      usedMm: {
        type: 'array',
        title: 'Tubes used in mm',
        maxItems: 12,
        items: between('Length of a tube in mm', 0.5, 1000),
      },
      magnificationSet: between('Magnification set', 1, 500),
      extensionMm: between('Extension set in mm', 0.5, 2000),
      switchedIn: { type: 'boolean', title: 'Switched in' },
    },
  },
} as const;

/** A set-up: a body in a mode, and an ordered chain of parts from the subject to the sensor. */
export const setupSchema = {
  $id: 'setup',
  title: 'Set-up',
  type: 'object',
  additionalProperties: false,
  required: ['name', 'bodyId', 'modeId', 'chain'],
  properties: {
    name: text('Name'),
    bodyId: uuid('Body'),
    modeId: key('Mode'),
    chain: chainOfIds,
    focalMm: between('Focal length in mm', 1, 20_000),
    supportWeightG: between('Weight of the support in grams', 0, 100_000),
    namedAfterParts: { type: 'boolean', title: 'Named after its parts' },
    note: note('Note'),
    retired,
  },
} as const;

export type Setup = FromSchema<typeof setupSchema>;
