import type { SubjectSpec } from '../kit/subjects';
import type { JudgeBy } from '../detail/subjectCount';
import { readFar, type FarReading } from '../far/readFar';
import { ratioRange } from '../near/nearState';
import { readNear, type NearReading } from '../near/readNear';
import { foldSystem, type CropConventionChoice, type EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import type { Assembled } from './pieces';

/** A picture one wants to bring home: from a distance that is to be kept, or as large as it fits the frame. */
export interface Want {
  id: string;
  subject: SubjectSpec;
  output: OutputSpec;
  /** Distance to keep, m; close up, where none is given. */
  distanceM?: number | undefined;
}

/** How pixels are counted. */
export interface CountBy {
  judgeBy?: JudgeBy | undefined;
  threshold?: number | undefined;
  convention?: CropConventionChoice | undefined;
}

/** What a set-up gives for a want. */
export interface Served {
  setup: Assembled;
  /** Pixels that count, and those the output needs. */
  counted: number;
  needed: number;
  /** Focal length it is set to, mm as engraved. */
  focalMm: number;
  /** Reproduction ratio, close up. */
  ratio?: number;
}

/** A subject that is too large for the frame is drawn this much smaller than what would just fit. */
const FITTING = 0.98;

/** A set-up as it is tried: whole sensor, its longest focal length unless one is asked for. */
export function fold({ body, chain }: Assembled, by: CountBy, focalMm?: number): EffectiveSystem | null {
  const folded = foldSystem({ body: body.body, modeId: 'whole', chain, focalMm }, by.convention);
  return folded.ok ? folded.value : null;
}

/** The choices as the desks take them. */
const counting = ({ judgeBy, threshold }: CountBy) => ({
  ...(judgeBy === undefined ? {} : { judgeBy }),
  ...(threshold === undefined ? {} : { threshold }),
});

/** What a reading gives, where the picture can be taken and the subject fits. */
function servedBy(setup: Assembled, system: EffectiveSystem, reading: FarReading | NearReading): Served | null {
  if (reading.overflow) return null;
  const { countedPixels, neededPixels } = reading;
  return { setup, counted: countedPixels.value, needed: neededPixels.value, focalMm: system.markedFocalMm };
}

function servedFar(setup: Assembled, system: EffectiveSystem, want: Want, distanceM: number, by: CountBy) {
  const from = (seen: EffectiveSystem): FarReading | null => {
    const { subject, output } = want;
    const read = readFar({ ...counting(by), system: seen, subject, distanceM, output });
    return read.ok && !read.value.obstacle ? read.value : null;
  };
  const longest = from(system);
  if (!longest?.overflow) return longest && servedBy(setup, system, longest);
  return zoomedOut(setup, system, longest, from, by);
}

/** Tries of a focal length at most: a lens that breathes does not draw in proportion to it. */
const MOST_TRIES = 5;

/** The longest focal length at which the subject fits, found by drawing it ever nearer to what just fits. */
function zoomedOut(
  setup: Assembled,
  system: EffectiveSystem,
  longest: FarReading,
  from: (seen: EffectiveSystem) => FarReading | null,
  by: CountBy,
): Served | null {
  const { focalWideMm, focalTeleMm } = system.lens;
  let served: Served | null = null;
  let [focalMm, shareOfFrame] = [focalTeleMm, longest.shareOfFrame.value];
  for (let i = 0; i < MOST_TRIES && Math.abs(shareOfFrame / (100 * FITTING) - 1) > 0.005; i += 1) {
    focalMm = Math.min(focalTeleMm, Math.max(focalWideMm, (focalMm * 100 * FITTING) / shareOfFrame));
    const shorter = fold(setup, by, focalMm);
    const reading = shorter && from(shorter);
    if (!shorter || !reading) break;
    shareOfFrame = reading.shareOfFrame.value;
    served = servedBy(setup, shorter, reading) ?? served;
  }
  return served;
}

function servedNear(setup: Assembled, system: EffectiveSystem, want: Want, by: CountBy): Served | null {
  const range = ratioRange(system);
  if (!range) return null;
  const at = (ratio: number): NearReading | null => {
    const read = readNear({ ...counting(by), system, subject: want.subject, output: want.output, ratio });
    return read.ok ? read.value : null;
  };
  const largest = at(range.highest);
  if (!largest) return null;
  const fitting = (range.highest * 100 * FITTING) / largest.shareOfFrame.value;
  const reading = !largest.overflow ? largest : fitting >= range.lowest ? at(fitting) : null;
  const served = reading && servedBy(setup, system, reading);
  return served && { ...served, ratio: reading.ratio.value };
}

/**
 * What a set-up gives for a want, whole sensor; a zoom is set shorter, and the ratio smaller, where the subject would not fit.
 *
 * @param system the set-up folded (`fold`), once for all wants
 * @returns null where it cannot take that picture: it does not focus there, or the subject does not fit
 */
export const serve = (setup: Assembled, system: EffectiveSystem, want: Want, by: CountBy = {}): Served | null =>
  want.distanceM === undefined
    ? servedNear(setup, system, want, by)
    : servedFar(setup, system, want, want.distanceM, by);
