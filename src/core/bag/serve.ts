import type { SubjectSpec } from '../kit/subjects';
import type { JudgeBy } from '../detail/subjectCount';
import { readFar, type FarReading } from '../far/readFar';
import { ratioRange, type RatioRange } from '../near/nearState';
import { readNear, type NearReading } from '../near/readNear';
import type { CropConventionChoice, EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import type { ReferenceExposure } from '../sky/starExposure';
import { drawnTo } from './additions';
import { foldWhole } from './foldWhole';
import type { Assembled } from './pieces';
import { isSky, reachesStars, servedSky, type SkyWant, type StarsBy } from './serveSky';

/** A picture of a subject: from a distance that is to be kept, or as large as it fits the frame. */
export interface SubjectWant {
  id: string;
  subject: SubjectSpec;
  output: OutputSpec;
  /** Distance to keep, m; close up, where none is given. */
  distanceM?: number | undefined;
}

/** A picture one wants to bring home: of a subject, or of the sky. */
export type Want = SubjectWant | SkyWant;

/** How pixels are counted. */
export interface CountBy {
  judgeBy?: JudgeBy | undefined;
  threshold?: number | undefined;
  convention?: CropConventionChoice | undefined;
  /** An exposure of the sky that is known to be right. */
  reference?: ReferenceExposure | undefined;
  /** How stars are judged, as the Stars desk is set; at the output's size where nothing is told. */
  stars?: StarsBy | undefined;
}

/** What a set-up gives for a want. */
export interface Served {
  setup: Assembled;
  /** What counts and what is needed: pixels on the subject, or under the sky seconds before stars run and to get its light. */
  unit: 'px' | 's';
  counted: number;
  /** Half-width of the range the count is expected in; nothing where it is exact. */
  plusMinus?: number | undefined;
  needed: number;
  /** Focal length it is set to, mm as engraved. */
  focalMm: number;
  /** Reproduction ratio, close up. */
  ratio?: number;
}

/** From where a picture is planned, m: never from nearer than the distance to keep from its subject. */
export const plannedDistanceM = ({ distanceM, subject }: SubjectWant): number | undefined =>
  distanceM === undefined ? undefined : Math.max(distanceM, subject.keepDistanceM ?? 0);

/** Halvings of a range: of a bellows', to less than a tenth of a millimetre. */
const HALVINGS = 11;

/** A subject that is too large for the frame is drawn this much smaller than what would just fit. */
const FITTING = 0.98;

/** A set-up as it is tried: whole sensor, its longest focal length unless one is asked for. */
export const fold = (setup: Assembled, { convention }: CountBy, focalMm?: number): EffectiveSystem | null =>
  foldWhole(setup, convention, focalMm);

/** The choices as the desks take them. */
const counting = ({ judgeBy, threshold }: CountBy) => ({
  ...(judgeBy === undefined ? {} : { judgeBy }),
  ...(threshold === undefined ? {} : { threshold }),
});

/** What a reading gives, where the picture can be taken and the subject fits. */
function servedBy(setup: Assembled, system: EffectiveSystem, reading: FarReading | NearReading): Served | null {
  if (reading.overflow) return null;
  const { countedPixels, neededPixels } = reading;
  const [counted, needed] = [countedPixels.value, neededPixels.value];
  return { setup, unit: 'px', counted, plusMinus: countedPixels.plusMinus, needed, focalMm: system.markedFocalMm };
}

/**
 * Whether a tube, a close-up lens or the like is in the way: they take the far end away, which is worth it only for what the
 * lens alone does not focus on. That a tube behind a converter draws a little larger is no reason to lose the horizon.
 */
const losesInfinity = ({ farthestFocusM, lens }: EffectiveSystem, distanceM: number): boolean =>
  farthestFocusM !== undefined && lens.closestFocusM !== undefined && distanceM >= lens.closestFocusM;

/** Whether a want is out of reach for this set-up and for whatever is added to it: nothing gives the far end of focus back. */
export function isHopeless(system: EffectiveSystem, want: Want): boolean {
  if (isSky(want)) return !reachesStars(system);
  const distanceM = plannedDistanceM(want);
  return distanceM !== undefined && losesInfinity(system, distanceM);
}

/** At its distance, behind a bellows drawn in where it does not focus so far when drawn out. */
function servedFar(setup: Assembled, system: EffectiveSystem, want: SubjectWant, distanceM: number, by: CountBy) {
  if (losesInfinity(system, distanceM)) return null;
  const served = servedFarAt(setup, system, want, distanceM, by);
  const bellows = served ? null : bellowsOf(setup);
  if (!bellows) return served;
  const shortest = bellows.to(bellows.shortestMm);
  const drawn = fold(shortest, by);
  return drawn && servedFarAt(shortest, drawn, want, distanceM, by);
}

function servedFarAt(setup: Assembled, system: EffectiveSystem, want: SubjectWant, distanceM: number, by: CountBy) {
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

/** The largest ratio from no nearer than the distance to keep; null where the smallest is from nearer already. */
function keptRatio({ lowest, highest }: RatioRange, at: (ratio: number) => NearReading | null, keepM: number) {
  const isKept = (ratio: number) => (at(ratio)?.subjectDistanceM?.value ?? Infinity) >= keepM;
  if (keepM === 0 || isKept(highest)) return highest;
  if (!isKept(lowest)) return null;
  let [kept, near] = [lowest, highest];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = Math.sqrt(kept * near);
    if (isKept(middle)) kept = middle;
    else near = middle;
  }
  return kept;
}

/** The ratio at which the subject just fits, and what the set-up gives there or as near as it comes. */
function drawnLargest(setup: Assembled, system: EffectiveSystem, want: SubjectWant, by: CountBy) {
  const range = ratioRange(system);
  if (!range) return null;
  const at = (ratio: number): NearReading | null => {
    const read = readNear({ ...counting(by), system, subject: want.subject, output: want.output, ratio });
    return read.ok ? read.value : null;
  };
  const top = keptRatio(range, at, want.subject.keepDistanceM ?? 0);
  const largest = top === null ? null : at(top);
  if (top === null || !largest) return null;
  const fitting = (top * 100 * FITTING) / largest.shareOfFrame.value;
  const reading = !largest.overflow ? largest : fitting >= range.lowest ? at(fitting) : null;
  const served = reading && servedBy(setup, system, reading);
  return { fitting, served: served && { ...served, ratio: reading.ratio.value } };
}

/** The bellows of a set-up, and the set-up with it drawn to another extension; null without one. */
function bellowsOf(setup: Assembled) {
  const link = setup.chain.find(({ part }) => part.kind === 'bellows');
  if (link?.part.kind !== 'bellows') return null;
  const to = (mm: number): Assembled => ({
    ...setup,
    // What was measured was so at the extension it was measured at.
    measured: undefined,
    chain: setup.chain.map((each) => (each === link ? drawnTo(link, mm) : each)),
  });
  const { shortestMm, longestMm } = link.part;
  return { shortestMm, drawnMm: link.used?.extensionMm ?? longestMm, to };
}

/** A bellows drawn in as far as it must be for the subject to fit; null where there is none or it never fits. */
function drawnIn(setup: Assembled, fitting: number, by: CountBy, focalMm: number): Assembled | null {
  const bellows = bellowsOf(setup);
  if (!bellows) return null;
  const { to } = bellows;
  const fits = (drawn: Assembled): boolean => {
    const system = fold(drawn, by, focalMm);
    const range = system && ratioRange(system);
    return range !== null && range.lowest <= fitting;
  };
  let [low, high] = [bellows.shortestMm, bellows.drawnMm];
  if (!fits(to(low))) return null;
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (fits(to(middle))) low = middle;
    else high = middle;
  }
  return to(low);
}

