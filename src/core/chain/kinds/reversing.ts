import { oneMount, type Kind } from '../kind';
import type { Carried, Maybe } from './common';

/** Mounts a lens the wrong way round. */
export interface ReversingSpec extends Carried {
  kind: 'reversing';
  lengthMm?: Maybe<number>;
}

const lengthMm = (part: ReversingSpec): number => part.lengthMm ?? 0;

export const reversing: Kind<ReversingSpec> = {
  name: 'Reversing ring',
  gloss: 'lens the wrong way round',
  shelf: 'adapter',
  place: 'back',
  faces: oneMount,
  through: (part) => ({ does: 'turn', ringMm: lengthMm(part) }),
  autofocus: () => false,
  lengthMm,
};
