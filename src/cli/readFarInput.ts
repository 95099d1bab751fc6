import type { FarInputData } from '@/contract/schemas/farInput';
import { readFar, type FarReading } from '@/core/far/readFar';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { plainSystem, type PlainSystem } from './plainSystem';

export interface FarOutput {
  desk: 'far';
  system: PlainSystem;
  reading: FarReading;
}

/** Folds and reads what a file describes, exactly as the Far desk does. */
export function readFarInput(input: FarInputData): Result<FarOutput> {
  const folded = foldSystem(input, input.cropConvention ?? 'usual');
  if (!folded.ok) return folded;
  const reading = readFar({ ...input, system: folded.value, judgeBy: input.judgeBy ?? 'resolved' });
  if (!reading.ok) return reading;
  return { ok: true, value: { desk: 'far', system: plainSystem(folded.value), reading: reading.value } };
}
