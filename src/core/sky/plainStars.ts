import type { EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import type { Projection } from './projection';
import type { OwnTime, StarsInput, StarsReading } from './readStars';
import type { StarRule } from './starRules';
import type { LearnedTolerance } from './testSeries';
import type { ToleranceKind } from './tolerance';

/** What a reading of the stars is worked out from, as files and kept readings hold it: all but the output may be left out. */
export interface PlainStars {
  output: OutputSpec;
  projection?: Projection | undefined;
  declinationDeg?: number | undefined;
  rollDeg?: number | undefined;
  toleranceKind?: ToleranceKind | undefined;
  tolerance?: number | undefined;
  own?: LearnedTolerance | undefined;
  rule?: StarRule | undefined;
  ceilingS?: number | undefined;
  exposureS?: number | undefined;
  fNumber?: number | undefined;
  cornerStretchPx?: number | undefined;
  ownTime?: OwnTime | undefined;
}

/** Fills in what was left out: the equator of the sky, one and a half pixels of the output, the whole frame. */
export function starsFromPlain(system: EffectiveSystem, plain: PlainStars): StarsInput {
  const {
    projection = 'rectilinear',
    declinationDeg = 0,
    rollDeg = 0,
    toleranceKind = 'output',
    tolerance = 1.5,
    own,
    rule = 'worst',
    ceilingS = 15,
    output,
    exposureS,
    fNumber,
    cornerStretchPx,
    ownTime,
  } = plain;
  return {
    system,
    output,
    projection,
    pointing: { declinationDeg, rollDeg },
    tolerance: { kind: toleranceKind, count: tolerance, ownPx: own },
    rule,
    ceilingS,
    exposureS,
    fNumber,
    cornerStretchPx,
    ownTime,
  };
}

/** A run is kept up to this; beyond it the star has left the frame. */
const LONGEST_RUN_PX = 1e9;

/** What the shutter under the stars came to, as plain numbers that can be kept. */
export const plainStarsResult = (reading: StarsReading) => ({
  limitS: reading.limitS.value,
  centreS: reading.centreS.value,
  worstS: reading.worstS.value,
  exposureS: reading.exposureS.value,
  centreRunPx: Math.min(LONGEST_RUN_PX, reading.centreDriftPx.value),
  worstRunPx: Math.min(LONGEST_RUN_PX, reading.worstDriftPx.value),
  verdict: reading.verdict,
});
