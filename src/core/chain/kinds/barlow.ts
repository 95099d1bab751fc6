import { noLength, oneMount, type Kind } from '../kind';
import type { Carried } from './common';

export interface BarlowSpec extends Carried {
  kind: 'barlow';
  factor: number;
}

export const barlow: Kind<BarlowSpec> = {
  name: 'Barlow',
  gloss: 'lengthens a telescope',
  shelf: 'adapter',
  place: 'back',
  loose: true,
  goesWith: (_, main) => main.kind === 'telescope',
  faces: oneMount,
  through: ({ factor, lens50LpPerMm }) => ({ does: 'factor', factor, own50LpPerMm: lens50LpPerMm }),
  autofocus: () => false,
  lengthMm: noLength,
};
