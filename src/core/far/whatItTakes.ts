import { DEFAULT_THRESHOLD, detailLimit } from '../detail/detailLimit';
import { detailPartsOf } from '../detail/detailParts';
import { pixelsOnSubject } from '../detail/pixelsOnSubject';
import type { BodySpec } from '../kit/body';
import type { SubjectSpec } from '../kit/subjects';
import { cropQuantity } from '../optics/cropQuantity';
import { equivalent } from '../optics/equivalence';
import type { EffectiveSystem } from '../optics/foldSystem';
import { neededPixels, type OutputSpec } from '../output/needs';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { ok, type Problem, type Result } from '../quantity/result';
import { root } from '../quantity/root';
import { ANTI_ALIAS_PX } from '../sensor/antiAlias';
import { pitchUm } from '../sensor/pitch';
import { countPixels } from './countPixels';
import { focusAt } from './focusAt';
import { focalForPixels, noFocal } from './imaging';
import { reachM } from './plannerCurve';
import type { JudgeBy } from './readFar';

/**
 * What is wished for: pixels on the subject, its length as a share of the frame's long side, or enough for the output, as the
 * desk's verdict counts it.
 */
export type Wish = { kind: 'pixels'; pixels: number } | { kind: 'share'; percent: number } | { kind: 'output' };

/** The wish, and what it is wished of. */
export interface Wanted {
  wish: Wish;
  subject: Pick<SubjectSpec, 'sizeMm' | 'name'>;
  /** Sensor to subject, m. */
  distanceM: number;
  output: OutputSpec;
  /** Which pixels the verdict counts. */
  judgeBy?: JudgeBy | undefined;
  threshold?: number | undefined;
}

/** The focal length a body would need from here. */
export interface FocalNeeded {
  id: string;
  name: string;
  /** Pixels on the subject the wish comes to on this body. */
  pixels: number;
  focalMm?: Quantity;
  equivalentFocalMm?: Quantity;
  problem?: Problem;
}

/** What the set-up in hand would need. */
export interface InHandNeeds {
  pixels: number;
  /** The farthest it gives the wish from; absent where it never does. */
  distanceM?: Quantity;
  /** The pixel pitch that would do it from here; absent where no pitch does, and for a share of the frame. */
  pitchUm?: Quantity;
}

/** Farther than this nobody photographs an animal. */
const FARTHEST_M = 100_000;
/** Finer pixels than this no sensor has. */
const FINEST_UM = 0.1;
const LEAST_RATIO = 1e-9;

/** Pixels on the subject a wish comes to on so many columns and rows. */
export function pixelsWished({ wish, output, subject }: Wanted, columns: number, rows: number): number {
  if (wish.kind === 'pixels') return wish.pixels;
  if (wish.kind === 'output') return neededPixels(output, subject.sizeMm);
  return (wish.percent / 100) * Math.max(columns, rows);
}

/** Which pixels a wish counts: those of the verdict for an output, else all there are. */
const countedBy = ({ wish, judgeBy = 'resolved' }: Wanted): JudgeBy => (wish.kind === 'output' ? judgeBy : 'sampled');

const wishedQuantity = (wanted: Wanted, pixels: number): Quantity =>
  given(pixels, 'px', countedBy(wanted) === 'resolved' ? 'Resolved pixels wished for' : 'Pixels wished for');

/** A focal length with the share of its pixels that is resolved. */
interface FocalFor {
  focalMm: number;
  share: number;
}

