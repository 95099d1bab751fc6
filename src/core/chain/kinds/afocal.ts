import { noLength, nothing, oneMount, type Kind } from '../kind';
import type { Carried } from './common';

/** Holds a camera with its lens behind an eyepiece. */
export interface AfocalSpec extends Carried {
  kind: 'afocal';
}

export const afocal: Kind<AfocalSpec> = {
  name: 'Afocal adapter',
  gloss: 'camera behind an eyepiece',
  shelf: 'adapter',
  place: 'holder',
  faces: oneMount,
  through: nothing,
  autofocus: () => true,
  lengthMm: noLength,
};
