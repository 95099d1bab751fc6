import type { Problem } from '../../quantity/result';
import type { PhotographicLens } from './common';

/** A zoom with its ends swapped is no lens anyone can set. */
export const swappedEnds = ({ name, focalWideMm, focalTeleMm }: PhotographicLens): Problem | null =>
  focalTeleMm < focalWideMm
    ? {
        code: 'focal.swapped',
        message: `${name} has its longest focal length below its shortest. Swap the two in the kit.`,
        field: 'chain',
      }
    : null;
