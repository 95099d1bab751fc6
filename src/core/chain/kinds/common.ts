import type { DetailClass } from '../lens50';
import type { MeasuredSharpness } from '../lensSharpness';

export type Maybe<T> = T | undefined;

/** What every part of a kit has. What is not known is left out. */
export interface Carried {
  name: string;
  mount?: Maybe<string>;
  weightG?: Maybe<number>;
  price?: Maybe<number>;
  /** Spatial frequency at which the part alone still gives 50 % contrast on the sensor, in the centre. */
  lens50LpPerMm?: Maybe<number>;
  /** Its numbers are typical of its class; nobody entered them. */
  assumed?: Maybe<boolean>;
}

/** How a lens is built, where that shows in the picture. */
export type LensDesign = 'refractive' | 'mirror' | 'diffractive';
/** The format a lens was made for. */
export type FormatName = 'mediumFormat' | 'fullFrame' | 'apsC' | 'fourThirds' | 'oneInch' | 'phone';

/** A lens one can take a picture with by itself. */
export interface PhotographicLens extends Carried {
  focalWideMm: number;
  focalTeleMm: number;
  fNumberWide: number;
  fNumberTele: number;
  /** Smallest aperture it can be set to. */
  fNumberSmallest?: Maybe<number>;
  /** Sensor-to-subject distance at closest focus, m, and the reproduction ratio there. */
  closestFocusM?: Maybe<number>;
  closestRatio?: Maybe<number>;
  imageCircleWideMm?: Maybe<number>;
  imageCircleTeleMm?: Maybe<number>;
  lens50CornerLpPerMm?: Maybe<number>;
  /** As measured, by focal length and f-number; counts before the one value. */
  sharpness?: Maybe<MeasuredSharpness[]>;
  detailClass: DetailClass;
  autofocus: boolean;
}
