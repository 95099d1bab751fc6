import type { FarInputData } from '@/contract/schemas/farInput';
import { readFar, type FarReading } from '@/core/far/readFar';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';

/** The effective system without the parts it was folded from, and the reading: what the screen shows, as plain data. */
export interface FarOutput {
  desk: 'far';
  system: Omit<EffectiveSystem, 'body' | 'lens' | 'chain' | 'arrangement' | 'optics'>;
  reading: FarReading;
}

/** Folds and reads what a file describes, exactly as the Far desk does. */
export function readFarInput(input: FarInputData): Result<FarOutput> {
  const folded = foldSystem(input, input.cropConvention ?? 'usual');
  if (!folded.ok) return folded;
  const reading = readFar({ ...input, system: folded.value, judgeBy: input.judgeBy ?? 'resolved' });
  if (!reading.ok) return reading;
  const { body: _body, lens: _lens, chain: _chain, arrangement: _arrangement, optics: _optics, ...system } = folded.value;
  return { ok: true, value: { desk: 'far', system, reading: reading.value } };
}
