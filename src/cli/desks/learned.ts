import { between, text } from '@/contract/schemas/fields';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import type { Subject } from '@/contract/schemas/subject';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { learn, type Evidence, type LearnedLimit } from '@/core/learned/learn';
import { ok } from '@/core/quantity/result';
import { desk } from '../desk';
import { list, objectSchema } from './fields';

interface LearnedInput extends Evidence {
  groups: PictureGroup[];
  subjects?: Subject[] | undefined;
}

/** The cases themselves stay out: they are the input. */
const plain = <T extends LearnedLimit>({ from: _, ...limit }: T) => limit;

export const learned = desk<LearnedInput>({
  about:
    'what judged groups of pictures say: the shutter one holds, ratio, star exposure, ISO, pixels, distances, converters',
  schema: objectSchema(
    'Learned',
    {
      groups: list('Groups of pictures', { $ref: 'pictureGroup' }, 0, 100_000),
      subjects: list('Subjects, for their kinds', { $ref: 'subject' }, 0, 10_000),
      held: list(
        'Series by hand that were measured',
        objectSchema(
          'Series by hand',
          {
            bodyName: text('Body'),
            limitS: between('Longest time held in s', 1e-6, 3600),
            plusMinus: between('Its error in s', 0, 3600),
            focalMm: between('Focal length in mm', 0.5, 20_000),
          },
          ['bodyName', 'limitS', 'plusMinus', 'focalMm'],
        ),
        0,
        1000,
      ),
      stars: list(
        'Pictures of stars judged one by one',
        objectSchema(
          'Picture of stars',
          {
            lensName: text('Lens'),
            seconds: between('Exposure in s', 0.001, 36_000),
            good: { type: 'boolean', title: 'Free of strokes' },
          },
          ['lensName', 'seconds', 'good'],
        ),
        0,
        10_000,
      ),
      byHand: list(
        'Close-up pictures by hand',
        objectSchema(
          'Close-up picture',
          { ratio: between('Ratio', 0.001, 1000), good: { type: 'boolean', title: 'Sharp' } },
          ['ratio', 'good'],
        ),
        0,
        10_000,
      ),
    },
    ['groups'],
  ),
  read: ({ groups, subjects = [], ...evidence }) => {
    const kinds = new Map(subjects.map(({ name, kind }) => [name, SUBJECT_KINDS[kind].name]));
    const judged = groups.map((group) => ({ ...group, subjectKind: kinds.get(group.subjectName) }));
    const found = learn(judged, evidence);
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
      distances: found.distances.map(({ from: _, ...distance }) => distance),
      converters: found.converters,
    });
  },
});
