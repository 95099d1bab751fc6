import { noLength, oneMount, type Around, type Check, type Kind } from '../kind';
import { CLASS_LENS50_LP_PER_MM, type DetailClass } from '../lens50';
import type { Carried, Maybe } from './common';

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

/** Scopes focus as near as some 75 times the diameter of their objective: 5 m with 65 mm. */
const CLOSEST_PER_DIAMETER = 75;

/** Closest focus of a scope, m: as entered, else what is usual for its objective. */
export const closestFocusOf = ({ closestFocusM, objectiveMm }: ScopeSpec): number =>
  closestFocusM ?? (CLOSEST_PER_DIAMETER * objectiveMm) / 1000;

const checks = ({ name }: ScopeSpec, { held }: Around): Check[] =>
  held
    ? []
    : [
        {
          code: 'scope.noAdapter',
          weight: 'caution',
          message: `Nothing holds the camera behind ${name}. Add an afocal adapter, or it will be held by hand.`,
        },
      ];

export const scope: Kind<ScopeSpec> = {
  name: 'Spotting scope',
  gloss: 'picture taken through its eyepiece',
  shelf: 'optic',
  place: 'front',
  faces: oneMount,
  through: (part) => ({
    does: 'afocal',
    magnification: part.magnificationSet ?? part.magnificationLow,
    objectiveMm: part.objectiveMm,
    own50LpPerMm: part.lens50LpPerMm ?? CLASS_LENS50_LP_PER_MM[part.detailClass],
    apparentFieldDeg: part.apparentFieldDeg,
  }),
  autofocus: () => false,
  lengthMm: noLength,
  asUsed: (part, { magnification }) =>
    magnification === undefined ? part : { ...part, magnificationSet: magnification },
  usedOf: ({ magnificationSet }) => (magnificationSet === undefined ? undefined : { magnification: magnificationSet }),
  checks,
};
