import { blurDiscMm } from '../../far/depth';
import { lensToSensorM } from '../../far/depthQuantities';
import { formatFigures } from '../../quantity/format';
import { quantityText, showFNumber, showLengthM, shownText } from '../../quantity/quantityText';
import { computed, given, input } from '../../quantity/quantity';
import { chance } from '../../simulate/chance';
import type { Exercise, Level, Making } from '../exercise';
import { farSpot } from '../farSpot';

/** Stops between neighbours, level by level. */
const STOPS: Record<Level, number> = { 1: 2, 2: 2, 3: 1, 4: 1, 5: 1 };
/** Full stops as they are engraved. */
const ENGRAVED = [1, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22, 32, 45, 64];
const CHOICES = 3;
/** Discs smaller than this share of the frame's width are points, per cent. */
const LEAST_DISC = 1.2;
const MOST_DISC = 40;
const TRIES = 40;

/** Lights far behind the subject, each a disc as wide as the opening makes it: which f-number was it? */
export function fNumber({ kit, level, seed, units = 'metric' }: Making): Exercise | null {
  const random = chance(seed);
  for (let i = 0; i < TRIES; i += 1) {
    const spot = farSpot(kit, random);
    if (!spot) return null;
    const { system, reading, subject, name, distanceM } = spot;
    const behindM = Math.round(distanceM * random.oneOf([1.5, 2, 3]));
    const { uMm, ratio, pupilMm } = reading.focus;
    const fromLensMm = Math.max(1, (behindM - lensToSensorM(reading)) * 1000);
    const from = ENGRAVED.findIndex((n) => n >= system.fNumber.value * 0.98);
    const choices = ENGRAVED.filter((_, k) => k >= from && (k - from) % STOPS[level] === 0).slice(0, CHOICES);
    if (choices.length < CHOICES) continue;
    const shareAt = (n: number) => (100 * blurDiscMm(pupilMm(n), ratio, uMm, fromLensMm)) / system.used.widthMm;
    const seen = choices.filter((n) => shareAt(n) >= LEAST_DISC && shareAt(n) <= MOST_DISC);
    if (!seen.length) continue;
    const right = random.oneOf(seen);
    const share = shareAt(right);
    const pupil = given(pupilMm(right), 'mm', 'Entrance pupil', `at ${showFNumber(right)}`);
    return {
      kind: 'fNumber',
      level,
      seed,
      given: `${name}, ${subject.name} at ${quantityText(reading.distanceM, units)}, lights behind it at ${shownText(showLengthM(behindM, units))}. The frame is ${formatFigures(system.used.widthMm, 3)}\u202fmm wide; the lens draws 1 : ${formatFigures(1 / ratio, 3)}.`,
      question: 'Which f-number draws the lights so wide?',
      plates: [
        {
          kind: 'lights',
          label: 'The frame, lights out of focus',
          subject: subject.kind,
          shareOfFrame: reading.shareOfFrame.value / 100,
          discShare: share / 100,
          aspect: system.used.widthMm / system.used.heightMm,
          seed,
        },
      ],
      ask: {
        type: 'choice',
        options: choices.map((each) => ({ id: String(each), text: showFNumber(each) })),
        right: String(right),
      },
      told: `${showFNumber(right)}: discs ${formatFigures(share, 2)}\u202f% of the frame’s width. ${choices
        .filter((each) => each !== right)
        .map((each) => `${showFNumber(each)} makes them ${formatFigures(shareAt(each), 2)}\u202f%`)
        .join(', ')}.`,
      why: computed(share, '%', () => ({
        name: 'Blur of the lights, of the frame’s width',
        formula: '100 · A · m · |u_b − u| / u_b / W',
        inputs: [
          input('A', 'entrance pupil', pupil),
          input('m', 'reproduction ratio', reading.ratio),
          input('u', 'subject to the lens', given(uMm, 'mm', 'Subject to the lens', 'at this focus')),
          input('u_b', 'lights to the lens', given(fromLensMm, 'mm', 'Lights to the lens', 'as told')),
          input('W', 'frame width', given(system.used.widthMm, 'mm', 'Width of the part used', 'body and mode')),
        ],
        source: 'half the f-number, twice the disc',
      })),
    };
  }
  return null;
}
