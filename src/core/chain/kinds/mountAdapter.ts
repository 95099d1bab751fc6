import { type Kind } from '../kind';
import type { Carried } from './common';

/** Between a lens of one mount and a body of another. `mount` is the body's side. */
export interface MountAdapterSpec extends Carried {
  kind: 'mountAdapter';
  lensMount: string;
  addsMm: number;
  autofocus: boolean;
}

export const mountAdapter: Kind<MountAdapterSpec> = {
  name: 'Mount adapter',
  gloss: 'one mount onto another',
  shelf: 'adapter',
  place: 'back',
  faces: ({ mount, lensMount }) => ({ rear: mount, front: lensMount }),
  through: ({ addsMm }) => ({ does: 'flange', mm: addsMm }),
  autofocus: (part) => part.autofocus,
  lengthMm: ({ addsMm }) => addsMm,
};
