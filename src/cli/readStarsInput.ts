import type { StarsInputData } from '@/contract/schemas/starsInput';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { starsFromPlain } from '@/core/sky/plainStars';
import { readStars, type StarsReading } from '@/core/sky/readStars';
import { plainSystem, type PlainSystem } from './plainSystem';

/** The same reading the Stars desk shows, without what only its drawing needs. */
export interface StarsOutput {
  desk: 'stars';
  system: PlainSystem;
  reading: Omit<StarsReading, 'grid' | 'runInputs'>;
}

/** Reads what a file describes, exactly as the Stars desk does. */
export function readStarsInput(input: StarsInputData): Result<StarsOutput> {
  const system = foldSystem(input, input.cropConvention ?? 'usual');
  if (!system.ok) return system;
  const { grid: _, runInputs: __, ...reading } = readStars(starsFromPlain(system.value, input));
  return { ok: true, value: { desk: 'stars', system: plainSystem(system.value), reading } };
}
