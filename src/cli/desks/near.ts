import { mayMount } from '@/core/chain/mounts';
import { between } from '@/contract/schemas/fields';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import { nearInputSchema, type NearInputData } from '@/contract/schemas/nearInput';
import { compareSensors, type SensorStance } from '@/core/near/compareSensors';
import { nearLevers } from '@/core/near/nearLevers';
import { wholePlan } from '@/core/near/otherRoutes';
import { closeConverters, type Owned } from '@/core/near/planRatio';
import { rankRatioRoutes, type RatioOrder } from '@/core/near/ratioRoutes';
import { readNear, type NearReading } from '@/core/near/readNear';
import { stackPlan } from '@/core/near/stackPlan';
import { subjectDepthMm } from '@/core/near/subjectDepth';
import { isFactor, type FactorPart, type LensSpec, type Part } from '@/core/chain/parts';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import { misfits } from '@/core/chain/mountPath';
import { viewedPixels } from '@/core/output/viewedPixels';
import { ok, type Result } from '@/core/quantity/result';
import { desk } from '../desk';
import { plainPatch, withKit } from '../kitAround';
import { plainSystem } from '../plainSystem';
import { choice, choices, list, objectSchema, type Choices, restOfKit, type RestOfKit } from './fields';

type NearInput = NearInputData & Choices;
const { required } = nearInputSchema;
const properties = { ...nearInputSchema.properties, ...choices };

function readingOf(input: NearInput): Result<{ system: EffectiveSystem; reading: NearReading }> {
  const system = foldSystem(input, input.cropConvention ?? 'usual');
  if (!system.ok) return system;
  const reading = readNear({ ...input, system: system.value });
  return reading.ok ? ok({ system: system.value, reading: reading.value }) : reading;
}

/** A reading with its curve only where the curve is asked for, and without a verdict on what is not in the picture. */
function plainReading({ curve: _, state, ...reading }: NearReading) {
  const { verdict, shareOfFrame, ...rest } = reading;
  const judged = reading.overflow ? {} : { verdict, shareOfFrame };
  return { ...rest, ...judged, turned: state.turned, fixedAperture: state.fixedAperture };
}

export const near = desk<NearInput>({
  about: 'a tiny subject: reproduction ratio, field, depth, light, room in front, verdict',
  schema: objectSchema('Near reading', properties, required),
  read: (input) => {
    const read = readingOf(input);
    if (!read.ok) return read;
    const { system, reading } = read.value;
    const problem = reading.overflow;
    return ok({
      desk: 'near',
      system: plainSystem(system, reading.warnings),
      reading: plainReading(reading),
      ...(problem ? { problem } : {}),
    });
  },
});

export const aperture = desk<NearInput>({
  about: 'detail and depth against the f-number close up, and the best for the output',
  schema: objectSchema('f-number curve', properties, required),
  read: (input) => {
    const read = readingOf(input);
    if (!read.ok) return read;
    const { curve, neededPixels, bestFNumber } = read.value.reading;
    return ok({ desk: 'aperture', neededPixels, bestFNumber, ...curve });
  },
});

interface StackInput extends NearInput {
  coverMm?: number | undefined;
  overlap?: number | undefined;
  railStepUm?: number | undefined;
  secondsPerFrame?: number | undefined;
}

export const stack = desk<StackInput>({
  about: 'a focus stack: step, frames, rail positions, time, card',
  schema: objectSchema(
    'Focus stack',
    {
      ...properties,
      coverMm: between('Depth to cover in mm', 0.001, 1000),
      overlap: between('Overlap, a share', 0, 0.9),
      railStepUm: between('One step of the rail in µm', 0.01, 100_000),
      secondsPerFrame: between('Seconds a frame', 0, 600),
    },
    required,
  ),
  read: (input) => {
    const {
      coverMm = subjectDepthMm(input.subject.kind, input.subject.sizeMm),
      overlap = 0.25,
      railStepUm = 5,
      secondsPerFrame = 3,
      ...rest
    } = input;
    const read = readingOf(rest);
    if (!read.ok) return read;
    const plan = stackPlan({
      coverMm,
      depthMm: read.value.reading.depthMm.value,
      overlap,
      railStepUm,
      secondsPerFrame,
      fileSizeMb: read.value.system.fileSizeMb,
    });
    return plan.ok ? ok({ desk: 'stack', depthMm: read.value.reading.depthMm, coverMm, ...plan.value }) : plan;
  },
});

interface SensorsInput extends NearInput {
  bodies: Body[];
  stance?: SensorStance | undefined;
}

