import { CLASS_LENS50_LP_PER_MM } from '@/core/chain/lens50';
import type { FieldUnit } from '@/core/quantity/parseNumber';

type Fields<T> =
  NonNullable<T> extends readonly unknown[]
    ? never
    : NonNullable<T> extends object
      ? keyof NonNullable<T> & string
      : never;

/** The places of a row that a field may write: its fields, and those of an object in it. */
export type PathIn<T> = T extends unknown
  ? { [K in keyof T & string]: K | `${K}.${Fields<T[K]>}` }[keyof T & string]
  : never;

/** One field of a form that holds a value of its own: where it lies in the row, and how it is entered. */
export type PlainField<P extends string = string> =
  | { kind: 'text'; path: P; label: string; multiline?: boolean; optional?: boolean }
  | {
      kind: 'number';
      path: P;
      label: string;
      unit: FieldUnit;
      shownUnit?: string;
      perUnit?: number;
      optional?: boolean;
      /** Another place of the row that takes the same value. */
      followedBy?: P;
    }
  | { kind: 'numbers'; path: P; label: string }
  | {
      kind: 'choice';
      path: P;
      label: string;
      options: readonly { value: string; name: string; gloss?: string }[];
      /** What a choice brings into other fields. */
      brings?: (next: string, now: Record<string, unknown>) => Record<string, unknown>;
    }
  | { kind: 'flag'; path: P; label: string }
  /** Yes, no, or not known. */
  | { kind: 'known'; path: P; label: string }
  /** Any of several. */
  | { kind: 'ticks'; path: P; label: string; options: Record<string, string> };

/** Focal length and opening of a lens, at one or both ends; the paths beside the first are `also` written. */
export interface EndsField<P extends string = string> {
  kind: 'ends';
  path: P;
  also: readonly P[];
}

/** The same, or a list of like things with fields of their own. */
export type Field<P extends string = string> = PlainField<P> | EndsField<P> | { kind: 'list'; path: P; list: ItemList };

/** A list of like things inside a row: what one is called, what a new one is, and its fields. */
export interface ItemList {
  noun: string;
  fields: PlainField[];
  /** A new one, under a key that no other has. */
  make(key: string): object;
  /** What the `n`th is called. */
  nameOf(item: object, n: number): string;
}

/** Fields under one heading; later sections start closed. */
export interface Section<P extends string = string> {
  title: string;
  fields: readonly Field<P>[];
  open: boolean;
}

export const number = <P extends string>(
  path: P,
  label: string,
  shownUnit = '',
  optional = true,
): Extract<PlainField<P>, { kind: 'number' }> => ({
  kind: 'number',
  path,
  label,
  unit: shownUnit === 'm' || shownUnit === 'mm' ? shownUnit : 'none',
  shownUnit,
  optional,
});
export const text = <P extends string>(path: P, label: string, optional = false): PlainField<P> => ({
  kind: 'text',
  path,
  label,
  optional,
});
export const flag = <P extends string>(path: P, label: string): PlainField<P> => ({ kind: 'flag', path, label });
export const choiceOf = <P extends string>(path: P, label: string, words: Record<string, string>): PlainField<P> => ({
  kind: 'choice',
  path,
  label,
  options: Object.entries(words).map(([value, name]) => ({ value, name })),
});
export const note: Field<'note'> = { kind: 'text', path: 'note', label: 'Note', multiline: true, optional: true };

/** Where no 50 % frequency is entered, that of the class is taken; its glosses say which. */
export const draws: PlainField<'detailClass'> = {
  kind: 'choice',
  path: 'detailClass',
  label: 'How sharp, where nothing is measured',
  options: (['excellent', 'good', 'fair', 'weak'] as const).map((value) => ({
    value,
    name: value[0]!.toUpperCase() + value.slice(1),
    gloss: `as ${CLASS_LENS50_LP_PER_MM[value]} lp/mm`,
  })),
};
export const own50 = number('lens50LpPerMm', '50 % frequency', 'lp/mm');
type Carried = 'maker' | 'mount' | 'weightG' | 'price' | 'wish' | 'note';
export const carry = <P extends string = never>(...more: Field<P>[]): Section<P | Carried> => ({
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
export const main = <P extends string>(title: string, ...fields: Field<P>[]): Section<P | 'name'> => ({
  title,
  open: true,
  fields: [text('name', 'Name'), ...fields],
});

/** Sharpness of a lens by focal length and f-number. */
const SHARPNESS: ItemList = {
  noun: 'measured sharpness',
  nameOf: (item, n) =>
    'fNumber' in item && 'focalMm' in item ? `f/${String(item.fNumber)} at ${String(item.focalMm)} mm` : `entry ${n}`,
  make: () => ({ focalMm: 50, fNumber: 5.6 }),
  fields: [
    number('focalMm', 'Focal length', 'mm', false),
    number('fNumber', 'f-number', '', false),
    number('lens50LpPerMm', '50 % frequency', 'lp/mm'),
    number('plusMinusLpPerMm', '… ±', 'lp/mm'),
    number('lens50CornerLpPerMm', '… in the corner', 'lp/mm'),
  ],
};

export const PHOTOGRAPHIC = [
  { kind: 'ends', path: 'focalWideMm', also: ['focalTeleMm', 'fNumberWide', 'fNumberTele'] },
  draws,
  number('fNumberSmallest', 'Smallest aperture f/'),
  flag('autofocus', 'Autofocus'),
] as const satisfies readonly Field[];
export const NEAR = [
  number('closestFocusM', 'Closest focus', 'm'),
  { ...number('closestRatio', 'Ratio there, like 1:4'), unit: 'ratio' as const },
  number('imageCircleWideMm', 'Image circle', 'mm'),
  number('imageCircleTeleMm', 'Image circle, long end of a zoom', 'mm'),
  own50,
  number('lens50CornerLpPerMm', '… in the corner', 'lp/mm'),
  { kind: 'list' as const, path: 'sharpness' as const, list: SHARPNESS },
];
