import { chainSteps, type ChainStep } from '@/core/chain/steps';
import type { AdapterPart } from '@/core/chain/parts';
import { setupChecks, type SetupCheck } from '@/core/kit/setupChecks';
import { foldSystem, type SystemInput } from '@/core/optics/foldSystem';
import { ok, type Result } from '@/core/quantity/result';

/** What each part of a set-up changed. */
export function stepsOf(setup: SystemInput): Result<ChainStep[]> {
  const folded = foldSystem(setup);
  return folded.ok ? ok(chainSteps(folded.value.optics, folded.value.chain)) : folded;
}

/** What is to be checked of a set-up with a kit of adapters. */
export const checksOf = (setup: SystemInput, adapters: AdapterPart[] = []): SetupCheck[] =>
  setupChecks(foldSystem(setup), adapters);