/** A lens as sharp and as fast as the one in hand, on another body: the focal length that resolves so many pixels. */
function focalResolving(wanted: Wanted, inHand: EffectiveSystem, body: BodySpec, pixels: number): Result<FocalFor> {
  const { subject, distanceM, threshold = DEFAULT_THRESHOLD } = wanted;
  const pitch = pitchUm(body.sensor.widthMm, body.sensor.columns);
  const as = (value: number): Quantity => given(value, 'µm', 'Pixel pitch');
  const shareAt = (ratio: number): number => {
    const system = { ...inHand, pitchUm: as(pitch), antiAliasPx: ANTI_ALIAS_PX[body.antiAliasFilter] };
    return detailLimit(detailPartsOf(system, inHand.fNumber.value * (1 + ratio)), threshold).resolvedShare;
  };
  const excess = (logRatio: number): number => {
    const ratio = Math.exp(logRatio);
    return Math.log((pixelsOnSubject(ratio, subject.sizeMm, pitch) * shareAt(ratio)) / pixels);
  };
  if (excess(0) < 0) return noFocal;
  const ratio = Math.exp(root(excess, Math.log(LEAST_RATIO), 0));
  return ok({ focalMm: (distanceM * 1000) / (2 + ratio + 1 / ratio), share: shareAt(ratio) });
}

function focalFor(wanted: Wanted, inHand: EffectiveSystem, body: BodySpec, pixels: number): Result<FocalFor> {
  if (countedBy(wanted) === 'resolved') return focalResolving(wanted, inHand, body, pixels);
  const pitch = pitchUm(body.sensor.widthMm, body.sensor.columns);
  const found = focalForPixels(wanted.distanceM * 1000, pitch, wanted.subject.sizeMm, pixels);
  return found.ok ? ok({ focalMm: found.value, share: 1 }) : found;
}

function focalQuantity(wanted: Wanted, body: BodySpec, pixels: number, { focalMm, share }: FocalFor): Quantity {
  const { subject, distanceM } = wanted;
  const resolved = countedBy(wanted) === 'resolved';
  return computed(focalMm, 'mm', () => ({
    name: `Focal length on ${body.name}`,
    formula: resolved ? 'T / (2 + m + 1/m), m = n · p / (1000 · L · r)' : 'T / (2 + m + 1/m), m = n · p / (1000 · L)',
    inputs: [
      input('T', 'distance', given(distanceM, 'm', 'Distance')),
      input('n', resolved ? 'resolved pixels wished for' : 'pixels wished for', wishedQuantity(wanted, pixels)),
      input(
        'p',
        'pixel pitch',
        given(pitchUm(body.sensor.widthMm, body.sensor.columns), 'µm', 'Pixel pitch', 'body data'),
      ),
      input('L', 'length of the subject', given(subject.sizeMm, 'mm', subject.name)),
      ...(resolved
        ? [
            input(
              'r',
              'share of the pixels resolved',
              given(share, '×', 'Share resolved', 'a lens as sharp and as fast as the one in hand'),
            ),
          ]
        : []),
    ],
    source: 'thin lens',
    neglects: 'Most lenses shorten when focused close: there a little more is needed.',
  }));
}

/**
 * The focal length with which each body would give the wish from a distance, whether one owns such a lens or not. Where an
 * output is wished for, the lens is taken as sharp and as fast as the one in hand.
 *
 * @source thin lens: f = T / (2 + m + 1/m), m = pixels · p / (1000 · L · share resolved)
 */
export function focalLengthsFor(
  wanted: Wanted,
  inHand: EffectiveSystem,
  bodies: readonly { id: string; body: BodySpec }[],
): FocalNeeded[] {
  return bodies.map(({ id, body }): FocalNeeded => {
    const { sensor, name } = body;
    const pixels = pixelsWished(wanted, sensor.columns, sensor.rows);
    const found = focalFor(wanted, inHand, body, pixels);
    if (!found.ok) return { id, name, pixels, problem: found.problem };
    const focalMm = focalQuantity(wanted, body, pixels, found.value);
    const crop = cropQuantity(sensor, 'diagonal');
    return {
      id,
      name,
      pixels,
      focalMm,
      equivalentFocalMm: computed(equivalent(focalMm.value, 1, crop.value).focalMm, 'mm', () => ({
        name: `Equivalent focal length on ${name}`,
        formula: 'f · k',
        inputs: [input('f', 'focal length needed', focalMm), input('k', 'crop factor', crop)],
        source: 'the same view on 36 × 24 mm',
      })),
    };
  });
}

