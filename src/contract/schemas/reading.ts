import type { FromSchema } from 'json-schema-to-ts';
import type { FarInputData } from './farInput';
import { between, note, text, uuid } from './fields';

/** A reading kept in the Book: what went in, what came out, when, and a note. */
export const readingSchema = {
  $id: 'reading',
  title: 'Kept reading',
  type: 'object',
  additionalProperties: false,
  required: ['desk', 'takenAt', 'setupName', 'input', 'result', 'note'],
  properties: {
    desk: { type: 'string', title: 'Desk', const: 'far' },
    takenAt: {
      type: 'string',
      title: 'Time',
      pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$',
    },
    setupId: uuid('Set-up'),
    subjectId: uuid('Subject'),
    outputId: uuid('Output'),
    converterIds: { type: 'array', title: 'Converters in the chain', maxItems: 20, items: uuid('Converter') },
    setupName: text('Name of the set-up', 240),
    input: { $ref: 'farInput' },
    result: {
      type: 'object',
      title: 'Result',
      additionalProperties: false,
      required: ['pixelsOnSubject', 'resolvedPixels', 'neededPixels', 'shareOfFramePercent', 'equivalentFocalMm', 'equivalentFNumber', 'verdict'],
      properties: {
        pixelsOnSubject: between('Pixels on the subject', 0, 1e9),
        resolvedPixels: between('Resolved pixels', 0, 1e9),
        neededPixels: between('Needed pixels', 0, 1e9),
        shareOfFramePercent: between('Share of the frame in %', 0, 1e7),
        equivalentFocalMm: between('Equivalent focal length in mm', 0, 1e7),
        equivalentFNumber: between('Equivalent f-number', 0, 1e5),
        verdict: { type: 'string', title: 'Verdict', enum: ['notEnough', 'enough', 'more'] },
      },
    },
    note: note('Note'),
  },
} as const;

type Kept = FromSchema<Omit<typeof readingSchema, 'properties'> & { properties: Omit<(typeof readingSchema)['properties'], 'input'> & { input: { type: 'object' } } }>;

export type Reading = Omit<Kept, 'input'> & { input: FarInputData };
