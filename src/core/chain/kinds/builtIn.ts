import { oneMount, noLength, nothing, type Kind } from '../kind';
import type { PhotographicLens } from './common';
import { swappedEnds } from './zoomEnds';

/** The fixed lens of a compact or phone camera, with its true focal length; its sensor sets the circle it covers. */
export interface BuiltInSpec extends PhotographicLens {
  kind: 'builtIn';
}

export const builtIn: Kind<BuiltInSpec> = {
  name: 'Built-in lens',
  gloss: 'of a compact or phone camera',
  shelf: 'optic',
  place: 'main',
  faces: oneMount,
  through: nothing,
  autofocus: (part) => part.autofocus,
  lengthMm: noLength,
  asLens: (part) => part,
  fault: swappedEnds,
};
