import type { FromSchema } from 'json-schema-to-ts';
import type { adapterSchema } from './adapter';
import type { bodySchema } from './body';
import { between, key } from './fields';
import type { opticSchema } from './optic';
import type { outputSchema } from './output';
import type { subjectSchema } from './subject';

/**
 * Everything a Far reading is worked out from, whole and without references: what the command line reads and what a kept
 * reading remembers, so that it stays true when the kit changes.
 */
export const farInputSchema = {
  $id: 'farInput',
  title: 'Far reading',
  type: 'object',
  additionalProperties: false,
  required: ['body', 'modeId', 'chain', 'subject', 'distanceM', 'output'],
  properties: {
    body: { $ref: 'body' },
    modeId: key('Mode'),
    chain: {
      type: 'array',
      title: 'Optics chain',
      minItems: 1,
      maxItems: 20,
      items: {
        type: 'object',
        required: ['kind'],
        discriminator: { propertyName: 'kind' },
        oneOf: [{ $ref: 'optic' }, { $ref: 'adapter' }],
      },
    },
    focalMm: between('Focal length in mm', 1, 20_000),
    supportWeightG: between('Weight of the support in grams', 0, 100_000),
    subject: { $ref: 'subject' },
    distanceM: between('Distance in m', 0.01, 100_000),
    output: { $ref: 'output' },
    judgeBy: { type: 'string', title: 'Pixels that count', enum: ['resolved', 'sampled'] },
    cropConvention: {
      type: 'string',
      title: 'Crop-factor convention',
      enum: ['usual', 'diagonal', 'width', 'height', 'sameAspect'],
    },
  },
} as const;

/** The schemas referred to by the id of each. */
export type FarInputReferences = [
  typeof bodySchema,
  typeof opticSchema,
  typeof adapterSchema,
  typeof subjectSchema,
  typeof outputSchema,
];

export type FarInputData = FromSchema<typeof farInputSchema, { references: FarInputReferences }>;
