import type { AntiAliasFilter } from '../sensor/antiAlias';
import type { CropRule, SensorSpec } from '../sensor/cropMode';

/** What the finder does with a crop mode: hides what is outside, draws a line around the rest, or fills itself with it. */
export type FinderBehaviour = 'masks' | 'outlines' | 'fills';

type Maybe<T> = T | undefined;

/** One crop mode a body offers. */
export interface CropModeSpec extends CropRule {
  id: string;
  name: string;
  framesPerSecond?: Maybe<number>;
  /** With a grip or another accessory. */
  framesPerSecondWithAccessory?: Maybe<number>;
  fileSizeMb?: Maybe<number>;
  finder?: Maybe<FinderBehaviour>;
  /** A lens made for the smaller format switches this mode on by itself. */
  switchedByLens?: Maybe<boolean>;
}

/** What a video mode, or a mode with processed zoom, does not allow. */
export type Restriction = 'compressedStillsOnly' | 'noRaw' | 'simpleFocusAreas' | 'noStills' | 'noVideo';

/** How a video mode reads the sensor: the strip it samples and the picture it records, pixels. */
export interface VideoModeSpec {
  id: string;
  name: string;
  sampledColumns: number;
  sampledRows: number;
  recordedColumns: number;
  recordedRows: number;
  framesPerSecond: number[];
  /** Largest processed zoom the camera offers in this mode. */
  processedZoomLimit?: Maybe<number>;
  restrictions?: Maybe<Restriction[]>;
}

/** A read-out window for short, fast sequences of a planet, and the frame rate it allows. */
export interface ReadoutWindow {
  columns: number;
  rows: number;
  framesPerSecond: number;
}

/** What was measured of a sensor's light at one ISO: electrons at the largest code, and of the noise of reading a pixel. */
export interface MeasuredLight {
  iso: number;
  fullWellE: number;
  readNoiseE: number;
  /** Half-widths of both, electrons. */
  fullWellPlusMinusE?: Maybe<number>;
  readNoisePlusMinusE?: Maybe<number>;
}

/** A body, as the core needs it. What is not known is left out. */
export interface BodySpec {
  name: string;
  mount?: Maybe<string>;
  /** Distance from the mount's face to the sensor, mm. */
  flangeMm?: Maybe<number>;
  sensor: SensorSpec;
  antiAliasFilter: AntiAliasFilter;
  /** The year it was designed in: how much noise is usual where none was measured. */
  designYear?: Maybe<number>;
  light?: Maybe<MeasuredLight[]>;
  bitsPerSample?: Maybe<number>;
  cropModes: CropModeSpec[];
  videoModes?: Maybe<VideoModeSpec[]>;
  readoutWindows?: Maybe<ReadoutWindow[]>;
  framesPerSecond?: Maybe<number>;
  framesPerSecondWithAccessory?: Maybe<number>;
  /** Typical raw file of the whole sensor, MB. */
  fileSizeMb?: Maybe<number>;
  /** Pictures in a burst wait here, MB, and leave at this speed, MB/s. */
  burstBufferMb?: Maybe<number>;
  cardWriteMbPerS?: Maybe<number>;
  /** The largest f-number at which autofocus works as usual, and the one up to which it works slowly. */
  autofocusLimitFNumber?: Maybe<number>;
  slowAutofocusLimitFNumber?: Maybe<number>;
  /** Fastest shutter speed is 1/x s. */
  fastestShutterPerS?: Maybe<number>;
  stabiliserStops?: Maybe<number>;
  screenDiagonalMm?: Maybe<number>;
  /** Its own screen, where the sides are known; they win over the diagonal. */
  screenWidthMm?: Maybe<number>;
  screenHeightMm?: Maybe<number>;
  /** Pictures one battery lasts for. */
  picturesPerBattery?: Maybe<number>;
  /** Which key switches its crop mode, the mask in its finder, its processed zoom. */
  cropModeKey?: Maybe<string>;
  finderMaskKey?: Maybe<string>;
  processedZoomKey?: Maybe<string>;
  weightG?: Maybe<number>;
  price?: Maybe<number>;
}

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
      framesPerSecondWithAccessory: body.framesPerSecondWithAccessory,
      fileSizeMb: body.fileSizeMb,
    },
    ...body.cropModes,
  ];
}
