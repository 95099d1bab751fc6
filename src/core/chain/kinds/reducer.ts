import { figures, noLength, type Around, type Check, type Kind } from '../kind';
import { FORMAT_DIAGONAL_MM, FORMAT_WORDS } from '../formats';
import type { Carried, Maybe } from './common';

/** A focal reducer: factor below 1. It can only spread into the corners what the lens throws into `neededCircleMm`. */
export interface ReducerSpec extends Carried {
  kind: 'reducer';
  factor: number;
  neededCircleMm?: Maybe<number>;
  /** Where it changes the mount as well: the lens's side. */
  lensMount?: Maybe<string>;
  autofocus: boolean;
}

/** A circle this little short of the frame is not seen. */
const HAIR = 0.98;

function checks(part: ReducerSpec, { main, circleMm, frameDiagonalMm }: Around): Check[] {
  const { name, neededCircleMm, factor } = part;
  if (neededCircleMm !== undefined && circleMm !== undefined && circleMm < neededCircleMm)
    return [
      {
        code: 'reducer.circle',
        weight: 'caution',
        message: `${name} needs a circle of ${figures(neededCircleMm)} mm in front of it, ${main.name} throws ${figures(circleMm)} mm: the corners stay dark.`,
      },
    ];
  const madeFor = main.kind === 'lens' ? main.madeFor : undefined;
  if (madeFor === undefined || FORMAT_DIAGONAL_MM[madeFor] * factor >= frameDiagonalMm * HAIR) return [];
  return [
    {
      code: 'reducer.format',
      weight: 'caution',
      message: `A reducer gathers what the lens draws into less: ${main.name}, made for ${FORMAT_WORDS[madeFor].toLowerCase()}, then covers ${figures(FORMAT_DIAGONAL_MM[madeFor] * factor)} mm, less than this frame.`,
    },
  ];
}

export const reducer: Kind<ReducerSpec> = {
  name: 'Focal reducer',
  gloss: 'shorter, faster',
  shelf: 'adapter',
  place: 'back',
  loose: true,
  goesWith: (_, main) => main.kind === 'lens' || main.kind === 'telescope',
  faces: ({ mount, lensMount }) => ({ rear: mount, front: lensMount ?? mount }),
  through: ({ factor, lens50LpPerMm }) => ({ does: 'factor', factor, own50LpPerMm: lens50LpPerMm }),
  autofocus: (part) => part.autofocus,
  lengthMm: noLength,
  checks,
};
