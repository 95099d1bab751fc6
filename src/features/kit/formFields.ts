import type { FieldUnit } from '@/core/quantity/parseNumber';

/** One field of a form: where its value lies in the row, and how it is entered. */
export type Field =
  | { kind: 'text'; path: string; label: string; multiline?: boolean; optional?: boolean }
  | {
      kind: 'number';
      path: string;
      label: string;
      unit: FieldUnit;
      shownUnit?: string;
      perUnit?: number;
      optional?: boolean;
    }
  | { kind: 'numbers'; path: string; label: string }
  | { kind: 'choice'; path: string; label: string; options: readonly { value: string; name: string; gloss?: string }[] }
  | { kind: 'flag'; path: string; label: string }
  /** Yes, no, or not known. */
  | { kind: 'known'; path: string; label: string }
  | { kind: 'modes' | 'videoModes' | 'windows'; path: string };

/** Fields under one heading; later sections start closed. */
export interface Section {
  title: string;
  fields: Field[];
  open: boolean;
}

export const number = (path: string, label: string, shownUnit = '', optional = true): Field => ({
  kind: 'number',
  path,
  label,
  unit: shownUnit === 'm' || shownUnit === 'mm' ? shownUnit : 'none',
  shownUnit,
  optional,
});
export const text = (path: string, label: string, optional = false): Field => ({ kind: 'text', path, label, optional });
export const flag = (path: string, label: string): Field => ({ kind: 'flag', path, label });
export const choiceOf = (path: string, label: string, words: Record<string, string>): Field => ({
  kind: 'choice',
  path,
  label,
  options: Object.entries(words).map(([value, name]) => ({ value, name })),
});
export const note: Field = { kind: 'text', path: 'note', label: 'Note', multiline: true, optional: true };

export const draws = choiceOf('detailClass', 'How well it draws', {
  excellent: 'Excellent',
  good: 'Good',
  fair: 'Fair',
  weak: 'Weak',
});
export const own50 = number('lens50LpPerMm', '50 % frequency', 'lp/mm');
export const carry = (...more: Field[]): Section => ({
  title: 'Make, mount, weight, price',
  open: false,
  fields: [
    text('maker', 'Maker', true),
    text('mount', 'Mount', true),
    ...more,
    number('weightG', 'Weight', 'g'),
    number('price', 'Price'),
    flag('wish', 'Wished for, not in the bag yet'),
    note,
  ],
});
export const main = (title: string, ...fields: Field[]): Section => ({
  title,
  open: true,
  fields: [text('name', 'Name'), ...fields],
});

export const PHOTOGRAPHIC: Field[] = [
  number('focalWideMm', 'Shortest focal length', 'mm', false),
  number('focalTeleMm', 'Longest focal length', 'mm', false),
  number('fNumberWide', 'Widest f/ at the short end', '', false),
  number('fNumberTele', 'Widest f/ at the long end', '', false),
  draws,
  flag('autofocus', 'Autofocus'),
];
export const NEAR: Field[] = [
  number('closestFocusM', 'Closest focus', 'm'),
  number('closestRatio', 'Ratio there (0.25 for 1 : 4)'),
  number('imageCircleWideMm', 'Image circle', 'mm'),
  number('imageCircleTeleMm', 'Image circle, long end', 'mm'),
  own50,
  number('lens50CornerLpPerMm', '… in the corner', 'lp/mm'),
];

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
