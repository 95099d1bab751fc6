import { nothing, noLength, type Around, type Check, type Kind } from '../kind';
import { CLASS_LENS50_LP_PER_MM, type DetailClass } from '../lens50';
import type { Carried, Maybe } from './common';

/** A converter built into a lens and switched in and out by a lever. */
export interface InnerConverterSpec extends Carried {
  kind: 'innerConverter';
  factor: number;
  /** How well it draws, when its 50 % frequency is not known. */
  detailClass: DetailClass;
  /** Name of the lens it is built into. */
  builtInto?: Maybe<string>;
  /** Whether it is in the light; in when left out. */
  switchedIn?: Maybe<boolean>;
}

/**
 * A converter bends light that the lens has gathered already, at small angles: it draws about twice as fine as a lens of
 * the same class. Good to about a fifth, as classes are.
 */
const FINER_THAN_A_LENS = 2;
export const innerConverter50LpPerMm = ({ lens50LpPerMm, detailClass }: InnerConverterSpec): number =>
  lens50LpPerMm ?? FINER_THAN_A_LENS * CLASS_LENS50_LP_PER_MM[detailClass];

const plain = (text: string): string => text.trim().toLowerCase();

function checks({ name, builtInto }: InnerConverterSpec, { main }: Around): Check[] {
  if (builtInto === undefined || plain(builtInto) === plain(main.name)) return [];
  return [
    {
      code: 'converter.builtIn',
      weight: 'stop',
      message: `${name} is built into ${builtInto} and does not come out: it cannot work behind ${main.name}.`,
    },
  ];
}

export const innerConverter: Kind<InnerConverterSpec> = {
  name: 'Built-in converter',
  gloss: 'inside a lens, switched in and out',
  shelf: 'adapter',
  place: 'back',
  goesWith: ({ builtInto }, main) => builtInto !== undefined && plain(builtInto) === plain(main.name),
  // It shows no mount: what is behind it meets the lens itself.
  faces: () => ({ rear: undefined, front: undefined }),
  through: (part) =>
    part.switchedIn === false
      ? nothing()
      : { does: 'factor', factor: part.factor, own50LpPerMm: innerConverter50LpPerMm(part) },
  autofocus: () => true,
  lengthMm: noLength,
  asUsed: (part, { switchedIn }) => (switchedIn === undefined ? part : { ...part, switchedIn }),
  usedOf: ({ switchedIn }) => (switchedIn === undefined ? undefined : { switchedIn }),
  checks,
};
