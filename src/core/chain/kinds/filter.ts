import { noLength, thread, type Check, type Kind } from '../kind';
import type { Carried, Maybe } from './common';

/** A filter in front of the lens: grey, polarising, or for the Sun. */
export interface FilterSpec extends Carried {
  kind: 'filter';
  /** Light it swallows, stops. */
  stops: number;
  /** Certified for looking at and photographing the Sun. */
  solar?: Maybe<boolean>;
}

function checks({ name, stops, solar }: FilterSpec): Check[] {
  if (solar)
    return [
      {
        code: 'filter.solar',
        weight: 'note',
        message: `${name} must sit in front of everything. Hold it against the light and look for pinholes before each use; never look through a finder that has no filter of its own.`,
      },
    ];
  return stops >= 9
    ? [
        {
          code: 'filter.notSolar',
          weight: 'caution',
          message: `${name} is no solar filter, however dark it is: it may let through heat and ultraviolet. Do not point at the Sun with it.`,
        },
      ]
    : [];
}

export const filter: Kind<FilterSpec> = {
  name: 'Filter',
  gloss: 'in front; takes light',
  shelf: 'adapter',
  place: 'front',
  loose: true,
  faces: thread,
  through: ({ stops }) => ({ does: 'shade', stops }),
  autofocus: () => true,
  lengthMm: noLength,
  checks,
};
