import type { FromSchema } from 'json-schema-to-ts';
import { between, count, text } from './fields';

const subjectShare = between('Share of the long side the subject takes', 0.01, 1);

/** What a picture is for: a screen, a print, or a record that must show the smallest telling detail. */
export const outputSchema = {
  $id: 'output',
  title: 'Output',
  type: 'object',
  required: ['kind'],
  discriminator: { propertyName: 'kind' },
  oneOf: [
    {
      type: 'object',
      additionalProperties: false,
      required: ['kind', 'name', 'longSidePx', 'subjectShare'],
      properties: {
        kind: { type: 'string', title: 'Kind', const: 'screen' },
        name: text('Name', 60),
        longSidePx: count('Long side in pixels', 200_000),
        subjectShare,
      },
    },
    {
      type: 'object',
      additionalProperties: false,
      required: ['kind', 'name', 'longSideMm', 'subjectShare'],
      properties: {
        kind: { type: 'string', title: 'Kind', const: 'print' },
        name: text('Name', 60),
        longSideMm: between('Long side of the print in mm', 10, 50_000),
        pixelsPerInch: between('Pixels per inch', 10, 2400),
        viewingDistanceMm: between('Viewing distance in mm', 50, 100_000),
        subjectShare,
      },
    },
    {
      type: 'object',
      additionalProperties: false,
      required: ['kind', 'name', 'smallestDetailMm'],
      properties: {
        kind: { type: 'string', title: 'Kind', const: 'identification' },
        name: text('Name', 60),
        smallestDetailMm: between('Smallest detail in mm', 0.001, 10_000),
      },
    },
  ],
} as const;

export type Output = FromSchema<typeof outputSchema>;
