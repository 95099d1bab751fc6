import { between } from './fields';
import type { Output } from './output';
import type { Subject } from './subject';
import { systemProperties, type SystemInputData } from './systemInput';

/**
 * Everything a Near reading is worked out from, whole and without references: what the command line reads and what a kept
 * reading remembers.
 */
export const nearInputSchema = {
  $id: 'nearInput',
  title: 'Near reading',
  type: 'object',
  additionalProperties: false,
  required: ['body', 'modeId', 'chain', 'subject', 'output'],
  properties: {
    ...systemProperties,
    subject: { $ref: 'subject' },
    output: { $ref: 'output' },
    ratio: between('Reproduction ratio wanted', 0.0001, 1000),
    fNumber: between('f-number as set', 0.3, 500),
    screenWidthMm: between('Width of the screen in mm', 1, 100_000),
    handHoldRatio: between('Ratio held by hand', 0.01, 100),
    judgeBy: { type: 'string', title: 'Pixels that count', enum: ['resolved', 'sampled'] },
    cocSchool: { type: 'string', title: 'Circle of confusion', enum: ['diagonal', 'output', 'pixel'] },
  },
} as const;

export interface NearInputData extends SystemInputData {
  subject: Subject;
  output: Output;
  ratio?: number | undefined;
  fNumber?: number | undefined;
  screenWidthMm?: number | undefined;
  handHoldRatio?: number | undefined;
  judgeBy?: 'resolved' | 'sampled' | undefined;
  cocSchool?: 'diagonal' | 'output' | 'pixel' | undefined;
}
