import { RESOURCES } from '../resources';
import { LARGEST_VERSION } from '../wholeData';
import { dateTime, uuid } from './fields';

const row = {
  type: 'object',
  title: 'Row',
  additionalProperties: false,
  required: ['id', 'data'],
  properties: {
    id: uuid('Id'),
    version: { type: 'integer', title: 'Version', minimum: 1, maximum: LARGEST_VERSION },
    createdAt: dateTime('Made at'),
    updatedAt: dateTime('Changed at'),
    checksum: { type: 'string', title: 'Checksum', maxLength: 64 },
    data: { type: 'object', title: 'Data' },
  },
} as const;

const rows = (title: string) => ({ type: 'array', title, items: row }) as const;

/** Version of the form below. It goes up when older programs could no longer read what is written. */
export const WHOLE_DATA_VERSION = 1;

/** Everything one has entered, in one file: what an export holds and an import reads. A part of it is enough. */
export const wholeDataSchema = {
  $id: 'wholeData',
  title: 'Data of Jauge',
  type: 'object',
  additionalProperties: false,
  required: ['format', 'formatVersion', 'rows'],
  properties: {
    format: { type: 'string', title: 'Format', const: 'jauge' },
    formatVersion: { type: 'integer', title: 'Version of the format', const: WHOLE_DATA_VERSION },
    exportedAt: dateTime('Exported at'),
    existing: { type: 'string', title: 'What to do with rows that exist already', enum: ['keep', 'replace', 'only'] },
    rows: {
      type: 'object',
      title: 'Rows',
      additionalProperties: false,
      properties: Object.fromEntries(Object.entries(RESOURCES).map(([name, { plural }]) => [name, rows(plural)])),
    },
  },
} as const;
