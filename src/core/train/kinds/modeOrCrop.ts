import { formatFigures, formatFixed } from '../../quantity/format';
import { chance } from '../../simulate/chance';
import { apartAt, type Exercise, type Making } from '../exercise';
import { pixelsAfter, viewsOf } from './twoViews';

const WAYS = {
  mode: 'The crop mode',
  processed: 'The camera’s own zoom, without a lens',
  converter: 'A converter',
} as const;

const TOLD = {
  mode: 'The crop mode: the same pixels as a later crop, in a smaller file. Use it for speed and for the finder, not for reach.',
  processed:
    'The camera’s own zoom: it crops and makes pixels between the pixels. The file is larger, the detail is that of the crop.',
  converter:
    'A converter: the picture was drawn larger, so more pixels see the subject. It costs light, and a little of the lens.',
} as const;

/** The width of the whole frame's file, px: a usual one. */
const FILE_PX = 8256;

/** A later crop beside something that may be more: mode, processed zoom, converter. */
export function modeOrCrop({ level, seed }: Making): Exercise {
  const random = chance(seed);
  const times = apartAt(level);
  const views = viewsOf(random, seed);
  const right = random.oneOf(Object.keys(WAYS) as (keyof typeof WAYS)[]);
  const order = {
    mode: () => views.coarse(seed + 2),
    processed: () => views.coarse(seed + 2),
    converter: () => views.magnified(seed + 2, times),
  }[right]();
  return {
    kind: 'modeOrCrop',
    level,
    seed,
    given: `The first is the whole frame of ${formatFixed(FILE_PX)}\u202fpx, cropped later by ${formatFigures(times, 3)}. The second came as a file of ${formatFixed(right === 'mode' ? FILE_PX / times : FILE_PX)}\u202fpx. Both show the subject equally large.`,
    question: 'With what was the second taken?',
    plates: [
      { kind: 'photo', label: 'Cropped later', order: views.coarse(seed + 1) },
      { kind: 'photo', label: 'Taken with?', order },
    ],
    ask: { type: 'choice', options: Object.entries(WAYS).map(([id, text]) => ({ id, text })), right },
    told: TOLD[right],
    why: pixelsAfter(views.pixels, times, right === 'converter'),
  };
}
