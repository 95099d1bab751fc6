import { between, text } from './fields';
import type { Output } from './output';
import { systemProperties, type SystemInputData } from './systemInput';

/**
 * Everything a reading of the stars is worked out from: what the command line reads and what a kept
 * reading remembers. */
export const starsInputSchema = {
  $id: 'starsInput',
  title: 'Reading of the stars',
  type: 'object',
  additionalProperties: false,
  required: ['body', 'modeId', 'chain', 'output'],
  properties: {
    ...systemProperties,
    output: { $ref: 'output' },
    projection: {
      type: 'string',
      title: 'Projection',
      enum: ['rectilinear', 'equisolid', 'equidistant', 'stereographic'],
    },
    declinationDeg: between('Declination of the frame’s centre in °', -90, 90),
    rollDeg: between('Turn of the frame, north to east, in °', -360, 360),
    toleranceKind: { type: 'string', title: 'What a tolerance counts', enum: ['pixels', 'output', 'eye', 'own'] },
    tolerance: between('How far a star may run', 0.01, 10_000),
    own: {
      type: 'object',
      title: 'Learned tolerance',
      additionalProperties: false,
      required: ['centrePx', 'cornerPx', 'pictures'],
      properties: {
        centrePx: between('In the centre in px', 0, 10_000),
        cornerPx: between('In the corners in px', 0, 10_000),
        smallCentrePx: between('In the centre, shown small, in px', 0, 10_000),
        smallCornerPx: between('In the corners, shown small, in px', 0, 10_000),
        pictures: between('Pictures it was learned from', 0, 100_000),
      },
    },
    rule: {
      type: 'string',
      title: 'School',
      enum: [
        'worst',
        'centre',
        'c600',
        'c500',
        'c400',
        'c300',
        'small300',
        'pitchShort',
        'pitchFull1',
        'pitchFull2',
        'pitchFull3',
        'ceiling',
        'own',
      ],
    },
    ceilingS: between('Ceiling in s', 0.01, 36_000),
    exposureS: between('Exposure in s', 0.001, 36_000),
    fNumber: between('f-number as set', 0.3, 500),
    cornerStretchPx: between('Corner stars drawn out by the lens, in px', 0, 1000),
    ownTime: {
      type: 'object',
      title: 'Longest exposure learned with this lens',
      additionalProperties: false,
      required: ['seconds', 'plusMinusS', 'rests'],
      properties: {
        seconds: between('Longest exposure in s', 0.001, 36_000),
        plusMinusS: between('Its error in s', 0, 36_000),
        rests: text('What it rests on', 240),
      },
    },
  },
} as const;

export interface StarsInputData extends SystemInputData {
  output: Output;
  projection?: 'rectilinear' | 'equisolid' | 'equidistant' | 'stereographic' | undefined;
  declinationDeg?: number | undefined;
  rollDeg?: number | undefined;
  toleranceKind?: 'pixels' | 'output' | 'eye' | 'own' | undefined;
  tolerance?: number | undefined;
  own?:
    | {
        centrePx: number;
        cornerPx: number;
        smallCentrePx?: number | undefined;
        smallCornerPx?: number | undefined;
        pictures: number;
      }
    | undefined;
  rule?:
    | 'worst'
    | 'centre'
    | 'c600'
    | 'c500'
    | 'c400'
    | 'c300'
    | 'small300'
    | 'pitchShort'
    | 'pitchFull1'
    | 'pitchFull2'
    | 'pitchFull3'
    | 'ceiling'
    | 'own'
    | undefined;
  ceilingS?: number | undefined;
  exposureS?: number | undefined;
  fNumber?: number | undefined;
  cornerStretchPx?: number | undefined;
  ownTime?: { seconds: number; plusMinusS: number; rests: string } | undefined;
}
