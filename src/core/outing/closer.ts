import { distanceForRatioM, nearestDistanceM } from '../far/focusAt';
import { readFar, type FarReading } from '../far/readFar';
import { foldSystem, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { SubjectWant } from '../bag/serve';
import type { CardBy } from './settings';

/** What to do when the subject comes nearer than a distance. */
export type Closer = { atM: Quantity } & (
  | { kind: 'keep' }
  | { kind: 'modeOff' }
  /** A zoom drawn back; at its wide end it fits down to `untilM`. */
  | { kind: 'zoomOut'; focalMm: number; untilM: number }
  /** A converter taken off; without it the subject fits down to `untilM`. */
  | { kind: 'takeOff'; name: string; untilM: number }
  | { kind: 'tooLarge' }
  | { kind: 'noFocus' }
);

/** Share of the frame's side at which a subject just fits, %. */
const FULL_PERCENT = 100;

/** Distance at which a subject just fills the frame, m; undefined where the lens does not draw it so large. */
function fullAtM(system: EffectiveSystem, reading: FarReading): Quantity | undefined {
  const ratio = (reading.ratio.value * FULL_PERCENT) / reading.shareOfFrame.value;
  const found = distanceForRatioM(system, ratio);
  if (found === undefined) return undefined;
  return computed(found, 'm', () => ({
    name: 'Distance at which it just fits',
    formula: 'm(d) = m₀ · 100 / s',
    inputs: [
      input('m₀', 'reproduction ratio now', reading.ratio),
      input('s', 'share of the frame now', reading.shareOfFrame),
    ],
    source: 'the picture grows as the subject comes nearer; found by the law by which this lens focuses',
    neglects: 'A bird that opens its wings.',
  }));
}

const read = (system: EffectiveSystem, { subject, output, distanceM = 0 }: SubjectWant): FarReading | null => {
  const found = readFar({ system, subject, distanceM, output });
  return found.ok ? found.value : null;
};

/** A change that shows more, and the distance down to which the subject then fits. */
function afterwards(setup: SystemInput, want: SubjectWant, { convention }: CardBy): number | undefined {
  const folded = foldSystem({ ...setup, modeId: 'whole' }, convention);
  const reading = folded.ok ? read(folded.value, want) : null;
  if (!folded.ok || !reading) return undefined;
  const fits = fullAtM(folded.value, reading)?.value ?? 0;
  return Math.max(fits, nearestDistanceM(folded.value));
}

/** What shows more than the whole sensor: a zoom drawn back, else a converter taken off. */
function wayOut(setup: SystemInput, system: EffectiveSystem, want: SubjectWant, by: CardBy, atM: Quantity): Closer {
  const { lens, markedFocalMm, links } = system;
  if (markedFocalMm > lens.focalWideMm * 1.001) {
    const untilM = afterwards({ ...setup, focalMm: lens.focalWideMm }, want, by);
    if (untilM !== undefined && untilM < atM.value) return { atM, kind: 'zoomOut', focalMm: lens.focalWideMm, untilM };
  }
  const converter = links.find(({ part }) => part.kind === 'converter');
  if (converter) {
    const untilM = afterwards({ ...setup, chain: links.filter((each) => each !== converter), measured: [] }, want, by);
    if (untilM !== undefined && untilM < atM.value) return { atM, kind: 'takeOff', name: converter.part.name, untilM };
  }
  return { atM, kind: 'tooLarge' };
}

/** The nearest the set-up focuses. */
const nearestFocus = (system: EffectiveSystem): Quantity =>
  system.closestFocusM ?? given(nearestDistanceM(system), 'm', 'Closest focus', 'usual for its focal length');

/**
 * What to do as a subject comes nearer, in the order in which it happens.
 *
 * @param setup the set-up in the mode of the card
 * @param cropped its reading in that mode, and `whole` that of the whole sensor
 */
export function whenCloser(
  setup: SystemInput,
  cropped: { system: EffectiveSystem; reading: FarReading },
  want: SubjectWant,
  by: CardBy,
): Closer[] {
  const found: Closer[] = [];
  const whole = foldSystem({ ...setup, modeId: 'whole' }, by.convention);
  const wholeReading = whole.ok ? read(whole.value, want) : null;
  const nearest = nearestFocus(cropped.system);
  const reaches = (atM: Quantity | undefined): atM is Quantity => atM !== undefined && atM.value > nearest.value;
  if (setup.modeId !== 'whole') {
    const atM = fullAtM(cropped.system, cropped.reading);
    if (reaches(atM)) found.push({ atM, kind: 'modeOff' });
  }
  if (whole.ok && wholeReading) {
    const atM = fullAtM(whole.value, wholeReading);
    if (reaches(atM)) found.push(wayOut(setup, whole.value, want, by, atM));
  }
  found.push({ atM: nearest, kind: 'noFocus' });
  const { keepDistanceM, name } = want.subject;
  if (keepDistanceM !== undefined)
    found.push({
      atM: given(keepDistanceM, 'm', `Distance to keep from ${name}`, 'the subject as entered'),
      kind: 'keep',
    });
  return found.sort((a, b) => b.atM.value - a.atM.value);
}
