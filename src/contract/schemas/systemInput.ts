import type { Adapter } from './adapter';
import type { Body } from './body';
import { between, key, text } from './fields';
import type { Optic } from './optic';
import { ADAPTER_KIND_SCHEMAS } from './adapter';
import { OPTIC_KIND_SCHEMAS } from './optic';

/** A set-up whole and without references, from the subject to the sensor: shared by everything that folds one. */
export const systemProperties = {
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
      oneOf: [...Object.keys(OPTIC_KIND_SCHEMAS), ...Object.keys(ADAPTER_KIND_SCHEMAS)].map(($ref) => ({ $ref })),
    },
  },
  focalMm: between('Focal length in mm', 1, 20_000),
  supportWeightG: between('Weight of the support in grams', 0, 100_000),
  measured: {
    type: 'array',
    title: 'Measured ratios',
    maxItems: 20,
    items: {
      type: 'object',
      title: 'Measured ratio',
      additionalProperties: false,
      required: ['at', 'ratio', 'plusMinus'],
      properties: {
        at: { type: 'string', title: 'End of the focus', enum: ['closest', 'infinity'] },
        ratio: between('Reproduction ratio', 0.0001, 1000),
        plusMinus: between('Error of the ratio', 0, 1000),
        focalMm: between('Focal length in mm', 1, 20_000),
        how: text('How it was found', 240),
      },
    },
  },
  cropConvention: {
    type: 'string',
    title: 'Crop-factor convention',
    enum: ['usual', 'diagonal', 'width', 'height', 'sameAspect'],
  },
} as const;

/** What the command line folds into one system (`jauge kit`). */
export const systemInputSchema = {
  $id: 'systemInput',
  title: 'Set-up to fold',
  type: 'object',
  additionalProperties: false,
  required: ['body', 'modeId', 'chain'],
  properties: systemProperties,
} as const;

/** The same as a type; written out because the schema's alternatives are made from lists. */
export interface SystemInputData {
  body: Body;
  modeId: string;
  chain: (Optic | Adapter)[];
  focalMm?: number | undefined;
  supportWeightG?: number | undefined;
  /** Ratios measured with this chain; they replace the estimates. */
  measured?:
    | {
        at: 'closest' | 'infinity';
        ratio: number;
        plusMinus: number;
        focalMm?: number | undefined;
        how?: string | undefined;
      }[]
    | undefined;
  cropConvention?: 'usual' | 'diagonal' | 'width' | 'height' | 'sameAspect' | undefined;
}
