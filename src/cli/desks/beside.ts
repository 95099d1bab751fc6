import { zoomedName } from '@/core/kit/zoomedName';
import { between } from '@/contract/schemas/fields';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import { fairTest, fairTestCard } from '@/core/far/fairTest';
import { rankRoutes, routesTo, type RouteTarget, type RouteWish } from '@/core/far/routes';
import { besideMore } from '@/core/far/besideMore';
import { sideBySide, type Compared, type Stance } from '@/core/far/sideBySide';
import { told } from '@/core/far/withheld';
import { isFactor, type FactorPart, type MountAdapterSpec } from '@/core/chain/parts';
import { neededPixels } from '@/core/output/needs';
import { fail, ok } from '@/core/quantity/result';
import { desk } from '../desk';
import { plainSystem } from '../plainSystem';
import {
  background,
  backgroundOf,
  choice,
  choices,
  convention,
  farWays,
  list,
  namedSetup,
  objectSchema,
  type Choices,
  type FarInput,
  type NamedSetup,
} from './fields';

interface BesideInput extends Choices {
  contenders: NamedSetup[];
  stance?: Stance | undefined;
  subject: FarInput['subject'];
  distanceM: number;
  output: FarInput['output'];
  cropConvention?: FarInput['cropConvention'];
  background?: FarInput['background'];
}

const situation = {
  subject: { $ref: 'subject' },
  distanceM: between('Distance in m', 0.01, 100_000),
  output: { $ref: 'output' },
  cropConvention: convention,
  ...choices,
} as const;
const compared = (input: BesideInput, stance: Stance) =>
  sideBySide({
    contenders: input.contenders.map(({ name, setup }) => ({ id: name, name: zoomedName(name, setup), setup })),
    stance,
    subject: input.subject,
    distanceM: input.distanceM,
    output: input.output,
    ...farWays(input),
  });
const plain = (each: Compared, input: BesideInput) => {
  const { system, reading, ...rest } = each;
  const { subject, output, cocSchool = 'diagonal' } = input;
  const asked = {
    subject,
    output,
    cocSchool,
    background: backgroundOf(input.background),
    speedMPerS: subject.speedMPerS,
  };
  const { nearLimitM, farLimitM, depthM, backgroundBlur, longestShutter100S, longestShutterOutputS } = besideMore(
    each,
    asked,
  );
  return {
    ...rest,
    system: plainSystem(system, reading.warnings),
    reading: told(reading),
    more: { nearLimitM, farLimitM, depthM, backgroundBlur, longestShutter100S, longestShutterOutputS },
  };
};

export const beside = desk<BesideInput>({
  about: 'two to four set-ups on the same subject: from the same spot, at the same framing, or as the same picture',
  schema: objectSchema(
    'Side by side',
    {
      contenders: list('Set-ups compared', namedSetup, 2, 4),
      stance: choice('Held equal', ['sameSpot', 'sameFraming', 'samePicture']),
      background,
      ...situation,
    },
    ['contenders', 'subject', 'distanceM', 'output'],
  ),
  read: (input) => {
    const result = compared(input, input.stance ?? 'sameSpot');
    return ok({
      desk: 'beside',
      sentence: result.sentence,
      leftOut: result.left,
      compared: result.compared.map((each) => plain(each, input)),
    });
  },
});

export const fairTestDesk = desk<BesideInput>({
  about: 'what to hold equal when two set-ups are tested against each other, as a card',
  schema: objectSchema('Fair test', { contenders: list('The two set-ups', namedSetup, 2, 2), ...situation }, [
    'contenders',
    'subject',
    'distanceM',
    'output',
  ]),
  read: (input) => {
    const [a, b] = compared(input, 'sameFraming').compared;
    if (!a || !b)
      return fail(
        'test.left',
        `One of the two cannot take this picture: ${compared(input, 'sameFraming')
          .left.map((each) => each.reason)
          .join(' ')}`,
        'contenders',
      );
    const points = fairTest(a, b, input.units);
    return ok({ desk: 'fairTest', points, card: fairTestCard(a, b, points) });
  },
});

interface RoutesInput extends Omit<BesideInput, 'contenders' | 'stance'> {
  bodies: Body[];
  optics: Optic[];
  adapters?: Adapter[] | undefined;
  target?: RouteTarget | undefined;
  wish?: RouteWish | undefined;
}

const target = {
  type: 'object',
  title: 'What a route must reach',
  required: ['kind'],
  oneOf: [
    objectSchema('Pixels on the subject', { kind: { const: 'pixels' }, pixels: between('Pixels', 1, 1e6) }, [
      'kind',
      'pixels',
    ]),
    objectSchema(
      'An equivalent lens',
      {
        kind: { const: 'equivalent' },
        focalMm: between('Equivalent focal length in mm', 1, 50_000),
        fNumber: between('Equivalent f-number', 0.3, 500),
      },
      ['kind', 'focalMm', 'fNumber'],
    ),
  ],
} as const;

/** What is only thought of is told by its own mark. */
const shelf = <T extends { wish?: boolean | undefined; retired?: boolean | undefined }>(parts: T[]) =>
  parts.filter((part) => !part.retired).map((part) => ({ part, wished: part.wish === true }));

export const routes = desk<RoutesInput>({
  about: 'every route of a kit to the pixels wanted, and what each gives up',
  schema: objectSchema(
    'Other routes',
    {
      bodies: list('Bodies', { $ref: 'body' }, 1),
      optics: list('Optics', { $ref: 'optic' }, 1),
      adapters: list('Adapters', { $ref: 'adapter' }),
      target,
      wish: choice('What one cares for', ['weight', 'price', 'light', 'detail']),
      ...situation,
    },
    ['bodies', 'optics', 'subject', 'distanceM', 'output'],
  ),
  read: (input) => {
    const { judgeBy, convention: by, threshold } = farWays(input);
    const adapters = shelf(input.adapters ?? []);
    const found = routesTo({
      bodies: shelf(input.bodies),
      optics: shelf(input.optics),
      factors: adapters.filter((each): each is { part: Adapter & FactorPart; wished: boolean } => isFactor(each.part)),
      afocal: adapters.find(({ part }) => part.kind === 'afocal')?.part ?? null,
      mountAdapters: adapters.flatMap(({ part }) => (part.kind === 'mountAdapter' ? [part as MountAdapterSpec] : [])),
      subject: input.subject,
      distanceM: input.distanceM,
      target: input.target ?? { kind: 'pixels', pixels: neededPixels(input.output, input.subject.sizeMm) },
      judgeBy,
      convention: by,
      threshold,
    });
    return ok({
      desk: 'routes',
      routes: rankRoutes(found, input.wish ?? 'weight').map(({ body, parts, system, ...rest }) => ({
        ...rest,
        body: body.name,
        parts: parts.map((part) => part.name),
        system: plainSystem(system),
      })),
    });
  },
});
