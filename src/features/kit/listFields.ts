import type { Body } from '@/contract/schemas/body';
import { RESTRICTION_WORDS } from '@/core/kit/words';
import { choiceOf, flag, number, text, type ItemList, type PathIn, type PlainField } from './formFields';

type Item<K extends 'cropModes' | 'videoModes' | 'readoutWindows' | 'light'> = NonNullable<Body[K]>[number];

/** A list whose fields are those of its own items. */
const listOf = <T extends object>(list: {
  noun: string;
  fields: PlainField<PathIn<T>>[];
  make(key: string): T;
  nameOf(item: T, n: number): string;
}): ItemList => list as ItemList;

const named = ({ name }: { name?: string }, n: number): string => (name ? name : `entry ${n}`);

export const CROP_MODE = listOf<Item<'cropModes'>>({
  noun: 'crop mode',
  nameOf: named,
  make: (id) => ({ id, name: 'Crop 1.5', factor: 1.5 }),
  fields: [
    text('name', 'Name of mode'),
    number('factor', 'Factor', '×'),
    { kind: 'number', path: 'aspect', label: 'Own aspect (5:4)', unit: 'aspect', optional: true },
    number('pixels.columns', 'Exact columns', 'px'),
    number('pixels.rows', 'Exact rows', 'px'),
    number('framesPerSecond', 'Frames per second'),
    number('framesPerSecondWithAccessory', '… with accessory'),
    number('fileSizeMb', 'File size', 'MB'),
    choiceOf('finder', 'The finder', {
      masks: 'Hides the rest',
      outlines: 'Draws a line',
      fills: 'Is filled with it',
    }),
    flag('switchedByLens', 'A crop-format lens switches it on'),
  ],
});

export const VIDEO_MODE = listOf<Item<'videoModes'>>({
  noun: 'video mode',
  nameOf: named,
  make: (id) => ({
    id,
    name: '4K',
    sampledColumns: 3840,
    sampledRows: 2160,
    recordedColumns: 3840,
    recordedRows: 2160,
    framesPerSecond: [25],
  }),
  fields: [
    text('name', 'Name of video mode'),
    number('sampledColumns', 'Sampled columns', 'px', false),
    number('sampledRows', 'Sampled rows', 'px', false),
    number('recordedColumns', 'Recorded columns', 'px', false),
    number('recordedRows', 'Recorded rows', 'px', false),
    { kind: 'numbers', path: 'framesPerSecond', label: 'Frame rates (25 + 30)' },
    number('processedZoomLimit', 'Processed zoom up to', '×'),
    { kind: 'ticks', path: 'restrictions', label: 'What it does not allow', options: RESTRICTION_WORDS },
  ],
});

export const READOUT_WINDOW = listOf<Item<'readoutWindows'>>({
  noun: 'read-out window',
  nameOf: ({ columns, rows }) => `${String(columns)} × ${String(rows)}`,
  make: () => ({ columns: 640, rows: 480, framesPerSecond: 120 }),
  fields: [
    number('columns', 'Columns of window', 'px', false),
    number('rows', 'Rows of window', 'px', false),
    number('framesPerSecond', 'Frames per second', '', false),
  ],
});

export const LIGHT = listOf<Item<'light'>>({
  noun: 'measured ISO',
  nameOf: ({ iso }) => `ISO ${String(iso)}`,
  make: () => ({ iso: 100, fullWellE: 40_000, readNoiseE: 4 }),
  fields: [
    number('iso', 'ISO', '', false),
    number('fullWellE', 'Full', 'e⁻', false),
    number('fullWellPlusMinusE', '… ±', 'e⁻'),
    number('readNoiseE', 'Noise of reading', 'e⁻', false),
    number('readNoisePlusMinusE', '… ±', 'e⁻'),
  ],
});
