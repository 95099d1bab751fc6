import { between } from '@/contract/schemas/fields';
import type { Output } from '@/contract/schemas/output';
import { systemProperties, type SystemInputData } from '@/contract/schemas/systemInput';
import { zoomedName } from '@/core/kit/zoomedName';
import { noiseAgainst } from '@/core/noise/noiseAgainst';
import { signalToNoise } from '@/core/noise/signalToNoise';
import { foldSystem } from '@/core/optics/foldSystem';
import { ok } from '@/core/quantity/result';
import { desk } from '../desk';
import { list, namedSetup, objectSchema, yesNo, type NamedSetup } from './fields';

interface NoiseInput extends SystemInputData {
  output: Output;
  iso: number;
  overStops?: number | undefined;
  setups?: NamedSetup[] | undefined;
  sameFNumber?: boolean | undefined;
}

export const noise = desk<NoiseInput>({
  about: 'how clean a mid-tone is at an ISO, in stops against other set-ups, and the ISO at which each looks alike',
  schema: objectSchema(
    'Noise',
    {
      ...systemProperties,
      output: { $ref: 'output' },
      iso: between('ISO', 6, 10_000_000),
      overStops: between('Stops over the meter', -6, 2),
      setups: list('Other set-ups', namedSetup),
      sameFNumber: yesNo('All are set to one f-number'),
    },
    ['body', 'modeId', 'chain', 'output', 'iso'],
  ),
  read: (input) => {
    const convention = input.cropConvention ?? 'usual';
    const folded = foldSystem(input, convention);
    if (!folded.ok) return folded;
    const system = folded.value;
    const { output, iso, overStops, setups = [], sameFNumber } = input;
    return ok({
      desk: 'noise',
      reading: signalToNoise({ body: system.body, used: system.used, output, iso, overStops }),
      against: noiseAgainst({
        system,
        output,
        iso,
        overStops,
        others: setups.map(({ name, setup }) => ({ id: name, name: zoomedName(name, setup), setup })),
        convention,
        lightFNumber: sameFNumber ? null : system.lightFNumber,
      }).map(({ id: _, alikeIso, ...row }) => ({ ...row, ...(alikeIso === null ? {} : { alikeIso }) })),
    });
  },
});
