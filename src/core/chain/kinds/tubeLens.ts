import { noLength, nothing, oneMount, type Kind } from '../kind';
import { OPEN_F_NUMBER, primeOf } from '../asLens';
import type { Carried, Maybe } from './common';

/** The lens behind an infinity objective, where no photographic lens does its work. */
export interface TubeLensSpec extends Carried {
  kind: 'tubeLens';
  focalMm: number;
  imageCircleMm?: Maybe<number>;
}

export const tubeLens: Kind<TubeLensSpec> = {
  name: 'Tube lens',
  gloss: 'behind an infinity objective',
  shelf: 'adapter',
  place: 'main',
  faces: oneMount,
  through: nothing,
  autofocus: () => false,
  lengthMm: noLength,
  asLens: (part) => ({
    ...primeOf(part, part.focalMm, OPEN_F_NUMBER),
    imageCircleWideMm: part.imageCircleMm,
    detailClass: 'excellent',
  }),
};
