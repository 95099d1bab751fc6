import type { SystemInputData } from '@/contract/schemas/systemInput';
import { chainSteps, type ChainStep } from '@/core/kit/chainSteps';
import { focalTable } from '@/core/kit/focalTable';
import { modeTable } from '@/core/kit/modeTable';
import { setupChecks, type SetupCheck } from '@/core/kit/setupChecks';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { plainSystem, type PlainSystem } from './plainSystem';

/** A card and a print density as common as any, so that the mode table has something to count. */
const CARD_GB = 128;
const PIXELS_PER_INCH = 300;

/** What a chain becomes together, step by step and along its zoom, with its checks and the modes of its body. */
export interface KitOutput {
  desk: 'kit';
  system: PlainSystem;
  steps: ChainStep[];
  checks: SetupCheck[];
  zoom: { markedFocalMm: number; system: PlainSystem; coveredShare?: number; cleanCropFactor?: number }[];
  modes: ReturnType<typeof modeTable>;
}

/** Folds what a file describes, exactly as the chain builder does. */
export function readKitInput(input: SystemInputData): Result<KitOutput> {
  const convention = input.cropConvention ?? 'usual';
  const folded = foldSystem(input, convention);
  if (!folded.ok) return folded;
  const steps = chainSteps(input);
  if (!steps.ok) return steps;
  return {
    ok: true,
    value: {
      desk: 'kit',
      system: plainSystem(folded.value),
      steps: steps.value,
      checks: setupChecks(input, []),
      zoom: focalTable(input, convention).map(({ system, ...row }) => ({ ...row, system: plainSystem(system) })),
      modes: modeTable({ body: input.body, cardGb: CARD_GB, pixelsPerInch: PIXELS_PER_INCH, outputs: [] }),
    },
  };
}
