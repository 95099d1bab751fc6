import { CLASS_LENS50_LP_PER_MM, type DetailClass } from './lens50';

/** How sharp a lens was found to be at one focal length and f-number: its own 50 % frequencies, all else divided out. */
export interface MeasuredSharpness {
  focalMm: number;
  fNumber: number;
  lens50LpPerMm?: number | undefined;
  plusMinusLpPerMm?: number | undefined;
  lens50CornerLpPerMm?: number | undefined;
}

/** What is known of a lens's sharpness. */
export interface SharpnessKnown {
  lens50LpPerMm?: number | undefined;
  sharpness?: MeasuredSharpness[] | undefined;
  /** Only where nothing else is known. */
  detailClass: DetailClass;
}

/** A row with its middle. */
type Row = MeasuredSharpness & { lens50LpPerMm: number };

/** Sharpness in the middle at a focal length and f-number, from the rows on either side. */
export interface SharpnessAt {
  lpPerMm: number;
  plusMinus: number;
  below: Row;
  above: Row;
  /** Share of the way from one to the other, in stops. */
  share: number;
}

/** What was measured at a focal length counts for those this near to it, as a factor; it is one focal length within the second. */
const NEAR = 1.25;
const ONE_FOCAL = 1.02;
/** How much less is known a stop, or a doubling of the focal length, away from what was measured. */
const OFF_PER_STOP = 0.05;
const OFF_PER_DOUBLING = 0.2;

const apart = (a: number, b: number): number => Math.abs(Math.log(a / b));

/**
 * How sharp the lens was measured to be there: of the nearest focal length, between two f-numbers evenly in the logarithm of
 * both, beyond them as at that end.
 *
 * @returns nothing where nothing was measured near enough
 */
export function sharpnessAt(rows: readonly MeasuredSharpness[], focalMm: number, fNumber: number): SharpnessAt | null {
  const known = rows.filter((row): row is Row => row.lens50LpPerMm !== undefined);
  const nearest = known.reduce((best, row) => Math.min(best, apart(row.focalMm, focalMm)), Infinity);
  if (nearest > Math.log(NEAR)) return null;
  const own = known.find((row) => apart(row.focalMm, focalMm) === nearest)!.focalMm;
  const here = known
    .filter((row) => apart(row.focalMm, own) <= Math.log(ONE_FOCAL))
    .sort((a, b) => a.fNumber - b.fNumber) as [Row, ...Row[]];
  const above = here.find((row) => row.fNumber >= fNumber) ?? here[here.length - 1]!;
  const below = here.findLast((row) => row.fNumber <= fNumber) ?? here[0];
  const share =
    above.fNumber === below.fNumber ? 0 : Math.log(fNumber / below.fNumber) / Math.log(above.fNumber / below.fNumber);
  const lpPerMm = below.lens50LpPerMm * (above.lens50LpPerMm / below.lens50LpPerMm) ** share;
  const stopsOff = (2 * Math.min(apart(fNumber, below.fNumber), apart(fNumber, above.fNumber))) / Math.LN2;
  const errorOf = ({ plusMinusLpPerMm = 0, lens50LpPerMm }: Row) => plusMinusLpPerMm / lens50LpPerMm;
  const off =
    Math.max(errorOf(below), errorOf(above)) + OFF_PER_STOP * stopsOff + (OFF_PER_DOUBLING * nearest) / Math.LN2;
  return { lpPerMm, plusMinus: lpPerMm * off, below, above, share };
}

/** Where a lens is used: as its sharpness differs there. */
export interface SetTo {
  focalMm: number;
  fNumber: number;
}

/** 50 % frequency of a lens in lp/mm: as measured there, else its own, else the default of its class. */
export function lens50Of(lens: SharpnessKnown, at?: SetTo): number {
  const measured = at && lens.sharpness?.length ? sharpnessAt(lens.sharpness, at.focalMm, at.fNumber) : null;
  return measured?.lpPerMm ?? lens.lens50LpPerMm ?? CLASS_LENS50_LP_PER_MM[lens.detailClass];
}
