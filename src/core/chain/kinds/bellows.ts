import type { Problem } from '../../quantity/result';
import { oneMount, type Kind } from '../kind';
import type { Carried, Maybe } from './common';

/** Bellows: extension that can be set to anything between two lengths. */
export interface BellowsSpec extends Carried {
  kind: 'bellows';
  shortestMm: number;
  longestMm: number;
  /** The extension they are set to in a chain, mm; the shortest when left out. */
  extensionMm?: Maybe<number>;
}

export const bellowsExtensionMm = ({ extensionMm, shortestMm }: BellowsSpec): number => extensionMm ?? shortestMm;

const figures = (value: number): string => String(Number(value.toPrecision(4)));

function fault(part: BellowsSpec): Problem | null {
  const { name, shortestMm, longestMm } = part;
  if (longestMm < shortestMm)
    return {
      code: 'bellows.swapped',
      message: `${name} is longer drawn in than drawn out. Swap the two in the kit.`,
      field: 'chain',
    };
  const set = bellowsExtensionMm(part);
  if (set >= shortestMm - 1e-6 && set <= longestMm + 1e-6) return null;
  return {
    code: 'bellows.range',
    message: `${name} goes from ${figures(shortestMm)} to ${figures(longestMm)} mm, not to ${figures(set)} mm. Set an extension between the two.`,
    field: 'chain',
  };
}

export const bellows: Kind<BellowsSpec> = {
  name: 'Bellows',
  gloss: 'extension set on a rail',
  shelf: 'adapter',
  place: 'back',
  faces: oneMount,
  through: (part) => ({ does: 'extension', mm: bellowsExtensionMm(part) }),
  // No bellows carries the motor's line.
  autofocus: () => false,
  lengthMm: bellowsExtensionMm,
  asUsed: (part, { extensionMm }) => (extensionMm === undefined ? part : { ...part, extensionMm }),
  usedOf: ({ extensionMm }) => (extensionMm === undefined ? undefined : { extensionMm }),
  fault,
};
