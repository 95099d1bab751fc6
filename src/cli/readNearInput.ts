import type { NearInputData } from '@/contract/schemas/nearInput';
import { readNear, type NearReading } from '@/core/near/readNear';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { plainSystem, type PlainSystem } from './plainSystem';

/** The same reading the Near desk shows. */
export interface NearOutput {
  desk: 'near';
  system: PlainSystem;
  reading: NearReading;
}

/** Reads what a file describes, exactly as the Near desk does. */
export function readNearInput(input: NearInputData): Result<NearOutput> {
  const system = foldSystem(input, input.cropConvention ?? 'usual');
  if (!system.ok) return system;
  const reading = readNear({ ...input, system: system.value });
  return reading.ok ? { ok: true, value: { desk: 'near', system: plainSystem(system.value), reading: reading.value } } : reading;
}
