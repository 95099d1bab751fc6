import { between, text } from '@/contract/schemas/fields';
import { packBag, stayHome, stepsOf, type Bag } from '@/core/bag/packBag';
import type { Kit } from '@/core/bag/pieces';
import { isCertain } from '@/core/bag/readKit';
import { ok } from '@/core/quantity/result';
import { desk } from '../desk';
import { choice, convention, list, objectSchema, yesNo, type FarInput } from './fields';
import {
  PLAIN_KIT,
  PLAIN_WANTS,
  kitOf,
  namedPieces,
  plainServed,
  wantsOf,
  type PlainKit,
  type PlainWant,
} from './plainKit';

interface BagInput extends PlainKit {
  wants: PlainWant[];
  /** Names of what is in the bag now. */
  carried?: string[] | undefined;
  everydayWays?: boolean | undefined;
  judgeBy?: FarInput['judgeBy'];
  threshold?: number | undefined;
  cropConvention?: FarInput['cropConvention'];
}

const plainBag = ({ pieces, weightG, reached, missed }: Bag) => ({
  pieces: pieces.map(({ name }) => name),
  weightG,
  reached: reached.map(({ want, by }) => ({ want: want.id, certain: isCertain(by), ...plainServed(by) })),
  missed: missed.map(({ id }) => id),
});

export const bag = desk<BagInput>({
  about: 'the lightest bag of a kit for the pictures wanted, what more weight buys, what can stay at home',
  schema: objectSchema(
    'Bag',
    {
      ...PLAIN_KIT,
      wants: PLAIN_WANTS,
      everydayWays: yesNo('Only everyday ways: no lens turned round, coupled, behind an objective or an eyepiece'),
      carried: list('Names of what is in the bag now', text('Name')),
      judgeBy: choice('Pixels that count', ['resolved', 'sampled']),
      threshold: between('Contrast threshold of the detail limit', 0.05, 0.5),
      cropConvention: convention,
    },
    ['bodies', 'optics', 'wants'],
  ),
  read: (input) => {
    const { wants: asked, carried, judgeBy, threshold, cropConvention } = input;
    const wanted = wantsOf(asked);
    if (!wanted.ok) return wanted;
    const wants = wanted.value;
    const kit: Kit = { ...kitOf(input), ...(input.everydayWays ? { seldom: [] } : {}) };
    const by = { judgeBy, threshold, convention: cropConvention };
    const inBag = carried ? namedPieces(kit, carried, 'carried') : null;
    if (inBag && !inBag.ok) return inBag;
    const packed = packBag(kit, wants, by);
    const steps = stepsOf(packed.ladder);
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
      ...(inBag ? { canStayHome: stayHome(kit, inBag.value, wants, by).map(({ name }) => name) } : {}),
    });
  },
});
