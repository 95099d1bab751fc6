import { between } from './fields';
import type { Output } from './output';
import type { Subject } from './subject';
import { systemProperties, type SystemInputData } from './systemInput';

/**
 * Everything a Far reading is worked out from, whole and without references: what the command line reads and what a kept
 * reading remembers, so that it stays true when the kit changes.
 */
export const farInputSchema = {
  $id: 'farInput',
  title: 'Far reading',
  type: 'object',
  additionalProperties: false,
  required: ['body', 'modeId', 'chain', 'subject', 'distanceM', 'output'],
  properties: {
    ...systemProperties,
    subject: { $ref: 'subject' },
    distanceM: between('Distance in m', 0.01, 100_000),
    output: { $ref: 'output' },
    judgeBy: { type: 'string', title: 'Pixels that count', enum: ['resolved', 'sampled'] },
  },
} as const;

export interface FarInputData extends SystemInputData {
  subject: Subject;
  distanceM: number;
  output: Output;
  judgeBy?: 'resolved' | 'sampled' | undefined;
}
