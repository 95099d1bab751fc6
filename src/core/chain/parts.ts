import type { CropRule, SensorSpec } from '../sensor/cropMode';

/** Anti-aliasing filter in front of the sensor, by the strength of its blur. */
export type AntiAliasFilter = 'none' | 'weak' | 'standard';
/** How well a lens draws, when its 50 % frequency is not known. */
export type DetailClass = 'excellent' | 'good' | 'fair' | 'weak';
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

/** A body, as the core needs it. What is not known is left out. */
export interface BodySpec {
  name: string;
  mount?: Maybe<string>;
  /** Distance from the mount's face to the sensor, mm. */
  flangeMm?: Maybe<number>;
  sensor: SensorSpec;
  antiAliasFilter: AntiAliasFilter;
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
  stabiliserStops?: Maybe<number>;
  screenDiagonalMm?: Maybe<number>;
  /** Its own screen, where the sides are known; they win over the diagonal. */
  screenWidthMm?: Maybe<number>;
  screenHeightMm?: Maybe<number>;
  weightG?: Maybe<number>;
  price?: Maybe<number>;
}

interface Carried {
  name: string;
  mount?: Maybe<string>;
  weightG?: Maybe<number>;
  price?: Maybe<number>;
  /** Spatial frequency at which the part alone still gives 50 % contrast on the sensor, in the centre. */
  lens50LpPerMm?: Maybe<number>;
}

/** How a lens is built, where that shows in the picture. */
export type LensDesign = 'refractive' | 'mirror' | 'diffractive';
/** The format a lens was made for. */
export type FormatName = 'mediumFormat' | 'fullFrame' | 'apsC' | 'fourThirds' | 'oneInch' | 'phone';

interface PhotographicLens extends Carried {
  focalWideMm: number;
  focalTeleMm: number;
  fNumberWide: number;
  fNumberTele: number;
  /** Sensor-to-subject distance at closest focus, m, and the reproduction ratio there. */
  closestFocusM?: Maybe<number>;
  closestRatio?: Maybe<number>;
  imageCircleWideMm?: Maybe<number>;
  imageCircleTeleMm?: Maybe<number>;
  lens50CornerLpPerMm?: Maybe<number>;
  detailClass: DetailClass;
  autofocus: boolean;
}

/** A photographic lens. A prime has equal focal lengths at both ends. */
export interface LensSpec extends PhotographicLens {
  kind: 'lens';
  design?: Maybe<LensDesign>;
  /** Diameter of a mirror lens's central obstruction ÷ diameter of its opening. */
  obstructionShare?: Maybe<number>;
  /** It has one aperture and cannot be stopped down. */
  fixedAperture?: Maybe<boolean>;
  stabiliserStops?: Maybe<number>;
  /** From the mount's face to the front, mm. */
  lengthMm?: Maybe<number>;
  /** Flange distance it was made for, mm. */
  flangeMm?: Maybe<number>;
  madeFor?: Maybe<FormatName>;
  /** Whether a converter's front goes in behind it without touching its rear element. */
  takesConverters?: Maybe<boolean>;
}

/** The fixed lens of a compact or phone camera, with its true focal length; its sensor sets the circle it covers. */
export interface BuiltInSpec extends PhotographicLens {
  kind: 'builtIn';
}

export interface TelescopeSpec extends Carried {
  kind: 'telescope';
  apertureMm: number;
  focalMm: number;
  obstructionShare?: Maybe<number>;
  /** From the drawtube's end to the focus, mm: room for adapters. */
  backFocusMm?: Maybe<number>;
  imageCircleMm?: Maybe<number>;
  detailClass: DetailClass;
}

/** A spotting scope: a picture is taken through its eyepiece. */
export interface ScopeSpec extends Carried {
  kind: 'scope';
  objectiveMm: number;
  magnificationLow: number;
  magnificationHigh: number;
  /** The magnification it is set to in a chain; the lowest when left out. */
  magnificationSet?: Maybe<number>;
  eyeReliefMm?: Maybe<number>;
  /** Angle of the round field seen in the eyepiece, degrees. */
  apparentFieldDeg?: Maybe<number>;
  closestFocusM?: Maybe<number>;
  detailClass: DetailClass;
}

export interface ObjectiveSpec extends Carried {
  kind: 'objective';
  magnification: number;
  numericalAperture: number;
  correction: 'infinity' | 'finite';
  /** Mechanical tube length a finite objective was made for, mm. */
  tubeLengthMm?: Maybe<number>;
  /** Focal length of the tube lens an infinity objective was made for, mm. */
  designTubeFocalMm?: Maybe<number>;
  workingDistanceMm?: Maybe<number>;
  fieldNumberMm?: Maybe<number>;
}

