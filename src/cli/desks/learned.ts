import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { learn, type LearnedLimit } from '@/core/learned/learn';
import { ok } from '@/core/quantity/result';
import { desk } from '../desk';
import { list, objectSchema } from './fields';

interface LearnedInput {
  groups: PictureGroup[];
}

/** The cases themselves stay out: they are the input. */
const plain = <T extends LearnedLimit>({ from: _, ...limit }: T) => limit;

export const learned = desk<LearnedInput>({
  about:
    'what judged groups of pictures say: the shutter one holds, ratio, star exposure, ISO, pixels, distances, converters',
  schema: objectSchema('Learned', { groups: list('Groups of pictures', { $ref: 'pictureGroup' }, 0, 100_000) }, [
    'groups',
  ]),
  read: ({ groups }) => {
    const found = learn(groups);
    return ok({
      desk: 'learned',
      groups: groups.length,
      judged: groups.filter(({ verdict }) => verdict).length,
      // Seconds times focal length, as one angle a second; by focal length in seconds.
      hand: found.hand.map(({ value, low, high, ...rest }) => ({
        ...plain(rest as LearnedLimit),
        ...(value === undefined ? {} : { secondsTimesMm: { value, low, high } }),
      })),
      ratio: found.ratio.map(plain),
      stars: found.stars.map(plain),
      iso: found.iso.map(plain),
      pixels: found.pixels.map(plain),
      distances: found.distances,
      converters: found.converters,
    });
  },
});
