import { noLength, thread, type Kind } from '../kind';
import type { Carried } from './common';

/** A close-up lens screwed to the front; several can be stacked. */
export interface CloseUpSpec extends Carried {
  kind: 'closeUp';
  dioptres: number;
}

export const closeUp: Kind<CloseUpSpec> = {
  name: 'Close-up lens',
  gloss: 'in front, in dioptres',
  shelf: 'adapter',
  place: 'front',
  loose: true,
  faces: thread,
  through: ({ dioptres, lens50LpPerMm }) => ({ does: 'power', dioptres, own50LpPerMm: lens50LpPerMm }),
  autofocus: () => true,
  lengthMm: noLength,
};
