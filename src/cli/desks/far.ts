import { between } from '@/contract/schemas/fields';
import { neededPixels } from '@/core/output/needs';
import { farLevers } from '@/core/far/levers';
import { farMore } from '@/core/far/farMore';
import { modesLadder } from '@/core/far/modesLadder';
import { logDistancesM, plannerCurve, reachM } from '@/core/far/plannerCurve';
import { lensesThatDoIt } from '@/core/far/lensesThatDoIt';
import { focalLengthsFor, inHandNeeds, type Wish } from '@/core/far/whatItTakes';
import { readFar } from '@/core/far/readFar';
import { told } from '@/core/far/withheld';
import { zoomedName } from '@/core/kit/zoomedName';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import { fail, ok, type Problem } from '@/core/quantity/result';
import { desk } from '../desk';
import { plainPatch, withKit } from '../kitAround';
import { plainSystem } from '../plainSystem';
import {
  backgroundOf,
  choices,
  convention,
  farProperties,
  farRequired,
  farWays,
  list,
  namedSetup,
  objectSchema,
  type Choices,
  type FarInput,
  type NamedSetup,
  restOfKit,
  type RestOfKit,
} from './fields';

/** Speed nobody entered is assumed by `farMore`, and not concluded from by the ladder. */
const ladderOf = (input: FarInput) =>
  modesLadder({
    setup: input,
    subject: input.subject,
    distanceM: input.distanceM,
    output: input.output,
    speedMPerS: input.subject.speedMPerS,
    ...farWays(input),
  });

export const far = desk<FarInput>({
  about: 'a distant subject: pixels, resolved pixels, verdict, depth, background, shutter, value',
  schema: objectSchema('Far reading', farProperties, farRequired),
  read: (input) => {
    const ways = farWays(input);
    const folded = foldSystem(input, ways.convention);
    if (!folded.ok) return folded;
    const reading = readFar({ ...input, ...ways, system: folded.value });
    if (!reading.ok) return reading;
    const problem: Problem | undefined = reading.value.obstacle ?? reading.value.overflow;
    const base = {
      desk: 'far' as const,
      system: plainSystem(folded.value, reading.value.warnings),
      reading: told(reading.value),
      ...(problem ? { problem } : {}),
    };
    if (reading.value.obstacle) return ok(base);
    const more = farMore({
      system: folded.value,
      reading: reading.value,
      subject: input.subject,
      output: input.output,
      cocSchool: input.cocSchool ?? 'diagonal',
      background: backgroundOf(input.background),
      speedMPerS: input.subject.speedMPerS,
    });
    return ok({ ...base, more, cropAdvice: ladderOf(input).advice });
  },
});

export const ladder = desk<FarInput>({
  about: 'the crop modes of the body on a distant subject, and whether to crop in the camera or later',
  schema: objectSchema('Crop-mode ladder', farProperties, farRequired),
  read: (input) => {
    const { rungs, advice } = ladderOf(input);
    return ok({
      desk: 'ladder',
      advice,
      rungs: rungs.map(({ mode, system, reading, hidden, overflows }) => ({
        mode,
        used: system.used,
        framesPerSecond: system.framesPerSecond,
        fileSizeMb: system.fileSizeMb,
        hiddenShare: hidden,
        overflows,
        reading: told(reading),
      })),
    });
  },
});

interface LeversInput extends FarInput {
  kit?: RestOfKit | undefined;
}

export const levers = desk<LeversInput>({
  about: 'what could be changed for a distant subject, each with its exact gain and price',
  schema: objectSchema(
    'Levers',
    {
      ...farProperties,
      kit: restOfKit,
    },
    farRequired,
  ),
  read: (input) => {
    const ways = farWays(input);
    const found = farLevers({
      ...withKit(input, input.kit),
      subject: input.subject,
      distanceM: input.distanceM,
      output: input.output,
      ...ways,
    }).map((lever) => ({ ...lever, patch: plainPatch(lever.patch) }));
    if (found.length) return ok({ desk: 'levers', levers: found });
    const folded = foldSystem(input, ways.convention);
    const reading = folded.ok ? readFar({ ...input, ...ways, system: folded.value }) : folded;
    return reading.ok ? ok({ desk: 'levers', levers: found }) : reading;
  },
});

interface TakesInput extends FarInput {
  wish: Wish;
  bodies?: Body[] | undefined;
  optics?: Optic[] | undefined;
  adapters?: Adapter[] | undefined;
}

