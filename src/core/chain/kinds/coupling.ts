import { noLength, nothing, thread, type Kind } from '../kind';
import type { Carried } from './common';

/** Couples two lenses front to front; the one towards the subject works as a close-up lens. */
export interface CouplingSpec extends Carried {
  kind: 'coupling';
}

export const coupling: Kind<CouplingSpec> = {
  name: 'Coupling ring',
  gloss: 'two lenses front to front',
  shelf: 'adapter',
  place: 'joint',
  faces: thread,
  through: nothing,
  autofocus: () => false,
  lengthMm: noLength,
};
