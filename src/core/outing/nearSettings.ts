import { pixelsPerOutputPixel, pixelsPerSecond, longestShutterS } from '../far/shutter';
import { readNear, type NearReading } from '../near/readNear';
import { foldSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { Served, SubjectWant } from '../bag/serve';
import type { Closer } from './closer';
import { shortestOf } from './farSettings';
import { isoRange, pixelsAlongSubject } from './isoRange';
import type { CardBy, Settings, ShutterLimit } from './settings';

/** From this share of the frame's side on a subject fills it, %: what is drawn larger would not fit. */
const FILLED_PERCENT = 95;

/** How long a subject that moves stays sharp at a number of pixels of blur; only where somebody entered its speed. */
function movingS(want: SubjectWant, reading: NearReading, pitchUm: Quantity, blurPx: number): Quantity | null {
  const { speedMPerS, name } = want.subject;
  if (!speedMPerS) return null;
  const motion = pixelsPerSecond(speedMPerS, reading.ratio.value, pitchUm.value);
  return computed(longestShutterS(blurPx, motion), 's', () => ({
    name: `${name} moves`,
    formula: 'b · p / (10⁶ · v · m)',
    inputs: [
      input('b', 'blur allowed', given(blurPx, 'px', 'Blur allowed', 'one pixel, at full size or of the output')),
      input('p', 'pixel pitch', pitchUm),
      input('v', 'speed across the view', given(speedMPerS, 'm/s', 'Speed across the view', 'the subject as entered')),
      input('m', 'reproduction ratio', reading.ratio),
    ],
    source: 'moving straight across',
  }));
}

/** What happens nearer than the card says: it no longer fits, or the lens draws no larger. */
function closerThan({ subjectDistanceM, shareOfFrame }: NearReading, { subject }: SubjectWant): Closer[] {
  const found: Closer[] = subjectDistanceM
    ? [{ atM: subjectDistanceM, kind: shareOfFrame.value > FILLED_PERCENT ? 'tooLarge' : 'noFocus' }]
    : [];
  const { keepDistanceM, name } = subject;
  return keepDistanceM === undefined
    ? found
    : [
        { atM: given(keepDistanceM, 'm', `Distance to keep from ${name}`, 'the subject as entered'), kind: 'keep' },
        ...found,
      ];
}

/** What to set close up: the ratio, and the f-number that is deepest while the output has its pixels. */
export function nearSettings(want: SubjectWant, served: Served, by: CardBy): Settings | null {
  const { body, chain, measured } = served.setup;
  const folded = foldSystem(
    { body: body.body, modeId: 'whole', chain, focalMm: served.focalMm, measured },
    by.convention,
  );
  if (!folded.ok) return null;
  const system = folded.value;
  const { subject, output } = want;
  const { judgeBy, threshold } = by;
  const at = (fNumber?: number) =>
    readNear({ system, subject, output, ratio: served.ratio, fNumber, judgeBy, threshold, cocSchool: 'output' });
  const first = at();
  if (!first.ok) return null;
  const { bestFNumber } = first.value;
  const best = at(bestFNumber.value);
  if (!best.ok) return null;
  const reading = best.value;
  const moving = (blurPx: number, symbol: string) => {
    const found = movingS(want, reading, system.pitchUm, blurPx);
    return found ? [input(symbol, 'the subject moves', found)] : [];
  };
  const perOutput = pixelsPerOutputPixel(reading.pixelsOnSubject.value, reading.neededPixels.value);
  const hand = by.supported ? [] : [input('t₂', 'held by hand', reading.handHoldS)];
  const longestS = shortestOf('Longest shutter', 'the hand, and how the subject moves', [
    ...moving(perOutput, 't₁'),
    ...hand,
  ]);
  const limit: ShutterLimit | null = !longestS
    ? null
    : !by.supported && longestS.value === reading.handHoldS.value
      ? { by: 'hand' }
      : { by: 'motion', speed: given(subject.speedMPerS!, 'm/s', 'Speed across the view', 'the subject as entered') };
  const shortestS = shortestOf('Shortest shutter that gains anything', 'sharp at 100 %', moving(1, 't₁'));
  const distanceM = reading.subjectDistanceM;
  return {
    desk: 'near',
    system,
    mode: system.mode,
    ...(system.lens.focalTeleMm > system.lens.focalWideMm
      ? {
          focalMm: given(
            system.markedFocalMm,
            'mm',
            'Focal length to set',
            system.markedFocalMm < system.lens.focalTeleMm
              ? 'of the ends and the middle what gives most'
              : 'the longest',
          ),
        }
      : {}),
    fNumber: bestFNumber,
    ...(longestS ? { longestS } : {}),
    ...(limit ? { shutterLimit: limit } : {}),
    ...(shortestS ? { shortestS } : {}),
    ...isoRange(system.body, pixelsAlongSubject(reading.pixelsOnSubject, reading.neededPixels), by),
    ...(distanceM ? { distanceM } : {}),
    ratio: reading.ratio,
    ...(reading.workingDistanceMm ? { workingDistanceMm: reading.workingDistanceMm } : {}),
    depthMm: reading.depthMm,
    counted: reading.countedPixels,
    needed: reading.neededPixels,
    closer: closerThan(reading, want),
  };
}
