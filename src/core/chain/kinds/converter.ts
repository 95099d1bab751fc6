import { noLength, oneMount, type Around, type Check, type Kind } from '../kind';
import type { Carried } from './common';

/** A teleconverter: factor above 1. */
export interface ConverterSpec extends Carried {
  kind: 'converter';
  factor: number;
  autofocus: boolean;
}

function checks(part: ConverterSpec, { main, back }: Around): Check[] {
  if (main.kind !== 'lens' || back[0] !== part || main.takesConverters === true) return [];
  return main.takesConverters === false
    ? [
        {
          code: 'converter.touches',
          weight: 'stop',
          message: `${part.name} does not go in behind ${main.name}: its front would touch the rear element.`,
        },
      ]
    : [
        {
          code: 'converter.unknown',
          weight: 'caution',
          message: `Whether ${part.name} touches the rear element of ${main.name} is not known. Look before you screw it in; enter it with the lens when you know.`,
        },
      ];
}

export const converter: Kind<ConverterSpec> = {
  name: 'Converter',
  gloss: 'longer, slower',
  shelf: 'adapter',
  place: 'back',
  loose: true,
  goesWith: (_, main) => main.kind === 'lens' && main.takesConverters !== false,
  faces: oneMount,
  through: ({ factor, lens50LpPerMm }) => ({ does: 'factor', factor, own50LpPerMm: lens50LpPerMm }),
  autofocus: (part) => part.autofocus,
  lengthMm: noLength,
  checks,
};
