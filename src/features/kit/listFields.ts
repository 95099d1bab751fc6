import { RESTRICTION_WORDS } from '@/core/kit/words';

/** One field of an entry in a list of a body's modes or windows. */
export type ItemField =
  | { kind: 'text'; key: string; label: string }
  | { kind: 'number'; key: string; label: string; unit?: string; optional?: boolean; aspect?: boolean }
  | { kind: 'numbers'; key: string; label: string }
  | { kind: 'flag'; key: string; label: string }
  | { kind: 'choice'; key: string; label: string; options: Record<string, string> }
  | { kind: 'ticks'; key: string; label: string; options: Record<string, string> };

/** A list of like things inside a row: what one is called, what a new one is, and its fields. */
export interface ItemList {
  noun: string;
  fields: ItemField[];
  make: (key: string) => Record<string, unknown>;
  /** Entries without a name of their own are called by this. */
  nameOf: (item: Record<string, unknown>, i: number) => string;
}

const named = (item: Record<string, unknown>, i: number): string =>
  typeof item.name === 'string' && item.name !== '' ? item.name : `entry ${i + 1}`;

export const CROP_MODE: ItemList = {
  noun: 'crop mode',
  nameOf: named,
  make: (id) => ({ id, name: 'Crop 1.5', factor: 1.5 }),
  fields: [
    { kind: 'text', key: 'name', label: 'Name of mode' },
    { kind: 'number', key: 'factor', label: 'Factor', unit: '×', optional: true },
    { kind: 'number', key: 'aspect', label: 'Own aspect (5:4)', optional: true, aspect: true },
    { kind: 'number', key: 'pixels.columns', label: 'Exact columns', unit: 'px', optional: true },
    { kind: 'number', key: 'pixels.rows', label: 'Exact rows', unit: 'px', optional: true },
    { kind: 'number', key: 'framesPerSecond', label: 'Frames per second', optional: true },
    { kind: 'number', key: 'framesPerSecondWithAccessory', label: '… with accessory', optional: true },
    { kind: 'number', key: 'fileSizeMb', label: 'File size', unit: 'MB', optional: true },
    {
      kind: 'choice',
      key: 'finder',
      label: 'The finder',
      options: { masks: 'Hides the rest', outlines: 'Draws a line', fills: 'Is filled with it' },
    },
    { kind: 'flag', key: 'switchedByLens', label: 'A crop-format lens switches it on' },
  ],
};

export const VIDEO_MODE: ItemList = {
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
    { kind: 'text', key: 'name', label: 'Name of video mode' },
    { kind: 'number', key: 'sampledColumns', label: 'Sampled columns', unit: 'px' },
    { kind: 'number', key: 'sampledRows', label: 'Sampled rows', unit: 'px' },
    { kind: 'number', key: 'recordedColumns', label: 'Recorded columns', unit: 'px' },
    { kind: 'number', key: 'recordedRows', label: 'Recorded rows', unit: 'px' },
    { kind: 'numbers', key: 'framesPerSecond', label: 'Frame rates (25 + 30)' },
    { kind: 'number', key: 'processedZoomLimit', label: 'Processed zoom up to', unit: '×', optional: true },
    { kind: 'ticks', key: 'restrictions', label: 'What it does not allow', options: RESTRICTION_WORDS },
  ],
};

export const READOUT_WINDOW: ItemList = {
  noun: 'read-out window',
  nameOf: (item) => `${String(item.columns)} × ${String(item.rows)}`,
  make: () => ({ columns: 640, rows: 480, framesPerSecond: 120 }),
  fields: [
    { kind: 'number', key: 'columns', label: 'Columns of window', unit: 'px' },
    { kind: 'number', key: 'rows', label: 'Rows of window', unit: 'px' },
    { kind: 'number', key: 'framesPerSecond', label: 'Frames per second' },
  ],
};
