import type { SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import type { CocSchool } from '../output/circleOfConfusion';
import type { OutputSpec } from '../output/needs';
import { backgroundQuantities, type Background, type BackgroundQuantities } from './backgroundQuantities';
import { depthQuantities, type DepthQuantities } from './depthQuantities';
import type { FarReading } from './readFar';
import { shutterQuantities, type ShutterQuantities } from './shutterQuantities';
import { worthQuantities, type WorthQuantities } from './worthQuantities';

export type { Background } from './backgroundQuantities';

export interface FarMoreInput {
  system: EffectiveSystem;
  reading: FarReading;
  subject: SubjectSpec;
  output: OutputSpec;
  cocSchool: CocSchool;
  background: Background;
  /** Across the view, m/s; usual for its kind when left out. */
  speedMPerS?: number | undefined;
}

/** Everything a Far reading holds besides the pixels, group by group. */
export interface FarMore extends WorthQuantities, DepthQuantities, BackgroundQuantities, ShutterQuantities {}

/** Reads everything besides the pixels; it needs a reading, which says that a picture can be formed. */
export function farMore(from: FarMoreInput): FarMore {
  const { system, reading, subject, output, background, speedMPerS } = from;
  return {
    ...worthQuantities(system, reading, subject),
    ...depthQuantities(from),
    ...backgroundQuantities(system, reading, background),
    ...shutterQuantities(system, reading, subject, output, speedMPerS),
  };
}
