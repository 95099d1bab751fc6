import type { FromSchema } from 'json-schema-to-ts';
import { between, mount, note, positive, price, text, weightG } from './fields';

/** A part between lens and body: for now a converter (factor above 1) or a focal reducer (below 1). */
export const adapterSchema = {
  $id: 'adapter',
  title: 'Adapter',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'factor', 'autofocus'],
  properties: {
    kind: { type: 'string', title: 'Kind', const: 'converter' },
    name: text('Name'),
    maker: text('Maker', 60),
    mount,
    factor: between('Factor', 0.3, 10),
    lens50LpPerMm: positive('50 % frequency in lp/mm', 1000),
    autofocus: { type: 'boolean', title: 'Keeps autofocus' },
    weightG,
    price,
    note: note('Note'),
  },
} as const;

export type Adapter = FromSchema<typeof adapterSchema>;
