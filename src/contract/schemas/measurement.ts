import { between, dateTime, note, text, uuid } from './fields';
import { chainOfIds, type Setup } from './setup';

/** A small picture as a data address: at most some twenty kilobytes. */
export const thumbnail = {
  type: 'string',
  title: 'Small picture',
  maxLength: 40_000,
  pattern: '^data:image/(jpeg|png|webp);base64,[A-Za-z0-9+/=]+$',
} as const;

const quantity = {
  type: 'object',
  title: 'Measured number',
  additionalProperties: false,
  required: ['name', 'value', 'unit'],
  properties: {
    name: text('What it is', 80),
    value: between('Value', -1e12, 1e12),
    unit: text('Unit', 16),
    plusMinus: between('Error', 0, 1e12),
  },
} as const;

/** What a picture answered: the question, the numbers with their errors, with what it was taken. The picture itself stays where it is. */
export const measurementSchema = {
  $id: 'measurement',
  title: 'Measurement',
  type: 'object',
  additionalProperties: false,
  required: ['asked', 'found', 'byHand', 'simulated', 'measuredAt', 'note'],
  properties: {
    asked: {
      type: 'string',
      title: 'Question',
      enum: ['ruler', 'length', 'disc', 'subject', 'larger', 'edge', 'stars', 'pair', 'light', 'shake'],
    },
    found: { type: 'array', title: 'Numbers', minItems: 1, maxItems: 12, items: quantity },
    byHand: { type: 'boolean', title: 'Put right by hand' },
    simulated: { type: 'boolean', title: 'Of a simulated picture' },
    pictureName: text('Name of the picture', 240),
    setupId: uuid('Set-up'),
    setupName: text('Name of the set-up', 240),
    chain: chainOfIds,
    thumbnail,
    measuredAt: dateTime('Time'),
    note: note('Note'),
  },
} as const;

/** The same as a type. The first number is the answer, the others say more. */
export interface Measurement {
  asked: 'ruler' | 'length' | 'disc' | 'subject' | 'larger' | 'edge' | 'stars' | 'pair' | 'light' | 'shake';
  found: { name: string; value: number; unit: string; plusMinus?: number | undefined }[];
  /** Ends or ticks were put right by the person. */
  byHand: boolean;
  simulated: boolean;
  pictureName?: string | undefined;
  setupId?: string | undefined;
  setupName?: string | undefined;
  chain?: Setup['chain'] | undefined;
  thumbnail?: string | undefined;
  measuredAt: string;
  note: string;
}