/** From how far a set-up gives the wish; nothing where it does from nowhere. */
export function farthestFor(wanted: Wanted, system: EffectiveSystem): Quantity | null {
  const { subject, threshold } = wanted;
  const pixels = pixelsWished(wanted, system.used.columns, system.used.rows);
  const by = countedBy(wanted);
  const reach = reachM(system, subject.sizeMm, pixels, by, FARTHEST_M, threshold);
  if (reach === null || !(reach > 0)) return null;
  return computed(reach, 'm', () => ({
    name: 'Farthest distance that does it',
    formula: `the distance at which the ${by === 'resolved' ? 'resolved ' : ''}pixels on the subject are n`,
    inputs: [
      input(
        'n',
        by === 'resolved' ? 'resolved pixels wished for' : 'pixels wished for',
        wishedQuantity(wanted, pixels),
      ),
      input('f', 'effective focal length', system.focalMm),
      input('L', 'length of the subject', given(subject.sizeMm, 'mm', subject.name)),
    ],
    source: 'the desk’s own count of pixels, turned round by halving',
  }));
}

/** The pixel pitch with which a set-up that draws a subject at a ratio resolves so many pixels of it. */
function pitchResolving(
  { subject, distanceM, threshold }: Wanted,
  system: EffectiveSystem,
  samplingUm: number,
  pixels: number,
): number | null {
  const excess = (logPitch: number): number => {
    const changed = { ...system, pitchUm: given(Math.exp(logPitch), 'µm', 'Pixel pitch') };
    return Math.log(countPixels(changed, subject.sizeMm, distanceM, 'resolved', threshold) / pixels);
  };
  // However fine the pixels, the lens resolves no more than it does.
  if (!(excess(Math.log(FINEST_UM)) >= 0)) return null;
  return Math.exp(root(excess, Math.log(FINEST_UM), Math.log(samplingUm * 1.01)));
}

function pitchQuantity(wanted: Wanted, system: EffectiveSystem, pixels: number): Quantity | null {
  const { subject, distanceM } = wanted;
  const focus = focusAt(system, distanceM * 1000);
  if (!focus.ok) return null;
  const { ratio } = focus.value;
  const samplingUm = pixelsOnSubject(ratio, subject.sizeMm, pixels);
  const resolved = countedBy(wanted) === 'resolved';
  const pitch = resolved ? pitchResolving(wanted, system, samplingUm, pixels) : samplingUm;
  if (pitch === null) return null;
  return computed(pitch, 'µm', () => ({
    name: 'Pixel pitch that does it from here',
    formula: resolved ? '1000 · m · L · r / n' : '1000 · m · L / n',
    inputs: [
      input('m', 'reproduction ratio', given(ratio, ':1', 'Reproduction ratio', 'the set-up focused from here')),
      input('L', 'length of the subject', given(subject.sizeMm, 'mm', subject.name)),
      ...(resolved
        ? [
            input(
              'r',
              'share resolved at that pitch',
              given(pitch / samplingUm, '×', 'Share resolved', 'detail limit of this set-up with such pixels'),
            ),
          ]
        : []),
      input('n', resolved ? 'resolved pixels wished for' : 'pixels wished for', wishedQuantity(wanted, pixels)),
    ],
    source: 'the desk’s own count of pixels, turned round',
  }));
}

/** From where the set-up in hand gives the wish, and with which pixels it would from here. */
export function inHandNeeds(wanted: Wanted, system: EffectiveSystem): InHandNeeds {
  const pixels = pixelsWished(wanted, system.used.columns, system.used.rows);
  const distanceM = farthestFor(wanted, system);
  const pitch = wanted.wish.kind === 'share' ? null : pitchQuantity(wanted, system, pixels);
  return { pixels, ...(distanceM ? { distanceM } : {}), ...(pitch ? { pitchUm: pitch } : {}) };
}
