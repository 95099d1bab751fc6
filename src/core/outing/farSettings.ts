import { DEFAULT_THRESHOLD } from '../detail/detailLimit';
import { depthQuantities } from '../far/depthQuantities';
import { handInUse } from '../far/handInUse';
import { NOTHING_LEARNED } from '../learned/own';
import { ownHandS } from '../learned/ownSchools';
import { readFar } from '../far/readFar';
import { shutterQuantities } from '../far/shutterQuantities';
import { computed, given, input, type Quantity, type WhyInput } from '../quantity/quantity';
import type { Served, SubjectWant } from '../bag/serve';
import { whenCloser, type Closer } from './closer';
import { isoRange, pixelsAlongSubject } from './isoRange';
import { pickMode, type ReadIn } from './pickMode';
import type { CardBy, Settings } from './settings';

/** The shortest of several times; nothing where none is a limit. */
export function shortestOf(name: string, source: string, times: readonly WhyInput[]): Quantity | undefined {
  const limits = times.filter(({ quantity }) => Number.isFinite(quantity.value) && quantity.value > 0);
  if (!limits.length) return undefined;
  const [first, ...others] = limits;
  const least = others.reduce((a, b) => (b.quantity.value < a.quantity.value ? b : a), first!).quantity;
  if (!others.length) return least;
  return computed(
    least.value,
    's',
    () => ({ name, formula: `min(${limits.map(({ symbol }) => symbol).join(', ')})`, inputs: limits, source }),
    least.plusMinus,
  );
}

/** What the shutter must not exceed, and below which nothing more is gained. */
function shutterOf({ system, reading }: ReadIn, want: SubjectWant, by: CardBy) {
  const { subject, output } = want;
  const shutter = shutterQuantities(system, reading, subject, output, subject.speedMPerS);
  const { own = NOTHING_LEARNED, handBy = 'own', supported } = by;
  const ownS = ownHandS(own, system.body.name, system.focalMm.value);
  const handPixel = handInUse({ ...shutter, ownS }, handBy);
  // On the output the customary rule is enough where one's own is not known.
  const hand = handInUse({ ...shutter, ownS }, ownS || handBy !== 'own' ? handBy : 'rule');
  const byHand = (quantity: Quantity) => (supported ? [] : [input('t₂', 'held by hand', quantity)]);
  const isHand = !supported && hand.value < shutter.longestShutterOutputS.value;
  return {
    shutterLimit: isHand ? { by: 'hand' as const } : { by: 'motion' as const, speed: shutter.speedMPerS },
    longestS: shortestOf('Longest shutter', 'the subject’s motion on the output, and the hand', [
      input('t₁', 'the subject moves', shutter.longestShutterOutputS),
      ...byHand(hand),
    ]),
    shortestS: shortestOf('Shortest shutter that gains anything', 'sharp at 100 %: shorter shows no difference', [
      input('t₁', 'the subject moves', shutter.longestShutter100S),
      ...byHand(handPixel),
    ]),
  };
}

/** From where on the focus limiter is set: nearer the subject is not to be, or does not fit. */
function focusFrom(closer: readonly Closer[], distanceM: number): Quantity | undefined {
  const limits = closer.filter(({ kind, atM }) => kind !== 'modeOff' && kind !== 'zoomOut' && atM.value < distanceM);
  return limits[0]?.atM;
}

/** What to set for a far subject. */
export function farSettings(want: SubjectWant, distanceM: number, served: Served, by: CardBy): Settings | null {
  const { body, chain, measured } = served.setup;
  const whole = { body: body.body, modeId: 'whole', chain, focalMm: served.focalMm, measured };
  const picked = pickMode(whole, want, distanceM, by.convention);
  if (!picked) return null;
  const { system, setup } = picked;
  const { judgeBy = 'resolved', threshold = DEFAULT_THRESHOLD } = by;
  const read = readFar({ system, subject: want.subject, distanceM, output: want.output, judgeBy, threshold });
  if (!read.ok) return null;
  const reading = read.value;
  const closer = whenCloser(setup, { system, reading }, want, by);
  const { lens, markedFocalMm, markedFNumber } = system;
  const depth = depthQuantities({ system, reading, output: want.output, cocSchool: 'output' });
  const focusFromM = focusFrom(closer, distanceM);
  return {
    desk: 'far',
    system,
    mode: system.mode,
    ...(lens.focalTeleMm > lens.focalWideMm
      ? { focalMm: given(markedFocalMm, 'mm', 'Focal length to set', 'the longest at which the subject fits') }
      : {}),
    fNumber: given(markedFNumber, 'f/', 'Widest opening', 'lens data, at this focal length; light is what is short'),
    ...shutterOf({ ...picked, reading }, want, by),
    ...isoRange(system.body, pixelsAlongSubject(reading.pixelsOnSubject, reading.neededPixels), by),
    ...(focusFromM ? { focusFromM } : {}),
    distanceM: reading.distanceM,
    ...(depth.depthM ? { depthM: depth.depthM } : {}),
    counted: reading.countedPixels,
    needed: reading.neededPixels,
    closer,
  };
}