const wishSchema = {
  type: 'object',
  title: 'What is wished for',
  required: ['kind'],
  oneOf: [
    objectSchema('Pixels on the subject', { kind: { const: 'pixels' }, pixels: between('Pixels', 1, 1e6) }, [
      'kind',
      'pixels',
    ]),
    objectSchema(
      'Share of the frame’s long side',
      { kind: { const: 'share' }, percent: between('Share of the frame in %', 0.1, 100) },
      ['kind', 'percent'],
    ),
    objectSchema('Enough for the output', { kind: { const: 'output' } }, ['kind']),
  ],
} as const;

export const takes = desk<TakesInput>({
  about:
    'which focal length, distance, lens or pixel pitch gives the pixels, the share of the frame or the output wished for',
  schema: objectSchema(
    'What would it take',
    {
      ...farProperties,
      wish: wishSchema,
      bodies: list('Bodies to solve for', { $ref: 'body' }, 0, 40),
      optics: list('Lenses to solve for', { $ref: 'optic' }),
      adapters: list('Mount adapters for them', { $ref: 'adapter' }),
    },
    [...farRequired, 'wish'],
  ),
  read: (input) => {
    const { body, bodies = [], optics = [], adapters = [] } = input;
    const ways = farWays(input);
    const folded = foldSystem(input, ways.convention);
    if (!folded.ok) return folded;
    const wanted = { ...input, ...ways };
    const all = [body, ...bodies].map((each, i) => ({ id: String(i), body: each }));
    return ok({
      desk: 'takes',
      inHand: inHandNeeds(wanted, folded.value),
      bodies: focalLengthsFor(wanted, folded.value, all).map(({ id: _, ...row }) => row),
      lenses: lensesThatDoIt(wanted, {
        body,
        modeId: input.modeId,
        lenses: optics.map((part, i) => ({ id: String(i), part })),
        mountAdapters: adapters.filter((part) => part.kind === 'mountAdapter'),
        convention: ways.convention,
      }).map(({ id: _, ...row }) => row),
    });
  },
});

interface PlannerInput extends Choices {
  setups: NamedSetup[];
  subject: FarInput['subject'];
  output: FarInput['output'];
  cropConvention?: FarInput['cropConvention'];
  fromM?: number | undefined;
  toM?: number | undefined;
  points?: number | undefined;
}

export const planner = desk<PlannerInput>({
  about: 'pixels against distance for several set-ups, and from how far each is enough',
  schema: objectSchema(
    'Planner curve',
    {
      setups: list('Set-ups', namedSetup, 1, 8),
      subject: { $ref: 'subject' },
      output: { $ref: 'output' },
      fromM: between('From, in m', 0.01, 10_000),
      toM: between('To, in m', 0.02, 100_000),
      points: { type: 'integer', title: 'Points of the curve', minimum: 2, maximum: 2000 },
      cropConvention: convention,
      ...choices,
    },
    ['setups', 'subject', 'output'],
  ),
  read: (input) => {
    const { fromM = 1, toM = 500, points = 60 } = input;
    if (toM <= fromM)
      return fail('planner.range', 'The curve ends before it begins: make “toM” larger than “fromM”.', 'toM');
    const ways = farWays(input);
    const distancesM = logDistancesM(fromM, toM, points);
    const needed = neededPixels(input.output, input.subject.sizeMm);
    return ok({
      desk: 'planner',
      neededPixels: needed,
      judgeBy: ways.judgeBy,
      curves: input.setups.map(({ name: entered, setup }) => {
        const name = zoomedName(entered, setup);
        const folded = foldSystem(setup, ways.convention);
        if (!folded.ok) return { name, problem: folded.problem };
        const { counted, nearestM, farthestM } = plannerCurve(
          folded.value,
          input.subject.sizeMm,
          distancesM,
          ways.judgeBy,
          ways.threshold,
        );
        const enoughUpToM = reachM(folded.value, input.subject.sizeMm, needed, ways.judgeBy, 100_000, ways.threshold);
        // A distance it does not focus on is no point of its curve.
        const points = [...distancesM].flatMap((distanceM, i) =>
          counted[i]! > 0 ? [{ distanceM, countedPixels: counted[i]! }] : [],
        );
        return { name, nearestM, farthestM, ...(enoughUpToM === null ? {} : { enoughUpToM }), points };
      }),
    });
  },
});
