import { oneMount, noLength, nothing, type Check, type Kind } from '../kind';
import type { FormatName, LensDesign, Maybe, PhotographicLens } from './common';
import { swappedEnds } from './zoomEnds';

/** A photographic lens. A prime has equal focal lengths at both ends. */
export interface LensSpec extends PhotographicLens {
  kind: 'lens';
  design?: Maybe<LensDesign>;
  /** Diameter of a mirror lens's central obstruction ÷ diameter of its opening. */
  obstructionShare?: Maybe<number>;
  /** It has one aperture and cannot be stopped down. */
  fixedAperture?: Maybe<boolean>;
  stabiliserStops?: Maybe<number>;
  /** From the mount's face to the front, mm. */
  lengthMm?: Maybe<number>;
  /** Flange distance it was made for, mm. */
  flangeMm?: Maybe<number>;
  madeFor?: Maybe<FormatName>;
  /** Whether a converter's front goes in behind it without touching its rear element. */
  takesConverters?: Maybe<boolean>;
}

function checks({ name, fixedAperture, design }: LensSpec): Check[] {
  return [
    ...(fixedAperture
      ? [
          {
            code: 'aperture.fixed',
            weight: 'note' as const,
            message: `${name} has one aperture: it cannot be stopped down.`,
          },
        ]
      : []),
    ...(design === 'mirror'
      ? [{ code: 'blur.ring', weight: 'note' as const, message: 'A mirror lens draws blurred lights as rings.' }]
      : []),
  ];
}

export const lens: Kind<LensSpec> = {
  name: 'Lens',
  gloss: 'prime or zoom, mirror, macro',
  shelf: 'optic',
  place: 'main',
  faces: oneMount,
  through: nothing,
  autofocus: (part) => part.autofocus,
  lengthMm: noLength,
  asLens: (part) => part,
  fault: swappedEnds,
  checks,
};
