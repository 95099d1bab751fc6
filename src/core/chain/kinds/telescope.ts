import { figures, noLength, nothing, oneMount, type Around, type Check, type Kind } from '../kind';
import type { DetailClass } from '../lens50';
import { primeOf } from '../asLens';
import type { Carried, Maybe } from './common';

/** A telescope with the camera in place of its eyepiece. */
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

function checks({ name, backFocusMm }: TelescopeSpec, { takesMm }: Around): Check[] {
  if (backFocusMm === undefined || takesMm === undefined || takesMm <= backFocusMm) return [];
  return [
    {
      code: 'focus.backFocus',
      weight: 'stop',
      message: `Adapters and body take ${figures(takesMm)} mm, ${name} leaves ${figures(backFocusMm)} mm: it does not come to focus.`,
    },
  ];
}

export const telescope: Kind<TelescopeSpec> = {
  name: 'Telescope',
  gloss: 'the camera in place of the eyepiece',
  shelf: 'optic',
  place: 'main',
  faces: oneMount,
  through: nothing,
  autofocus: () => false,
  lengthMm: noLength,
  asLens: (part) => ({
    ...primeOf(part, part.focalMm, part.focalMm / part.apertureMm),
    imageCircleWideMm: part.imageCircleMm,
    detailClass: part.detailClass,
  }),
  checks,
};
