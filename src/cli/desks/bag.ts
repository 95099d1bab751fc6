import { between, text } from '@/contract/schemas/fields';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import type { Output } from '@/contract/schemas/output';
import type { Subject } from '@/contract/schemas/subject';
import { packBag, stayHome, stepsOf, type Bag } from '@/core/bag/packBag';
import type { Kit } from '@/core/bag/pieces';
import type { Served, Want } from '@/core/bag/serve';
import { partAsUsed } from '@/core/chain/link';
import { verdictOf } from '@/core/output/verdict';
import { fail, ok } from '@/core/quantity/result';
import { desk } from '../desk';
import { choice, convention, list, objectSchema, type FarInput } from './fields';

interface BagInput {
  bodies: Body[];
  optics: Optic[];
  adapters?: Adapter[] | undefined;
  wants: { name: string; subject: Subject; output: Output; distanceM?: number | undefined }[];
  /** Names of what is in the bag now. */
  carried?: string[] | undefined;
  judgeBy?: FarInput['judgeBy'];
  threshold?: number | undefined;
  cropConvention?: FarInput['cropConvention'];
}

/** Things of one name are told apart by where they stand in the list. */
function kitOf({ bodies, optics, adapters = [] }: BagInput): Kit {
  const named = <T extends { name: string }>(items: readonly T[], kind: string) =>
    items.map((item, i) => ({ id: `${kind}:${i}`, item }));
  return {
    bodies: named(bodies, 'body').map(({ id, item }) => ({ id, body: item })),
    parts: [...named(optics, 'optic'), ...named(adapters, 'adapter')].map(({ id, item }) => ({ id, part: item })),
  };
}

const plainServed = ({ setup, counted, needed, focalMm, ratio }: Served) => ({
  body: setup.body.body.name,
  parts: setup.chain.map((link) => partAsUsed(link).name),
  focalMm,
  ...(ratio === undefined ? {} : { ratio }),
  counted,
  needed,
  verdict: verdictOf(counted, needed),
});

const plainBag = ({ pieces, weightG, reached, missed }: Bag) => ({
  pieces: pieces.map(({ name }) => name),
  weightG,
  reached: reached.map(({ want, by }) => ({ want: want.id, ...plainServed(by) })),
  missed: missed.map(({ id }) => id),
});

export const bag = desk<BagInput>({
  about: 'the lightest bag of a kit for the pictures wanted, what more weight buys, what can stay at home',
  schema: objectSchema(
    'Bag',
    {
      bodies: list('Bodies', { $ref: 'body' }, 1, 20),
      optics: list('Lenses, telescopes, scopes', { $ref: 'optic' }, 1, 60),
      adapters: list('Adapters', { $ref: 'adapter' }, 0, 60),
      wants: list(
        'Pictures wanted; close up, where no distance is given',
        objectSchema(
          'Picture wanted',
          {
            name: text('Name'),
            subject: { $ref: 'subject' },
            output: { $ref: 'output' },
            distanceM: between('Distance to keep in m', 0.01, 100_000),
          },
          ['name', 'subject', 'output'],
        ),
        1,
        12,
      ),
      carried: list('Names of what is in the bag now', text('Name')),
      judgeBy: choice('Pixels that count', ['resolved', 'sampled']),
      threshold: between('Contrast threshold of the detail limit', 0.05, 0.5),
      cropConvention: convention,
    },
    ['bodies', 'optics', 'wants'],
  ),
  read: (input) => {
    const { wants: asked, carried, judgeBy, threshold, cropConvention } = input;
    if (new Set(asked.map(({ name }) => name)).size < asked.length)
      return fail('bag.wants', 'Two pictures wanted have one name. Give each its own.', 'wants');
    const kit = kitOf(input);
    const wants = asked.map(({ name, ...want }): Want => ({ id: name, ...want }));
    const by = { judgeBy, threshold, convention: cropConvention };
    const names = new Map([
      ...kit.bodies.map(({ id, body }) => [id, body.name] as const),
      ...kit.parts.map(({ id, part }) => [id, part.name] as const),
    ]);
    const unknown = carried?.find((name) => ![...names.values()].includes(name));
    if (unknown !== undefined)
      return fail(
        'bag.carried',
        `“${unknown}” is not among bodies, optics and adapters. Name it as it is named there.`,
        'carried',
      );
    const packed = packBag(kit, wants, by);
    const steps = stepsOf(packed.ladder);
    const inBag = carried && new Set([...names].filter(([, name]) => carried.includes(name)).map(([id]) => id));
    return ok({
      desk: 'bag',
      tried: packed.tried,
      ladder: packed.ladder.map((each, i) => {
        const { moreG, gains, loses, adds, leaves } = steps[i]!;
        return {
          ...plainBag(each),
          step: {
            moreG,
            gains: gains.map(({ id }) => id),
            loses: loses.map(({ id }) => id),
            adds: adds.map(({ name }) => name),
            leaves: leaves.map(({ name }) => name),
          },
        };
      }),
      outOfReach: packed.outOfReach.map(({ want, best }) => ({
        want: want.id,
        ...(best ? { best: plainServed(best) } : {}),
      })),
      ...(inBag ? { canStayHome: stayHome(kit, inBag, wants, by).map(({ name }) => name) } : {}),
    });
  },
});
