/** How long a person held a focal length still, as a series by hand told. */
export interface HeldLimit {
  limitS: number;
  plusMinus: number;
  focalMm: number;
  /** Whether a stabiliser was at work. */
  stabilised: boolean;
  measuredAt: string;
}

/** Names the limit is kept under in the Book. */
export const HELD_NAMES = { plain: 'Longest time held', stabilised: 'Longest time held, stabilised' } as const;

/** A kept measurement, as far as it tells of the hand. */
interface Kept {
  asked: string;
  found: readonly { name: string; value: number; unit: string; plusMinus?: number | undefined }[];
  measuredAt: string;
}

/** The limits among what was kept in the Book, each with what else was kept with it. */
export function heldLimits<K extends Kept>(kept: readonly K[]): (HeldLimit & { kept: K })[] {
  return kept.flatMap((each) => {
    const { asked, found, measuredAt } = each;
    if (asked !== 'shake') return [];
    const limit = found.find(({ name }) => name === HELD_NAMES.plain || name === HELD_NAMES.stabilised);
    const focal = found.find(({ unit }) => unit === 'mm');
    if (!limit || !focal) return [];
    const { value: limitS, plusMinus = 0, name } = limit;
    return [
      { limitS, plusMinus, focalMm: focal.value, stabilised: name === HELD_NAMES.stabilised, measuredAt, kept: each },
    ];
  });
}
