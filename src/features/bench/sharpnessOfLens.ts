import type { Lens } from '@/contract/schemas/optic';
import type { MeasuredSharpness } from '@/core/chain/lensSharpness';
import { formatFigures } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';

/** One edge's answer about the lens alone. */
export interface LensMeasured {
  focalMm: number;
  fNumber: number;
  lpPerMm: number;
  plusMinus: number;
  corner: boolean;
}

/** Beyond this share of half the diagonal it is the lens's corner that was measured. */
export const CORNER = 0.7;

/** Focal lengths and f-numbers nearer than this are the same, as a share. */
const SAME = 0.02;
const same = (a: number, b: number): boolean => Math.abs(a / b - 1) < SAME;
const kept = (value: number): number => Number(value.toPrecision(3));

/** A lens with what was measured of it; what was known there, in the middle or in the corner, is replaced. */
export function withSharpness(lens: Lens, measured: readonly LensMeasured[]): Lens {
  const rows: MeasuredSharpness[] = [...(lens.sharpness ?? [])];
  for (const { focalMm, fNumber, lpPerMm, plusMinus, corner } of measured) {
    const at = rows.findIndex((row) => same(row.focalMm, focalMm) && same(row.fNumber, fNumber));
    const row = {
      ...(rows[at] ?? { focalMm, fNumber }),
      ...(corner
        ? { lens50CornerLpPerMm: kept(lpPerMm) }
        : { lens50LpPerMm: kept(lpPerMm), plusMinusLpPerMm: kept(plusMinus) }),
    };
    if (at < 0) rows.push(row);
    else rows[at] = row;
  }
  return { ...lens, sharpness: rows.sort((a, b) => a.focalMm - b.focalMm || a.fNumber - b.fNumber) };
}

/** What is known of a lens at a focal length and f-number, in words. */
export function knownOf(
  lens: Lens,
  { focalMm, fNumber, corner }: Pick<LensMeasured, 'focalMm' | 'fNumber' | 'corner'>,
): string {
  const row = lens.sharpness?.find((each) => same(each.focalMm, focalMm) && same(each.fNumber, fNumber));
  const before = corner ? row?.lens50CornerLpPerMm : row?.lens50LpPerMm;
  if (before !== undefined)
    return `So far ${formatFigures(before, 3)} lp/mm was measured at ${showFNumber(fNumber)}${corner ? ', corner' : ''}.`;
  const one = corner ? lens.lens50CornerLpPerMm : lens.lens50LpPerMm;
  return one === undefined
    ? `So far ${lens.name} is only taken to be of the class “${lens.detailClass}” there.`
    : `So far ${formatFigures(one, 3)} lp/mm is entered for ${lens.name}${corner ? ', corner' : ''}, at any f-number.`;
}
