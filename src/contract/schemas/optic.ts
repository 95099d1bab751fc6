import type { FromSchema } from 'json-schema-to-ts';
import { between, mount, note, positive, price, text, weightG } from './fields';

/** An optic that forms the picture: for now a photographic lens, prime (equal ends) or zoom. */
export const opticSchema = {
  $id: 'optic',
  title: 'Optic',
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name', 'focalWideMm', 'focalTeleMm', 'fNumberWide', 'fNumberTele', 'detailClass', 'autofocus'],
  properties: {
    kind: { type: 'string', title: 'Kind', const: 'lens' },
    name: text('Name'),
    maker: text('Maker', 60),
    mount,
    focalWideMm: between('Shortest focal length in mm', 1, 20_000),
    focalTeleMm: between('Longest focal length in mm', 1, 20_000),
    fNumberWide: between('Widest f-number at the short end', 0.5, 128),
    fNumberTele: between('Widest f-number at the long end', 0.5, 128),
    closestFocusM: between('Closest focus in m', 0.01, 1000),
    closestRatio: between('Reproduction ratio at closest focus', 0.0001, 20),
    imageCircleWideMm: between('Image circle in mm', 1, 500),
    imageCircleTeleMm: between('Image circle at the long end in mm', 1, 500),
    lens50LpPerMm: positive('50 % frequency in lp/mm', 1000),
    detailClass: { type: 'string', title: 'How well it draws', enum: ['excellent', 'good', 'fair', 'weak'] },
    autofocus: { type: 'boolean', title: 'Autofocus' },
    weightG,
    price,
    note: note('Note'),
  },
} as const;

export type Optic = FromSchema<typeof opticSchema>;
