import type { FieldUnit } from '@/core/quantity/parseNumber';
import type { ResourceName } from '@/contract/resources';

/** One field of a form: where its value lies in the row, and how it is entered. */
export type Field =
  | { kind: 'text'; path: string; label: string; multiline?: boolean; optional?: boolean }
  | { kind: 'number'; path: string; label: string; unit: FieldUnit; shownUnit?: string; perUnit?: number; optional?: boolean }
  | { kind: 'choice'; path: string; label: string; options: readonly { value: string; name: string; gloss?: string }[] }
  | { kind: 'flag'; path: string; label: string }
  | { kind: 'modes'; path: string };

/** Fields under one heading; later sections start closed. */
export interface Section {
  title: string;
  fields: Field[];
  open: boolean;
}

const number = (path: string, label: string, shownUnit = '', optional = true): Field => ({ kind: 'number', path, label, unit: shownUnit === 'm' || shownUnit === 'mm' ? shownUnit : 'none', shownUnit, optional });
const text = (path: string, label: string, optional = false): Field => ({ kind: 'text', path, label, optional });
const note: Field = { kind: 'text', path: 'note', label: 'Note', multiline: true, optional: true };
const carry = [number('weightG', 'Weight', 'g'), number('price', 'Price')];

const DRAWS = [
  { value: 'excellent', name: 'Excellent' },
  { value: 'good', name: 'Good' },
  { value: 'fair', name: 'Fair' },
  { value: 'weak', name: 'Weak' },
];

/** The forms of the kit and the subjects. */
export const FORMS: Partial<Record<ResourceName, Section[]>> = {
  bodies: [
    {
      title: 'Sensor',
      open: true,
      fields: [
        text('name', 'Name'),
        number('sensor.widthMm', 'Width', 'mm', false),
        number('sensor.heightMm', 'Height', 'mm', false),
        number('sensor.columns', 'Columns', 'px', false),
        number('sensor.rows', 'Rows', 'px', false),
        {
          kind: 'choice',
          path: 'antiAliasFilter',
          label: 'Anti-aliasing filter',
          options: [
            { value: 'none', name: 'None' },
            { value: 'weak', name: 'Weak' },
            { value: 'standard', name: 'Standard' },
          ],
        },
      ],
    },
    { title: 'Crop modes', open: false, fields: [{ kind: 'modes', path: 'cropModes' }] },
    {
      title: 'Frames, files, autofocus',
      open: false,
      fields: [
        number('framesPerSecond', 'Frames per second', 'per s'),
        number('fileSizeMb', 'File size', 'MB'),
        number('autofocusLimitFNumber', 'Autofocus up to f/'),
        number('slowAutofocusLimitFNumber', 'Slowly up to f/'),
      ],
    },
    { title: 'Make, weight, price', open: false, fields: [text('maker', 'Maker', true), text('mount', 'Mount', true), ...carry, note] },
  ],
  optics: [
    {
      title: 'Lens',
      open: true,
      fields: [
        text('name', 'Name'),
        number('focalWideMm', 'Shortest focal length', 'mm', false),
        number('focalTeleMm', 'Longest focal length', 'mm', false),
        number('fNumberWide', 'Widest f/ at the short end', '', false),
        number('fNumberTele', 'Widest f/ at the long end', '', false),
        { kind: 'choice', path: 'detailClass', label: 'How well it draws', options: DRAWS },
        { kind: 'flag', path: 'autofocus', label: 'Autofocus' },
      ],
    },
    {
      title: 'Closest focus, image circle, detail',
      open: false,
      fields: [
        number('closestFocusM', 'Closest focus', 'm'),
        number('closestRatio', 'Ratio there (0.25 for 1 : 4)'),
        number('imageCircleWideMm', 'Image circle', 'mm'),
        number('imageCircleTeleMm', 'Image circle, long end', 'mm'),
        number('lens50LpPerMm', '50 % frequency', 'lp/mm'),
      ],
    },
    { title: 'Make, weight, price', open: false, fields: [text('maker', 'Maker', true), text('mount', 'Mount', true), ...carry, note] },
  ],
  adapters: [
    {
      title: 'Converter or reducer',
      open: true,
      fields: [text('name', 'Name'), number('factor', 'Factor (1.4; a reducer 0.71)', '×', false), { kind: 'flag', path: 'autofocus', label: 'Keeps autofocus' }],
    },
    { title: 'Detail, weight, price', open: false, fields: [number('lens50LpPerMm', 'Own 50 % frequency', 'lp/mm'), text('maker', 'Maker', true), text('mount', 'Mount', true), ...carry, note] },
  ],
};

/** Sets a value at a path of plain objects, without changing the original; an empty value removes the field. */
export function withPath(object: unknown, path: string, value: unknown): unknown {
  const [head = '', ...rest] = path.split('.');
  const source = (object ?? {}) as Record<string, unknown>;
  if (rest.length) return { ...source, [head]: withPath(source[head], rest.join('.'), value) };
  const { [head]: _, ...others } = source;
  return value === undefined || value === null || value === '' ? others : { ...others, [head]: value };
}

export function atPath(object: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((node, step) => (node as Record<string, unknown> | undefined)?.[step], object);
}
