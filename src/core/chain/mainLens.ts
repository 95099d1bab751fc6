import { CLASS_LENS50_LP_PER_MM } from './lens50';
import type { DetailClass } from './parts';
import type { Arrangement, MainOptic } from './arrangement';

/** The optic that forms the picture, whatever its kind, as the desks read it. */
export interface MainLens {
  kind: MainOptic['kind'];
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
  /** Only where no 50 % frequency is known. */
  detailClass: DetailClass;
  autofocus: boolean;
}

/** A tube lens is wide open behind an objective, whose numerical aperture stops the light. */
const OPEN_F_NUMBER = 0.5;
/** Focal length a finite objective of tube length L and magnification M has, to the accuracy its makers state: L/M. */
const finiteFocalMm = (tubeLengthMm: number, magnification: number): number => tubeLengthMm / magnification;
/** The tube length finite objectives are made for where none is entered. */
export const USUAL_TUBE_LENGTH_MM = 160;
/** The tube lens infinity objectives are made for where none is entered. */
export const USUAL_TUBE_FOCAL_MM = 200;

function prime(main: MainOptic, focalMm: number, fNumber: number): Omit<MainLens, 'detailClass' | 'autofocus'> {
  return {
    kind: main.kind,
    name: main.name,
    focalWideMm: focalMm,
    focalTeleMm: focalMm,
    fNumberWide: fNumber,
    fNumberTele: fNumber,
    lens50LpPerMm: main.lens50LpPerMm,
  };
}

/** Reads the main optic of an arrangement as a lens with a focal range, f-numbers and a closest focus. */
export function mainLensOf({ main, scope }: Arrangement): MainLens {
  switch (main.kind) {
    case 'lens':
    case 'builtIn':
      // Through an eyepiece the scope focuses and the camera's lens stays at infinity.
      return scope ? { ...main, closestFocusM: scope.closestFocusM, closestRatio: undefined } : main;
    case 'telescope':
      return {
        ...prime(main, main.focalMm, main.focalMm / main.apertureMm),
        imageCircleWideMm: main.imageCircleMm,
        detailClass: main.detailClass,
        autofocus: false,
      };
    case 'tubeLens':
      return {
        ...prime(main, main.focalMm, OPEN_F_NUMBER),
        imageCircleWideMm: main.imageCircleMm,
        detailClass: 'excellent',
        autofocus: false,
      };
    case 'objective':
      return {
        ...prime(main, finiteFocalMm(main.tubeLengthMm ?? USUAL_TUBE_LENGTH_MM, main.magnification), OPEN_F_NUMBER),
        imageCircleWideMm: main.fieldNumberMm,
        detailClass: 'excellent',
        autofocus: false,
      };
  }
}

/** 50 % frequency of a lens in lp/mm: its own where known, else the default of its class. */
export const lens50Of = (lens: Pick<MainLens, 'lens50LpPerMm' | 'detailClass'>): number =>
  lens.lens50LpPerMm ?? CLASS_LENS50_LP_PER_MM[lens.detailClass];
