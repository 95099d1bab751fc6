import type { FarInputData } from './farInput';
import { between, dateTime, note, text, uuid } from './fields';
import type { NearInputData } from './nearInput';
import { chainOfIds, type Setup } from './setup';
import type { StarsInputData } from './starsInput';

/** What counting pixels on a subject came to. */
const countResult = {
  type: 'object',
  title: 'Result',
  additionalProperties: false,
  required: [
    'pixelsOnSubject',
    'resolvedPixels',
    'neededPixels',
    'shareOfFramePercent',
    'equivalentFocalMm',
    'equivalentFNumber',
    'verdict',
  ],
  properties: {
    pixelsOnSubject: between('Pixels on the subject', 0, 1e9),
    pixelsPlusMinus: between('± of the pixels on the subject', 0, 1e9),
    resolvedPixels: between('Resolved pixels', 0, 1e9),
    neededPixels: between('Needed pixels', 0, 1e9),
    shareOfFramePercent: between('Share of the frame in %', 0, 1e7),
    equivalentFocalMm: between('Equivalent focal length in mm', 0, 1e7),
    equivalentFNumber: between('Equivalent f-number', 0, 1e5),
    ratio: between('Reproduction ratio', 0, 1e5),
    depthMm: between('Depth of field in mm', 0, 1e9),
    verdict: { type: 'string', title: 'Verdict', enum: ['notEnough', 'borderline', 'enough', 'more'] },
  },
} as const;

/** What the shutter under the stars came to. */
const starsResult = {
  type: 'object',
  title: 'Result',
  additionalProperties: false,
  required: ['limitS', 'centreS', 'worstS', 'exposureS', 'centreRunPx', 'worstRunPx', 'verdict'],
  properties: {
    limitS: between('Longest exposure in s', 0, 1e6),
    centreS: between('Longest for the centre in s', 0, 1e6),
    worstS: between('Longest for the whole frame in s', 0, 1e6),
    exposureS: between('Exposure in s', 0, 1e6),
    centreRunPx: between('Run in the centre in px', 0, 1e9),
    worstRunPx: between('Run at the worst point in px', 0, 1e9),
    verdict: { type: 'string', title: 'Verdict', enum: ['points', 'cornersRun', 'strokes'] },
  },
} as const;

/** A reading kept in the Book: the desk, what went in, what came out, when, and a note. */
export const readingSchema = {
  $id: 'reading',
  title: 'Kept reading',
  type: 'object',
  additionalProperties: false,
  required: ['desk', 'takenAt', 'setupName', 'input', 'result', 'note'],
  // What went in has the form of its desk.
  discriminator: { propertyName: 'desk' },
  oneOf: [
    { properties: { desk: { const: 'far' }, input: { $ref: 'farInput' }, result: countResult } },
    { properties: { desk: { const: 'near' }, input: { $ref: 'nearInput' }, result: countResult } },
    { properties: { desk: { const: 'stars' }, input: { $ref: 'starsInput' }, result: starsResult } },
  ],
  properties: {
    desk: { type: 'string', title: 'Desk' },
    takenAt: dateTime('Time'),
    setupId: uuid('Set-up'),
    subjectId: uuid('Subject'),
    outputId: uuid('Output'),
    converterIds: { type: 'array', title: 'Converters in the chain', maxItems: 20, items: uuid('Converter') },
    chain: chainOfIds,
    setupName: text('Name of the set-up', 240),
    input: { type: 'object', title: 'What went in' },
    result: { type: 'object', title: 'Result' },
    held: { type: 'string', title: 'How it was held', enum: ['handSharp', 'handBlurred', 'support'] },
    note: note('Note'),
  },
} as const;

interface Kept {
  takenAt: string;
  setupId?: string | undefined;
  subjectId?: string | undefined;
  outputId?: string | undefined;
  converterIds?: string[] | undefined;
  /** The chain as it stood, where it was not the set-up's own. */
  chain?: Setup['chain'] | undefined;
  setupName: string;
  /** Close up: by hand and sharp, by hand and not, or on a support or with flash. */
  held?: 'handSharp' | 'handBlurred' | 'support' | undefined;
  note: string;
}

/** What counting pixels on a subject came to. */
export interface CountResult {
  pixelsOnSubject: number;
  pixelsPlusMinus?: number | undefined;
  resolvedPixels: number;
  neededPixels: number;
  shareOfFramePercent: number;
  equivalentFocalMm: number;
  equivalentFNumber: number;
  ratio?: number | undefined;
  depthMm?: number | undefined;
  verdict: 'notEnough' | 'borderline' | 'enough' | 'more';
}

/** What the shutter under the stars came to. */
export interface StarsResult {
  limitS: number;
  centreS: number;
  worstS: number;
  exposureS: number;
  centreRunPx: number;
  worstRunPx: number;
  verdict: 'points' | 'cornersRun' | 'strokes';
}

/** The same as types, one for each desk. */
export type FarReadingKept = Kept & { desk: 'far'; input: FarInputData; result: CountResult };
export type NearReadingKept = Kept & { desk: 'near'; input: NearInputData; result: CountResult };
export type StarsReadingKept = Kept & { desk: 'stars'; input: StarsInputData; result: StarsResult };
export type Reading = FarReadingKept | NearReadingKept | StarsReadingKept;
