import type { DetailClass } from './lens50';
import type { MeasuredSharpness } from './lensSharpness';
import type { PartKind } from './parts';

/** The optic that forms the picture, whatever its kind, as the desks read it. */
export interface MainLens {
  kind: PartKind;
  name: string;
  focalWideMm: number;
  focalTeleMm: number;
  fNumberWide: number;
  fNumberTele: number;
  closestFocusM?: number | undefined;
  closestRatio?: number | undefined;
  imageCircleWideMm?: number | undefined;
  imageCircleTeleMm?: number | undefined;
  lens50LpPerMm?: number | undefined;
  /** As measured, by focal length and f-number. */
  sharpness?: MeasuredSharpness[] | undefined;
  /** Only where no 50 % frequency is known. */
  detailClass: DetailClass;
  autofocus: boolean;
}

/** A tube lens is wide open behind an objective, whose numerical aperture stops the light. */
export const OPEN_F_NUMBER = 0.5;

/** A lens of one focal length and one aperture, focused by hand. */
export const primeOf = (
  { kind, name, lens50LpPerMm }: Pick<MainLens, 'kind' | 'name' | 'lens50LpPerMm'>,
  focalMm: number,
  fNumber: number,
): Omit<MainLens, 'detailClass'> => ({
  kind,
  name,
  focalWideMm: focalMm,
  focalTeleMm: focalMm,
  fNumberWide: fNumber,
  fNumberTele: fNumber,
  lens50LpPerMm,
  autofocus: false,
});