export const sensors = desk<SensorsInput>({
  about: 'the same tiny subject on several sensors, at the same ratio, field or depth',
  schema: objectSchema(
    'Sensors compared',
    {
      ...properties,
      bodies: list('Other bodies', { $ref: 'body' }, 1, 40),
      stance: choice('Held equal', ['sameRatio', 'sameField', 'sameDepth']),
    },
    [...required, 'bodies'],
  ),
  read: ({ bodies, stance = 'sameRatio', ...input }) => {
    const read = readingOf(input);
    if (!read.ok) return read;
    const { system, reading } = read.value;
    const pictures = compareSensors({
      bodies: [input.body, ...bodies],
      ratio: reading.ratio.value,
      fNumber: reading.setFNumber.value,
      workingFNumber: reading.workingFNumber.value,
      subjectMm: input.subject.sizeMm,
      stance,
      cocSchool: input.cocSchool ?? 'diagonal',
      viewedPx: viewedPixels(input.output),
      used: system.used,
    });
    return ok({
      desk: 'sensors',
      stance,
      pictures: pictures.map(({ body, ...picture }) => ({ body: body.name, ...picture })),
    });
  },
});

interface NearLeversInput extends NearInput {
  kit?: RestOfKit | undefined;
}

export const nearLeversDesk = desk<NearLeversInput>({
  about: 'what could be changed close up, each with its gain and price',
  schema: objectSchema(
    'Levers close up',
    {
      ...properties,
      kit: restOfKit,
    },
    required,
  ),
  read: ({ kit, ...input }) => {
    const read = readingOf(input);
    if (!read.ok) return read;
    const found = nearLevers({
      ...input,
      ...withKit(input, kit),
      judgeBy: input.judgeBy ?? 'resolved',
      cocSchool: input.cocSchool ?? 'diagonal',
      convention: input.cropConvention ?? 'usual',
      ratio: input.ratio,
      fNumber: input.fNumber,
    });
    return ok({ desk: 'nearLevers', levers: found.map((lever) => ({ ...lever, patch: plainPatch(lever.patch) })) });
  },
});

interface PlanInput {
  body: Body;
  ratio: number;
  optics: Optic[];
  adapters?: Adapter[] | undefined;
  order?: RatioOrder | undefined;
  most?: number | undefined;
}

export const ratioPlan = desk<PlanInput>({
  about: 'every combination of lenses, tubes, close-up lenses and converters that reaches a ratio',
  schema: objectSchema(
    'Plan for a ratio',
    {
      body: { $ref: 'body' },
      ratio: between('Ratio wanted', 0.005, 200),
      optics: list('Optics', { $ref: 'optic' }, 1),
      adapters: list('Adapters', { $ref: 'adapter' }),
      order: choice('What one cares for', ['swaps', 'workingDistance', 'light', 'error']),
      most: { type: 'integer', title: 'Routes printed', minimum: 1, maximum: 2000 },
    },
    ['body', 'ratio', 'optics'],
  ),
  read: ({ body, ratio, optics, adapters = [], order = 'swaps', most = 50 }) => {
    const parts = [...optics, ...adapters]
      .filter((part) => !part.retired)
      .map((spec, i) => ({ id: `${i} ${spec.name}`, spec: spec as Part }));
    const of = <K extends Part['kind']>(kind: K) =>
      parts.filter((part): part is Owned<Extract<Part, { kind: K }>> => part.spec.kind === kind);
    const fits = ({ spec }: Owned<Part>) => mayMount(spec.mount, body.mount);
    const plan = wholePlan(
      {
        kit: {
          lenses: of('lens').filter((part): part is Owned<LensSpec> => misfits(body, [part.spec]).length === 0),
          tubes: of('tubes').filter(fits),
          closeUps: of('closeUp'),
          converters: closeConverters(
            parts.filter((part): part is Owned<FactorPart> => isFactor(part.spec) && fits(part)),
          ),
          flangeMm: body.flangeMm,
        },
        means: {
          body,
          reversing: of('reversing').filter(fits),
          coupling: of('coupling'),
          objectives: of('objective'),
          tubeLenses: of('tubeLens'),
          bellows: of('bellows').filter(fits),
        },
        measured: [],
        present: [],
      },
      ratio,
    );
    const nameOf = (id: string) => parts.find((part) => part.id === id)!.spec.name;
    return ok({
      desk: 'ratioPlan',
      tried: plan.tried,
      reaching: plan.reaching,
      routes: rankRatioRoutes(plan.routes, order)
        .slice(0, most)
        .map(({ links, ...route }) => ({
          parts: links.map(({ id, usedMm, extensionMm }) => ({
            name: nameOf(id),
            ...(usedMm ? { usedMm } : {}),
            ...(extensionMm === undefined ? {} : { extensionMm }),
          })),
          ...route,
        })),
    });
  },
});
