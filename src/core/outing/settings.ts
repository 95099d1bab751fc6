import { plannedDistanceM, type Served, type Want } from '../bag/serve';
import { isSky, type SkyWant, type StarsBy } from '../bag/serveSky';
import type { JudgeBy } from '../detail/subjectCount';
import type { CropModeSpec } from '../kit/body';
import type { OwnBy } from '../learned/own';
import type { CropConventionChoice, EffectiveSystem } from '../optics/foldSystem';
import type { Quantity } from '../quantity/quantity';
import type { UnitSystem } from '../quantity/units';
import type { ReferenceExposure } from '../sky/starExposure';
import type { Closer } from './closer';
import { farSettings } from './farSettings';
import { nearSettings } from './nearSettings';
import { skySettings } from './skySettings';

/** How a person reads and works, as far as the card depends on it. */
export interface CardBy extends OwnBy {
  judgeBy?: JudgeBy | undefined;
  threshold?: number | undefined;
  convention?: CropConventionChoice | undefined;
  reference?: ReferenceExposure | undefined;
  stars?: StarsBy | undefined;
  /** Whether a tripod or the like is in the bag. */
  supported: boolean;
  units?: UnitSystem | undefined;
}

/** What sets the longest shutter time: the subject's motion, or the hand. */
export type ShutterLimit = { by: 'motion'; speed: Quantity } | { by: 'hand' };

/** What to set for one picture. */
export interface Settings {
  desk: 'far' | 'near' | 'stars';
  system: EffectiveSystem;
  mode: CropModeSpec;
  /** Of a zoom, mm as engraved. */
  focalMm?: Quantity;
  /** As set on the lens. */
  fNumber: Quantity;
  /** No longer than this, and shorter than this gains nothing. */
  longestS?: Quantity;
  shortestS?: Quantity;
  /** Which of the two sets the longest time, and how fast the subject is taken to move. */
  shutterLimit?: ShutterLimit;
  isoLow: Quantity;
  isoHigh?: Quantity;
  /** The focus limiter: from here on. */
  focusFromM?: Quantity;
  distanceM?: Quantity;
  ratio?: Quantity;
  workingDistanceMm?: Quantity;
  depthM?: Quantity;
  depthMm?: Quantity;
  /** What counts for the verdict, and what is needed. */
  counted: Quantity;
  needed: Quantity;
  closer: Closer[];
}

/**
 * What to set for a picture with the set-up that takes it.
 *
 * @returns null where the set-up can no longer be read that way
 */
export function settingsFor(want: Want, served: Served, by: CardBy): Settings | null {
  if (isSky(want)) return skySettings(want satisfies SkyWant, served, by);
  const distanceM = plannedDistanceM(want);
  return distanceM === undefined ? nearSettings(want, served, by) : farSettings(want, distanceM, served, by);
}
