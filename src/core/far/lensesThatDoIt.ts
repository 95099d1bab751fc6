import { misfits } from '../chain/mountPath';
import type { OpticPart, Part } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import { foldSystem, type CropConventionChoice } from '../optics/foldSystem';
import type { Quantity } from '../quantity/quantity';
import { farthestFor, type Wanted } from './whatItTakes';

/** From how far one lens gives the wish. */
export interface LensReach {
  id: string;
  name: string;
  /** As it is engraved, mm: a zoom at its long end. */
  focalMm: number;
  /** Absent where it does so from nowhere. */
  distanceM?: Quantity;
}

export interface Lenses {
  body: BodySpec;
  modeId: string;
  lenses: readonly { id: string; part: OpticPart }[];
  mountAdapters: readonly Extract<Part, { kind: 'mountAdapter' }>[];
  convention?: CropConventionChoice | undefined;
}

/** A lens as it goes on a body: bare, else through the first mount adapter that takes it there. */
function chainOn(body: BodySpec, part: OpticPart, mountAdapters: Lenses['mountAdapters']): Part[] | null {
  if (part.kind !== 'lens' && part.kind !== 'telescope') return null;
  if (misfits(body, [part]).length === 0) return [part];
  const adapter = mountAdapters.find((each) => misfits(body, [part, each]).length === 0);
  return adapter ? [part, adapter] : null;
}

/**
 * From how far each lens would give what is wished for on one body, farthest first. What does not go on the body, or forms no
 * picture there, is left out.
 */
export function lensesThatDoIt(
  wanted: Wanted,
  { body, modeId, lenses, mountAdapters, convention = 'usual' }: Lenses,
): LensReach[] {
  const found = lenses.flatMap(({ id, part }): LensReach[] => {
    const chain = chainOn(body, part, mountAdapters);
    const folded = chain && foldSystem({ body, modeId, chain }, convention);
    if (!folded?.ok) return [];
    const distanceM = farthestFor(wanted, folded.value);
    return [{ id, name: part.name, focalMm: folded.value.markedFocalMm, ...(distanceM ? { distanceM } : {}) }];
  });
  return found.sort((a, b) => (b.distanceM?.value ?? 0) - (a.distanceM?.value ?? 0));
}
