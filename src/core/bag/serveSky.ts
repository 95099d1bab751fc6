import { CLEAN, cleanIso } from '../noise/cleanIso';
import { pixelsPerOutputPixel } from '../noise/signalToNoise';
import type { EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { starsFromPlain, type PlainStars } from '../sky/plainStars';
import { starLimits } from '../sky/readStars';
import type { ReferenceExposure } from '../sky/starExposure';
import { foldWhole } from './foldWhole';
import type { Assembled } from './pieces';
import type { CountBy, Served, Want } from './serve';

/** A picture of the sky from a camera that stands still: how much of it is to be seen, and where it points. */
export interface SkyWant {
  id: string;
  name: string;
  output: OutputSpec;
  declinationDeg: number;
  /** Width of the sky that is to be in the picture, degrees, below 180. */
  fieldDeg: number;
}

export const isSky = (want: Want): want is SkyWant => 'fieldDeg' in want;

/** The exposure of a dark sky other exposures are reckoned from, until a person has one of their own. */
export const USUAL_REFERENCE: ReferenceExposure = { seconds: 15, fNumber: 1.8, iso: 3200 };

/** Focal length at which a frame is so many degrees wide, mm; of a lens that keeps straight lines straight. */
const focalForField = (widthMm: number, fieldDeg: number): number =>
  widthMm / (2 * Math.tan((fieldDeg / 2) * (Math.PI / 180)));

/** Seconds that give the sky's light at an ISO and f-number, by an exposure known to be right. */
export const secondsFor = (reference: ReferenceExposure, fNumber: number, iso: number): number =>
  ((reference.seconds * reference.iso) / iso) * (fNumber / reference.fNumber) ** 2;

/** How far a star may run for this person, and by which school the longest time goes. */
export type StarsBy = Pick<PlainStars, 'toleranceKind' | 'tolerance' | 'rule'>;

/** What the sky asks of a system: seconds before stars run, and at least so many at the highest ISO that passes. */
export function skyTimes(
  system: EffectiveSystem,
  want: SkyWant,
  { reference = USUAL_REFERENCE, stars = {} }: Pick<CountBy, 'reference' | 'stars'>,
) {
  const { output, declinationDeg } = want;
  const limits = starLimits(starsFromPlain(system, { output, declinationDeg, ...stars }));
  const along = pixelsPerOutputPixel(system.used, output);
  const iso = cleanIso(system.body, along, CLEAN.acceptable);
  return { limits, iso, neededS: iso ? secondsFor(reference, system.lightFNumber, iso.value) : Infinity };
}

/** Whether it focuses on infinity, through a lens that is in front of the camera. */
export const reachesStars = (system: EffectiveSystem): boolean =>
  !system.arrangement.scope && system.farthestFocusM === undefined && !system.optics.fixedRatio;

/**
 * What a set-up gives for a picture of the sky: seconds before stars run, and those it needs for the sky's light at the
 * highest ISO still clean enough. A zoom is set to the longest focal length that shows as much of the sky as wanted.
 *
 * @returns null where it shows less of the sky, or does not focus on it
 */
export function servedSky(setup: Assembled, longest: EffectiveSystem, want: SkyWant, by: CountBy): Served | null {
  if (!reachesStars(longest)) return null;
  const { lens, markedFocalMm, focalMm, used } = longest;
  // What converters make of the lens's own focal length.
  const times = focalMm.value / markedFocalMm;
  const most = focalForField(used.widthMm, want.fieldDeg) / times;
  if (most < lens.focalWideMm * (1 - 1e-9)) return null;
  const system = most >= markedFocalMm ? longest : foldWhole(setup, by.convention, most);
  if (!system) return null;
  const { limits, neededS } = skyTimes(system, want, by);
  if (!Number.isFinite(neededS)) return null;
  return { setup, unit: 's', counted: limits.worstS.value, needed: neededS, focalMm: system.markedFocalMm };
}
