import { between, text } from '@/contract/schemas/fields';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Output } from '@/contract/schemas/output';
import type { Subject } from '@/contract/schemas/subject';
import { systemProperties, type SystemInputData } from '@/contract/schemas/systemInput';
import type { CocSchool } from '@/core/output/circleOfConfusion';
import type { UnitSystem } from '@/core/quantity/units';
import type { JudgeBy } from '@/core/detail/subjectCount';
import type { Background } from '@/core/far/farMore';
import type { CropConventionChoice } from '@/core/optics/foldSystem';

/** An object schema: its own title, the fields it must have, and those it may have. */
export const objectSchema = (title: string, properties: object, required: readonly string[]) =>
  ({ type: 'object', title, additionalProperties: false, required, properties }) as const;

/** A set-up whole, as part of another input. */
export const setupSchema = objectSchema('Set-up', systemProperties, ['body', 'modeId', 'chain']);

/** A set-up with a name, as it is compared. */
export const namedSetup = objectSchema('Set-up with a name', { name: text('Name'), setup: setupSchema }, [
  'name',
  'setup',
]);
export interface NamedSetup {
  name: string;
  setup: SystemInputData;
}

export const list = (title: string, items: object, minItems = 0, maxItems = 200) =>
  ({ type: 'array', title, minItems, maxItems, items }) as const;
export const choice = (title: string, values: readonly string[]) => ({ type: 'string', title, enum: values }) as const;
export const yesNo = (title: string) => ({ type: 'boolean', title }) as const;

/** What else the kit has, for levers. */
export const restOfKit = objectSchema(
  'The rest of the kit',
  { adapters: list('Adapters', { $ref: 'adapter' }), setups: list('Other set-ups', namedSetup) },
  [],
);
export interface RestOfKit {
  adapters?: Adapter[] | undefined;
  setups?: NamedSetup[] | undefined;
}

const judgeBy = choice('Pixels that count', ['resolved', 'sampled']);
const cocSchool = choice('Circle of confusion', ['diagonal', 'output', 'pixel']);
const threshold = between('Contrast threshold of the detail limit', 0.05, 0.5);
const units = choice('Units of the sentences', ['metric', 'imperial']);

/** The choices a person makes once, on the screen in the preferences. */
export const choices = { judgeBy, cocSchool, threshold, units } as const;
export interface Choices {
  judgeBy?: JudgeBy | undefined;
  cocSchool?: CocSchool | undefined;
  threshold?: number | undefined;
  units?: UnitSystem | undefined;
}
export const convention = choice('Crop-factor convention', ['usual', 'diagonal', 'width', 'height', 'sameAspect']);

export const background = {
  type: 'object',
  title: 'Background',
  required: ['kind'],
  oneOf: [
    objectSchema(
      'Background at a distance',
      { kind: { const: 'distance' }, distanceM: between('Distance of the background in m', 0.01, 1e6) },
      ['kind', 'distanceM'],
    ),
    objectSchema(
      'Ground behind the subject',
      {
        kind: { const: 'ground' },
        cameraHeightM: between('Camera height in m', 0.001, 10_000),
        subjectHeightM: between('Height of the subject in m', 0, 10_000),
      },
      ['kind', 'cameraHeightM', 'subjectHeightM'],
    ),
    objectSchema('Sky behind the subject', { kind: { const: 'sky' } }, ['kind']),
  ],
} as const;
type PlainBackground = Background | { kind: 'sky' };

/** What a far picture is read from. */
export const farProperties = {
  ...systemProperties,
  subject: { $ref: 'subject' },
  distanceM: between('Distance in m', 0.01, 100_000),
  output: { $ref: 'output' },
  ...choices,
  background,
} as const;
export const farRequired = ['body', 'modeId', 'chain', 'subject', 'distanceM', 'output'] as const;
export interface FarInput extends SystemInputData, Choices {
  subject: Subject;
  distanceM: number;
  output: Output;
  background?: PlainBackground | undefined;
}

/** The sky where nothing is said: the largest blur there can be. */
export const backgroundOf = (given: PlainBackground | undefined): Background =>
  given === undefined || given.kind === 'sky' ? { kind: 'distance', distanceM: Infinity } : given;

/** How the core wants the choices, with what is usual where nothing is said. */
export const farWays = ({
  judgeBy: by = 'resolved',
  threshold: limit,
  units: system = 'metric',
  cropConvention,
}: Choices & { cropConvention?: CropConventionChoice | undefined }) => ({
  judgeBy: by,
  units: system,
  convention: cropConvention ?? ('usual' as const),
  ...(limit === undefined ? {} : { threshold: limit }),
});
