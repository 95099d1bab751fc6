import type { CameraLens, Part } from '@/core/chain/parts';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';

/** A fact about a part: its name and its value in words. */
export type Fact = readonly [name: string, value: string];

export const unit = (value: number | undefined, sign: string, figures = 4): string | null =>
  value === undefined ? null : `${formatFigures(value, figures)}\u202f${sign}`;
export const yesNo = (value: boolean | undefined): string | null => (value === undefined ? null : value ? 'yes' : 'no');
export const keep = (facts: (readonly [string, string | null | undefined])[]): Fact[] =>
  facts.filter((fact): fact is Fact => fact[1] !== null && fact[1] !== undefined && fact[1] !== '');

export function carried(part: {
  maker?: string | undefined;
  mount?: string | undefined;
  weightG?: number | undefined;
  price?: number | undefined;
  note?: string | undefined;
}): Fact[] {
  return keep([
    ['Maker', part.maker],
    ['Mount', part.mount],
    ['Weight', part.weightG === undefined ? null : `${formatFixed(part.weightG)}\u202fg`],
    ['Price', part.price === undefined ? null : formatFixed(part.price)],
    ['Note', part.note],
  ]);
}

export const mm = (value: number): string => `${formatFigures(value)}\u202fmm`;
export const range = (low: number, high: number): string =>
  high > low ? `${formatFigures(low, 4)}–${formatFigures(high, 4)}` : formatFigures(low, 4);
export const length = (metres: number | undefined, units: UnitSystem): string | null =>
  metres === undefined ? null : shownText(showLengthM(metres, units));
export const frequencyFact = ({ lens50LpPerMm }: Pick<Part, 'lens50LpPerMm'>): readonly [string, string | null] => [
  '50 % frequency',
  unit(lens50LpPerMm, 'lp/mm'),
];

/** A lens in a line: its focal lengths and widest apertures. */
export function photographicBrief(part: CameraLens): string {
  const zoom = part.focalTeleMm > part.focalWideMm && part.fNumberTele !== part.fNumberWide;
  const apertures = zoom
    ? `${showFNumber(part.fNumberWide)} to ${showFNumber(part.fNumberTele)}`
    : showFNumber(part.fNumberWide);
  return `${range(part.focalWideMm, part.focalTeleMm)}\u202fmm, ${apertures}`;
}

/** What is entered of any lens one can take a picture with. */
export function photographicFacts(part: CameraLens, units: UnitSystem): Fact[] {
  const zoom = part.focalTeleMm > part.focalWideMm;
  return keep([
    ['Focal length', `${range(part.focalWideMm, part.focalTeleMm)}\u202fmm`],
    [
      'Widest aperture',
      zoom ? `${showFNumber(part.fNumberWide)} to ${showFNumber(part.fNumberTele)}` : showFNumber(part.fNumberWide),
    ],
    ['Smallest aperture', part.fNumberSmallest === undefined ? null : showFNumber(part.fNumberSmallest)],
    ['Entrance pupil', `${mm(part.focalTeleMm / part.fNumberTele)}${zoom ? ' at the long end' : ''}`],
    ['Closest focus', length(part.closestFocusM, units)],
    ['Ratio there', part.closestRatio === undefined ? null : formatRatio(part.closestRatio)],
    [
      'Image circle',
      part.imageCircleWideMm === undefined
        ? null
        : `${formatFigures(part.imageCircleWideMm)}${part.imageCircleTeleMm === undefined ? '' : ` to ${formatFigures(part.imageCircleTeleMm)}`}\u202fmm`,
    ],
    ['50 % frequency', unit(part.lens50LpPerMm, 'lp/mm') ?? `class “${part.detailClass}”`],
    ['… in the corner', unit(part.lens50CornerLpPerMm, 'lp/mm')],
    ...(part.sharpness ?? []).map(({ focalMm, fNumber, lens50LpPerMm, lens50CornerLpPerMm }): [string, string] => [
      `… measured at ${mm(focalMm)}, ${showFNumber(fNumber)}`,
      [
        unit(lens50LpPerMm, 'lp/mm'),
        lens50CornerLpPerMm === undefined ? null : `corner ${unit(lens50CornerLpPerMm, 'lp/mm')}`,
      ]
        .filter(Boolean)
        .join(', '),
    ]),
    ['Autofocus', yesNo(part.autofocus)],
  ]);
}
