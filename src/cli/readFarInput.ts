import type { FarInputData } from '@/contract/schemas/farInput';
import { farMore, type FarMore } from '@/core/far/farMore';
import { modesLadder } from '@/core/far/modesLadder';
import { readFar, type FarReading } from '@/core/far/readFar';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { plainSystem, type PlainSystem } from './plainSystem';

export interface FarOutput {
  desk: 'far';
  system: PlainSystem;
  reading: FarReading;
  /** Depth, background, shutter and value, with the sky behind the subject and its usual speed. */
  more: FarMore | null;
  /** Crop in the camera or later, in a sentence. */
  cropAdvice: string;
}

/** Folds and reads what a file describes, exactly as the Far desk does. */
export function readFarInput(input: FarInputData): Result<FarOutput> {
  const folded = foldSystem(input, input.cropConvention ?? 'usual');
  if (!folded.ok) return folded;
  const reading = readFar({ ...input, system: folded.value, judgeBy: input.judgeBy ?? 'resolved' });
  if (!reading.ok) return reading;
  const speedMPerS = input.subject.speedMPerS ?? SUBJECT_KINDS[input.subject.kind].speedMPerS;
  const more = farMore({ system: folded.value, reading: reading.value, subject: input.subject, output: input.output, cocSchool: 'diagonal', background: { kind: 'distance', distanceM: Infinity }, speedMPerS });
  const { advice } = modesLadder({ setup: input, subject: input.subject, distanceM: input.distanceM, output: input.output, judgeBy: input.judgeBy ?? 'resolved', convention: input.cropConvention ?? 'usual', speedMPerS });
  return { ok: true, value: { desk: 'far', system: plainSystem(folded.value), reading: reading.value, more, cropAdvice: advice } };
}