/** The set-up at one focal length, as close as the subject fits. */
function servedNearAt(setup: Assembled, system: EffectiveSystem, want: SubjectWant, by: CountBy): Served | null {
  const largest = drawnLargest(setup, system, want, by);
  if (!largest || largest.served) return largest?.served ?? null;
  const shorter = drawnIn(setup, largest.fitting, by, system.markedFocalMm);
  const drawn = shorter && fold(shorter, by, system.markedFocalMm);
  return (drawn && drawnLargest(shorter, drawn, want, by)?.served) ?? null;
}

/** Close up behind tubes a zoom draws larger the shorter it is set: it is tried at its ends and half-way between. */
function servedNear(setup: Assembled, system: EffectiveSystem, want: SubjectWant, by: CountBy): Served | null {
  const { focalWideMm, focalTeleMm } = system.lens;
  const longest = servedNearAt(setup, system, want, by);
  if (focalWideMm === focalTeleMm || (longest && longest.counted >= longest.needed)) return longest;
  const shorter = [Math.sqrt(focalWideMm * focalTeleMm), focalWideMm].flatMap((focalMm) => {
    const set = fold(setup, by, focalMm);
    return set ? (servedNearAt(setup, set, want, by) ?? []) : [];
  });
  const share = ({ counted, needed }: Served): number => counted / needed;
  return [...(longest ? [longest] : []), ...shorter].sort((a, b) => share(b) - share(a))[0] ?? null;
}

/**
 * What a set-up gives for a want, whole sensor; a zoom is set shorter, and the ratio smaller, where the subject would not fit.
 *
 * @param system the set-up folded (`fold`), once for all wants
 * @returns null where it cannot take that picture: it does not focus there, or the subject does not fit
 */
export function serve(setup: Assembled, system: EffectiveSystem, want: Want, by: CountBy = {}): Served | null {
  if (isSky(want)) return servedSky(setup, system, want, by);
  const distanceM = plannedDistanceM(want);
  return distanceM === undefined ? servedNear(setup, system, want, by) : servedFar(setup, system, want, distanceM, by);
}
