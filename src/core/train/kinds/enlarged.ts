import { formatFigures } from '../../quantity/format';
import { chance } from '../../simulate/chance';
import { apartAt, type Exercise, type Making } from '../exercise';
import { pixelsAfter, viewsOf } from './twoViews';

/** Was it only shown larger, or drawn larger? */
export function enlarged({ level, seed }: Making): Exercise {
  const random = chance(seed);
  const times = apartAt(level);
  const views = viewsOf(random, seed);
  const right = random.oneOf(['enlarged', 'magnified'] as const);
  const magnified = right === 'magnified';
  const order = magnified ? views.magnified(seed + 2, times) : views.coarse(seed + 2);
  return {
    kind: 'enlarged',
    level,
    seed,
    given: `Both show the subject equally large. The second file has ${formatFigures(times, 3)} times as many pixels along it as the first.`,
    question: 'Was the second enlarged from the same picture, or drawn larger by a longer lens?',
    plates: [
      { kind: 'photo', label: 'First', order: views.coarse(seed + 1) },
      { kind: 'photo', label: 'Second', order },
    ],
    ask: {
      type: 'choice',
      options: [
        { id: 'enlarged', text: 'Enlarged: the same detail' },
        { id: 'magnified', text: 'Magnified: more detail' },
      ],
      right,
    },
    told: magnified
      ? 'Magnified: edges and markings show what the first cannot. Only optics, or steps, bring that.'
      : 'Enlarged: pixels were made between the pixels. The file is larger and shows nothing new.',
    why: pixelsAfter(views.pixels, times, magnified),
  };
}