export type OpticPart = LensSpec | BuiltInSpec | TelescopeSpec | ScopeSpec | ObjectiveSpec;

/** A teleconverter: factor above 1. */
export interface ConverterSpec extends Carried {
  kind: 'converter';
  factor: number;
  autofocus: boolean;
}

/** A focal reducer: factor below 1. It can only spread into the corners what the lens throws into `neededCircleMm`. */
export interface ReducerSpec extends Carried {
  kind: 'reducer';
  factor: number;
  neededCircleMm?: Maybe<number>;
  /** Where it changes the mount as well: the lens's side. */
  lensMount?: Maybe<string>;
  autofocus: boolean;
}

export interface BarlowSpec extends Carried {
  kind: 'barlow';
  factor: number;
}

/** Extension tubes: a set of which any sum can be used. */
export interface TubesSpec extends Carried {
  kind: 'tubes';
  lengthsMm: number[];
  /** The tubes of the set that are in the chain; all when left out. */
  usedMm?: Maybe<number[]>;
  autofocus: boolean;
}

/** A close-up lens screwed to the front; several can be stacked. */
export interface CloseUpSpec extends Carried {
  kind: 'closeUp';
  dioptres: number;
}

/** Mounts a lens the wrong way round. */
export interface ReversingSpec extends Carried {
  kind: 'reversing';
  lengthMm?: Maybe<number>;
}

/** Couples two lenses front to front; the one towards the subject works as a close-up lens. */
export interface CouplingSpec extends Carried {
  kind: 'coupling';
}

/** The lens behind an infinity objective, where no photographic lens does its work. */
export interface TubeLensSpec extends Carried {
  kind: 'tubeLens';
  focalMm: number;
  imageCircleMm?: Maybe<number>;
}

/** Holds a camera with its lens behind an eyepiece. */
export interface AfocalSpec extends Carried {
  kind: 'afocal';
}

/** Between a lens of one mount and a body of another. `mount` is the body's side. */
export interface MountAdapterSpec extends Carried {
  kind: 'mountAdapter';
  lensMount: string;
  addsMm: number;
  autofocus: boolean;
}

export type AdapterPart =
  | ConverterSpec
  | ReducerSpec
  | BarlowSpec
  | TubesSpec
  | CloseUpSpec
  | ReversingSpec
  | CouplingSpec
  | TubeLensSpec
  | AfocalSpec
  | MountAdapterSpec;

export type Part = OpticPart | AdapterPart;
export type PartKind = Part['kind'];

/** A part that multiplies focal length and f-number. */
export type FactorPart = ConverterSpec | ReducerSpec | BarlowSpec;

const OPTIC_KINDS: readonly PartKind[] = ['lens', 'builtIn', 'telescope', 'scope', 'objective'];

export const isOptic = (part: Part): part is OpticPart => OPTIC_KINDS.includes(part.kind);
export const isFactor = (part: Part): part is FactorPart =>
  part.kind === 'converter' || part.kind === 'reducer' || part.kind === 'barlow';
/** A lens one can take a picture with by itself. */
export const isCameraLens = (part: Part): part is LensSpec | BuiltInSpec =>
  part.kind === 'lens' || part.kind === 'builtIn';

/** Length of the tubes of a set that are in the chain, mm. */
export const tubesLengthMm = (tubes: TubesSpec): number =>
  (tubes.usedMm ?? tubes.lengthsMm).reduce((sum, length) => sum + length, 0);

/** Tubes that are said to be used but are not in the set, each as often as it is too many. */
export function tubesNotInSet(usedMm: readonly number[], lengthsMm: readonly number[]): number[] {
  const left = [...lengthsMm];
  return usedMm.filter((used) => {
    const at = left.findIndex((length) => Math.abs(length - used) < 1e-6);
    if (at >= 0) left.splice(at, 1);
    return at < 0;
  });
}

/** Whether autofocus passes through a part at all; what has nothing to do with it says yes. */
export function passesAutofocus(part: Part): boolean {
  switch (part.kind) {
    case 'lens':
    case 'builtIn':
    case 'converter':
    case 'reducer':
    case 'tubes':
    case 'mountAdapter':
      return part.autofocus;
    case 'closeUp':
    case 'afocal':
      return true;
    default:
      return false;
  }
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
