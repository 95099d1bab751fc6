import { noLength, thread, type Kind } from '../kind';
import { OPEN_F_NUMBER, primeOf } from '../asLens';
import type { Carried, Maybe } from './common';

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

/** The tube length finite objectives are made for where none is entered. */
export const USUAL_TUBE_LENGTH_MM = 160;
/** The tube lens infinity objectives are made for where none is entered. */
export const USUAL_TUBE_FOCAL_MM = 200;

/** Focal length a finite objective of tube length L and magnification M has, to the accuracy its makers state: L/M. */
const finiteFocalMm = ({ tubeLengthMm, magnification }: ObjectiveSpec): number =>
  (tubeLengthMm ?? USUAL_TUBE_LENGTH_MM) / magnification;

export const objective: Kind<ObjectiveSpec> = {
  name: 'Microscope objective',
  gloss: 'with a tube lens or tubes',
  shelf: 'optic',
  place: 'front',
  faces: thread,
  through: (part) => ({
    does: 'power',
    dioptres: (1000 * part.magnification) / (part.designTubeFocalMm ?? USUAL_TUBE_FOCAL_MM),
    own50LpPerMm: part.lens50LpPerMm,
    numericalAperture: part.numericalAperture,
  }),
  autofocus: () => false,
  lengthMm: noLength,
  asLens: (part) => ({
    ...primeOf(part, finiteFocalMm(part), OPEN_F_NUMBER),
    imageCircleWideMm: part.fieldNumberMm,
    detailClass: 'excellent',
  }),
};
