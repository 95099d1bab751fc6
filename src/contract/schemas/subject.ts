import type { FromSchema } from 'json-schema-to-ts';
import { between, note, text } from './fields';

/** A subject of a known size at a distance. */
export const subjectSchema = {
  $id: 'subject',
  title: 'Subject',
  type: 'object',
  additionalProperties: false,
  required: ['name', 'kind', 'sizeMm', 'distanceM'],
  properties: {
    name: text('Name'),
    kind: {
      type: 'string',
      title: 'Kind',
      enum: ['wader', 'perchingBird', 'raptor', 'smallMammal', 'deer', 'butterfly', 'beetle', 'flower'],
    },
    sizeMm: between('Size in mm', 0.01, 1_000_000),
    sizePlusMinusMm: between('How much sizes differ, in mm', 0, 1_000_000),
    distanceM: between('Distance in m', 0.01, 100_000),
    speedMPerS: between('Speed in m/s', 0, 500),
    keepDistanceM: between('Distance to keep in m', 0, 100_000),
    assumed: { type: 'boolean', title: 'Usual numbers, not entered' },
    note: note('Note'),
  },
} as const;

export type Subject = FromSchema<typeof subjectSchema>;
