import { between } from '@/contract/schemas/fields';
import { outputSchema } from '@/contract/schemas/output';
import type { Output } from '@/contract/schemas/output';
import { systemProperties, type SystemInputData } from '@/contract/schemas/systemInput';
import { chainSteps } from '@/core/chain/steps';
import { focalTable } from '@/core/kit/focalTable';
import { modeTable } from '@/core/kit/modeTable';
import { setupChecks } from '@/core/kit/setupChecks';
import { readOut } from '@/core/far/readOut';
import { foldSystem } from '@/core/optics/foldSystem';
import { fail, ok } from '@/core/quantity/result';
import { desk } from '../desk';
import { ratioSpan } from '@/core/optics/ratioSpan';
import { plainSystem } from '../plainSystem';
import { choices, list, objectSchema, type Choices } from './fields';

/** A card and a print density as common as any, so that the mode table has something to count. */
const CARD_GB = 128;
const PIXELS_PER_INCH = 300;

interface KitInput extends SystemInputData, Choices {
  cardGb?: number | undefined;
  pixelsPerInch?: number | undefined;
  outputs?: Output[] | undefined;
}

export const kit = desk<KitInput>({
  about: 'what body, mode and chain become together: system, steps, checks, zoom range, modes',
  schema: objectSchema(
    'Set-up to fold',
    {
      ...systemProperties,
      units: choices.units,
      cardGb: between('Card in GB', 0.1, 20_000),
      pixelsPerInch: between('Print density in pixels per inch', 10, 2400),
      outputs: list('Outputs', { $ref: outputSchema.$id }),
    },
    ['body', 'modeId', 'chain'],
  ),
  read: (input) => {
    const convention = input.cropConvention ?? 'usual';
    const folded = foldSystem(input, convention);
    if (!folded.ok) return folded;
    const span = ratioSpan(folded.value, convention);
    return ok({
      desk: 'kit',
      system: plainSystem(folded.value),
      steps: chainSteps(folded.value.optics, folded.value.chain),
      ...(span ? { ratioSpan: span } : {}),
      checks: setupChecks(folded, [], input.units),
      zoom: focalTable(input, convention).map(({ system, ...row }) => ({ ...row, system: plainSystem(system) })),
      modes: modeTable({
        body: input.body,
        cardGb: input.cardGb ?? CARD_GB,
        pixelsPerInch: input.pixelsPerInch ?? PIXELS_PER_INCH,
        outputs: input.outputs ?? [],
      }),
    });
  },
});

export const video = desk<SystemInputData>({
  about: 'video read-out and processed zoom: how far it is free, what each step invents, the range in equivalents',
  schema: objectSchema('Video read-out', systemProperties, ['body', 'modeId', 'chain']),
  read: (input) => {
    const folded = foldSystem(input, input.cropConvention ?? 'usual');
    if (!folded.ok) return folded;
    const modes = readOut(folded.value);
    return modes.length
      ? ok({ desk: 'video', modes })
      : fail(
          'video.none',
          `${input.body.name} has no video mode entered. Add its read-outs to the body.`,
          'body.videoModes',
        );
  },
});
