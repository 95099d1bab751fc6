import type { CropRule, SensorSpec } from '../sensor/cropMode';

/** Anti-aliasing filter in front of the sensor, by the strength of its blur. */
export type AntiAliasFilter = 'none' | 'weak' | 'standard';

/** How well a lens draws, when its 50 % frequency is not known. */
export type DetailClass = 'excellent' | 'good' | 'fair' | 'weak';

/** One crop mode a body offers. */
export interface CropModeSpec extends CropRule {
  id: string;
  name: string;
  framesPerSecond?: number | undefined;
  fileSizeMb?: number | undefined;
}

/** A body, as the core needs it. What is not known is left out. */
export interface BodySpec {
  name: string;
  sensor: SensorSpec;
  antiAliasFilter: AntiAliasFilter;
  cropModes: CropModeSpec[];
  framesPerSecond?: number | undefined;
  fileSizeMb?: number | undefined;
  /** The largest f-number at which autofocus works as usual, and the one up to which it works slowly. */
  autofocusLimitFNumber?: number | undefined;
  slowAutofocusLimitFNumber?: number | undefined;
  weightG?: number | undefined;
  price?: number | undefined;
}

/** A photographic lens. A prime has equal focal lengths at both ends. */
export interface LensSpec {
  kind: 'lens';
  name: string;
  focalWideMm: number;
  focalTeleMm: number;
  fNumberWide: number;
  fNumberTele: number;
  /** Sensor-to-subject distance at closest focus, m, and the reproduction ratio there. */
  closestFocusM?: number | undefined;
  closestRatio?: number | undefined;
  imageCircleWideMm?: number | undefined;
  imageCircleTeleMm?: number | undefined;
  /** Spatial frequency at which the lens alone still gives 50 % contrast, in the centre. */
  lens50LpPerMm?: number | undefined;
  detailClass: DetailClass;
  autofocus: boolean;
  weightG?: number | undefined;
  price?: number | undefined;
}

/** A teleconverter (factor above 1) or a focal reducer (below 1). */
export interface ConverterSpec {
  kind: 'converter';
  name: string;
  factor: number;
  lens50LpPerMm?: number | undefined;
  autofocus: boolean;
  weightG?: number | undefined;
  price?: number | undefined;
}

export type Part = LensSpec | ConverterSpec;

/** The mode every body has: its whole sensor. */
export const WHOLE_SENSOR_ID = 'whole';

/** All modes of a body, the whole sensor first. */
export function modesOf(body: BodySpec): CropModeSpec[] {
  return [
    {
      id: WHOLE_SENSOR_ID,
      name: 'Whole sensor',
      factor: 1,
      framesPerSecond: body.framesPerSecond,
      fileSizeMb: body.fileSizeMb,
    },
    ...body.cropModes,
  ];
}
