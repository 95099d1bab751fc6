import type { Problem } from '../../quantity/result';
import { oneMount, type Kind } from '../kind';
import type { Carried, Maybe } from './common';

/** Extension tubes: a set of which any sum can be used. */
export interface TubesSpec extends Carried {
  kind: 'tubes';
  lengthsMm: number[];
  /** The tubes of the set that are in the chain; all when left out. */
  usedMm?: Maybe<number[]>;
  autofocus: boolean;
}

/** Length of the tubes of a set that are in the chain, mm. */
export const tubesLengthMm = (tubes: TubesSpec): number =>
  (tubes.usedMm ?? tubes.lengthsMm).reduce((sum, length) => sum + length, 0);

/** Tubes that are said to be used but are not in the set, each as often as it is too many. */
export function tubesNotInSet(usedMm: readonly number[], lengthsMm: readonly number[]): number[] {
  const left = [...lengthsMm];
  return usedMm.filter((used) => {
    const at = left.findIndex((length) => Math.abs(length - used) < 1e-6);
    if (at >= 0) left.splice(at, 1);
    return at < 0;
  });
}

function fault({ name, usedMm, lengthsMm }: TubesSpec): Problem | null {
  const missing = usedMm ? tubesNotInSet(usedMm, lengthsMm) : [];
  if (!missing.length) return null;
  return {
    code: 'tubes.notInSet',
    message: `${name} has no tube of ${missing.join(' or ')} mm. Choose among those of the set.`,
    field: 'chain',
  };
}

export const tubes: Kind<TubesSpec> = {
  name: 'Extension tubes',
  gloss: 'a set; any sum of them',
  shelf: 'adapter',
  place: 'back',
  loose: true,
  faces: oneMount,
  through: (part) => ({ does: 'extension', mm: tubesLengthMm(part) }),
  autofocus: (part) => part.autofocus,
  lengthMm: tubesLengthMm,
  asUsed: (part, { tubesMm }) => (tubesMm === undefined ? part : { ...part, usedMm: tubesMm }),
  usedOf: ({ usedMm }) => (usedMm === undefined ? undefined : { tubesMm: usedMm }),
  fault,
};
