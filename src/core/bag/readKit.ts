import { verdictOf, type Verdict } from '../output/verdict';
import { visitSetups } from './assemble';
import type { Kit } from './pieces';
import { fold, isHopeless, serve, type CountBy, type Served, type Want } from './serve';

/** The verdict on what a set-up gives: borderline where its error reaches across the need. */
export const servedVerdict = ({ counted, plusMinus, needed }: Served): Verdict => verdictOf(counted, needed, plusMinus);

export const isEnough = ({ counted, needed }: Served): boolean => counted >= needed;

/** Whether a picture is reached for certain, with the error of its count taken off. */
export const isCertain = (served: Served): boolean => isEnough(served) && servedVerdict(served) !== 'borderline';

/** How many times what is needed. */
export const spareOf = ({ counted, needed }: Served): number => counted / needed;

/** The one with more to spare. */
export const better = (a: Served | null, b: Served): Served => (a === null || spareOf(b) > spareOf(a) ? b : a);

/** The set-ups of a kit on every want. */
export interface ReadKit {
  /** For each want what the set-ups give that can take it, enough or not. */
  read: Served[][];
  best: (Served | null)[];
  /** Set-ups that were tried. */
  tried: number;
}

export interface ReadHow {
  /** Ids of what is in the bag: what is put together of it is read even where fewer pieces would be enough. */
  carried?: ReadonlySet<string> | undefined;
  /** What a set-up weighs, g; given, one is left out that is heavier than a bag which reaches everything. */
  weightOf?: ((ids: readonly string[]) => number) | undefined;
  /** Told from 0 to 1. */
  onProgress?: ((share: number) => void) | undefined;
}

/** So many pieces are put to an optic of the bag though it is enough without: to leave them on may save a swap. */
const LEFT_ON = 4;

/** Which wants sets of pieces reach, in whatever way they are put together. */
class Reached {
  private readonly known = new Map<string, Set<number>>();

  /** Wants these pieces reach, or fewer of them, as far as that was read. */
  by(ids: readonly string[]): Set<number> {
    const sorted = [...ids].sort();
    const key = sorted.join();
    const own = this.known.get(key) ?? new Set<number>();
    for (const left of sorted)
      for (const want of this.known.get(sorted.filter((id) => id !== left).join()) ?? []) own.add(want);
    this.known.set(key, own);
    return own;
  }
}

/**
 * Reads the set-ups that can be put together from a kit on every want, however many pieces they take. A set-up is left out for
 * what some of its pieces reach without the others: no bag is lighter by it.
 */
export function readKit(
  kit: Kit,
  wants: readonly Want[],
  by: CountBy = {},
  { carried, weightOf, onProgress }: ReadHow = {},
): ReadKit {
  const read = wants.map((): Served[] => []);
  const best = wants.map((): Served | null => null);
  const reached = new Reached();
  const lightest = wants.map(() => Infinity);
  let tried = 0;
  // All wants by the lightest set-up of each: no bag needs to weigh more.
  const tooHeavy = (ids: readonly string[]): boolean =>
    weightOf !== undefined && weightOf(ids) > lightest.reduce((sum, each) => sum + each, 0);
  visitSetups(
    kit,
    (setup) => {
      const reachedHere = reached.by(setup.ids);
      const leftOn = setup.added <= LEFT_ON && carried !== undefined && setup.ids.every((id) => carried.has(id));
      if ((reachedHere.size === wants.length && !leftOn) || tooHeavy(setup.ids)) return false;
      tried += 1;
      const system = fold(setup, by);
      if (!system) return true;
      wants.forEach((want, i) => {
        const served = leftOn || !reachedHere.has(i) ? serve(setup, system, want, by) : null;
        if (!served) return;
        best[i] = better(best[i]!, served);
        read[i]!.push(served);
        if (!isEnough(served)) return;
        reachedHere.add(i);
        if (weightOf) lightest[i] = Math.min(lightest[i]!, weightOf(setup.ids));
      });
      return (
        (leftOn && setup.added < LEFT_ON) || wants.some((want, i) => !reachedHere.has(i) && !isHopeless(system, want))
      );
    },
    onProgress,
  );
  onProgress?.(1);
  return { read, best, tried };
}
