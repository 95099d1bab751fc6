import { computed, given, input, measured, type Quantity } from '../quantity/quantity';

/** How long a person held a focal length still, as a series by hand told. */
export interface HeldLimit {
  limitS: number;
  plusMinus: number;
  focalMm: number;
  /** Whether a stabiliser was at work. */
  stabilised: boolean;
  measuredAt: string;
}

/** A limit holds for focal lengths this near to the one it was measured at, as a factor. */
const NEAR = 1.5;

/** Names the limit is kept under in the Book. */
export const HELD_NAMES = { plain: 'Longest time held', stabilised: 'Longest time held, stabilised' } as const;

/** A kept measurement, as far as it tells of the hand. */
interface Kept {
  asked: string;
  found: readonly { name: string; value: number; unit: string; plusMinus?: number | undefined }[];
  measuredAt: string;
}

/** The limits among what was kept in the Book. */
export function heldLimits(kept: readonly Kept[]): HeldLimit[] {
  return kept.flatMap(({ asked, found, measuredAt }) => {
    if (asked !== 'shake') return [];
    const limit = found.find(({ name }) => name === HELD_NAMES.plain || name === HELD_NAMES.stabilised);
    const focal = found.find(({ unit }) => unit === 'mm');
    if (!limit || !focal) return [];
    const { value: limitS, plusMinus = 0, name } = limit;
    return [{ limitS, plusMinus, focalMm: focal.value, stabilised: name === HELD_NAMES.stabilised, measuredAt }];
  });
}

/**
 * A person's own limit at a focal length, in the place of the customary one: the nearest that was measured, of equally near
 * ones the newest, longer or shorter as the focal lengths differ.
 *
 * @param stabilised whether the body in hand has a stabiliser
 * @returns nothing where none was measured near enough
 * @source the hand turns by the same angle a second, so that the time goes with 1/f
 */
export function ownHold(limits: readonly HeldLimit[], focalMm: number, stabilised: boolean): Quantity | null {
  const far = (limit: HeldLimit) => Math.abs(Math.log(limit.focalMm / focalMm));
  const [own] = limits
    .filter((limit) => limit.stabilised === stabilised && far(limit) <= Math.log(NEAR))
    .sort((a, b) => far(a) - far(b) || b.measuredAt.localeCompare(a.measuredAt));
  if (!own) return null;
  const share = own.focalMm / focalMm;
  return computed(
    own.limitS * share,
    's',
    () => ({
      name: 'Hand-hold limit, measured',
      formula: 't · f₁ / f',
      inputs: [
        input(
          't',
          'longest time held',
          measured(
            own.limitS,
            's',
            () => ({
              name: HELD_NAMES[stabilised ? 'stabilised' : 'plain'],
              formula: '',
              inputs: [],
              source: 'your own series on the Bench: four of five frames sharp',
            }),
            own.plusMinus,
          ),
        ),
        input('f₁', 'measured at', given(own.focalMm, 'mm', 'Focal length of the series', 'the series')),
        input('f', 'focal length', given(focalMm, 'mm', 'Focal length', 'as set')),
      ],
      source: 'your hand turns by the same angle a second',
      neglects: 'How you stand, and what shakes you.',
    }),
    own.plusMinus * share,
  );
}
