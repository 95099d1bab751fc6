import { formatFigures, formatFixed, formatRatio, withUnit } from './format';
import type { Quantity } from './quantity';
import { metresToFeet, mmToInches, type UnitSystem } from './units';

/** A number as it stands on the screen: digits and unit apart, so that they can be set in different sizes. */
export interface Shown {
  number: string;
  unit: string;
}

/** An error that begins with a smaller number is told to two digits, and its value with it. */
const TWO_DIGITS_BELOW = 3.55;

/** The first digits of a number, from 1 to 10. */
const leadOf = (value: number): number => value / 10 ** Math.floor(Math.log10(value));

/**
 * Significant figures worth showing, from the error where there is one: no false precision, and no rounding that makes two
 * values contradict the difference told between them.
 *
 * @source the usual rule of data tables: two digits of an error below 3.55, one from there on
 */
function figuresFor(value: number, plusMinus: number | undefined, most: number): number {
  if (!plusMinus || value === 0) return most;
  const place = Math.floor(Math.log10(plusMinus));
  const finer = leadOf(plusMinus) < TWO_DIGITS_BELOW ? 1 : 0;
  const figures = Math.floor(Math.log10(Math.abs(value))) - place + 1 + finer;
  return Math.max(2, Math.min(most, figures));
}

/** A value to the figures it is shown with, as a number: pixels and the like, without decimals from 20 on. */
export const roundedAsShown = (value: number, plusMinus: number | undefined): number =>
  Math.abs(value) < 20
    ? Number(value.toPrecision(figuresFor(value, plusMinus, 3)))
    : Math.round(Number(value.toPrecision(figuresFor(value, plusMinus, 7))));

/** Rounds a value that is shown without decimals to what its error allows, keeping whole digits. */
const whole = (value: number, figures: number): string => formatFixed(Number(value.toPrecision(figures)), 0);

/** Focal lengths and other optical lengths stay in mm in both systems, as they are engraved. */
export function showLengthM(metres: number, system: UnitSystem, figures = 3): Shown {
  if (system === 'imperial') {
    const feet = metresToFeet(metres);
    return feet < 1.5
      ? { number: formatFigures(mmToInches(metres * 1000), figures), unit: 'in' }
      : { number: formatFigures(feet, figures), unit: 'ft' };
  }
  if (metres < 0.01) return { number: formatFigures(metres * 1000, figures), unit: 'mm' };
  if (metres < 0.5) return { number: formatFigures(metres * 100, figures), unit: 'cm' };
  return { number: formatFigures(metres, figures), unit: 'm' };
}

/** A length on the subject, entered in mm. */
export function showSubjectMm(mm: number, system: UnitSystem, figures = 3): Shown {
  return system === 'imperial'
    ? { number: formatFigures(mmToInches(mm), figures), unit: 'in' }
    : { number: formatFigures(mm, figures), unit: 'mm' };
}

/** f-numbers are written as on the lens: one decimal, none from f/10 on when it is whole. */
export const showFNumber = (value: number): string => `f/${formatFigures(value, value >= 10 ? 3 : 2)}`;

/** A shutter time as photographers write it: 1/800 s, 0.8 s. */
export const shutterText = (seconds: number): string =>
  (seconds < 0.5 ? `1/${formatFixed(Number((1 / seconds).toPrecision(2)))}` : formatFigures(seconds, 2)) + '\u202fs';

/** Digits and unit of a quantity in the person's unit system. */
export function showQuantity(quantity: Pick<Quantity, 'value' | 'unit' | 'plusMinus'>, system: UnitSystem): Shown {
  const { value, unit, plusMinus } = quantity;
  if (!Number.isFinite(value)) return { number: value > 0 ? '∞' : '–', unit: '' };
  switch (unit) {
    case 'px':
      return {
        number:
          Math.abs(value) < 20
            ? formatFigures(value, figuresFor(value, plusMinus, 3))
            : whole(value, figuresFor(value, plusMinus, 7)),
        unit,
      };
    case 'm':
      return showLengthM(value, system, figuresFor(value, plusMinus, 3));
    case 'f/':
      return { number: showFNumber(value), unit: '' };
    case '%':
      return { number: value < 10 ? formatFigures(value, 2) : whole(value, figuresFor(value, plusMinus, 6)), unit };
    case 'mm':
      return { number: formatFigures(value, 3), unit };
    case 's':
      return value > 0 && value < 0.5
        ? { number: shutterText(value).replace('\u202fs', ''), unit }
        : { number: formatFigures(value, figuresFor(value, plusMinus, value >= 10 ? 3 : 2)), unit };
    case 'g':
      return value >= 1000
        ? { number: formatFigures(value / 1000, 3), unit: 'kg' }
        : { number: formatFixed(value), unit };
    case 'money':
      return { number: formatFixed(value), unit: '' };
    case 'e⁻':
    case '1':
      return {
        number:
          Math.abs(value) >= 100
            ? whole(value, figuresFor(value, plusMinus, 6))
            : formatFigures(value, figuresFor(value, plusMinus, 3)),
        unit: unit === '1' ? '' : unit,
      };
    case 'ISO':
      return { number: `ISO ${formatFixed(Number(value.toPrecision(2)))}`, unit: '' };
    case ':1':
      return { number: formatRatio(value), unit: '' };
    default:
      return { number: formatFigures(value, 3), unit };
  }
}

/** An error to as many figures as it is worth. */
export const roundedError = (plusMinus: number): number =>
  Number(plusMinus.toPrecision(plusMinus > 100 || leadOf(plusMinus) < TWO_DIGITS_BELOW ? 2 : 1));

/** How many of the unit a length or weight is shown in one of its own unit is; null where it is neither. */
function inShownUnit(quantity: Pick<Quantity, 'value' | 'unit' | 'plusMinus'>, system: UnitSystem): number | null {
  if (quantity.unit === 'g') return quantity.value >= 1000 ? 0.001 : 1;
  return shownAs(quantity, showQuantity(quantity, system).unit, system);
}

/** The half-width of an estimate in the same form, or an empty string. */
export function showError(quantity: Pick<Quantity, 'value' | 'unit' | 'plusMinus'>, system: UnitSystem): string {
  if (quantity.plusMinus === undefined || quantity.plusMinus === 0) return '';
  const { plusMinus, unit, value } = quantity;
  // A ratio is written 1 : n, in which a difference reads badly: its error is told in per cent.
  // A short time is written 1/n likewise.
  if (unit === ':1' || (unit === 's' && value > 0 && value < 0.5))
    return `±\u202f${formatFigures((plusMinus / value) * 100, 1)}\u202f%`;
  // In the unit the value is shown in: a length of metres has its error in metres, however small that is.
  const inUnit = unit === 'm' || unit === 'g' ? inShownUnit(quantity, system) : null;
  if (inUnit !== null) return `±\u202f${formatFigures(roundedError(plusMinus * inUnit), 2)}`;
  const shown = showQuantity({ unit, value: roundedError(plusMinus) }, system);
  return `±\u202f${shown.number.replace('f/', '')}`;
}

/** What must be said with a number nobody entered, or with a sum in which something is missing; else nothing. */
export const noteWords = ({ note }: Pick<Quantity, 'note'>): string =>
  note === 'atLeast' ? 'at least' : note === 'assumed' ? 'assumed' : '';

/** Number and unit in one string; a sum in which something is missing says "at least". */
export const quantityText = (
  quantity: Pick<Quantity, 'value' | 'unit' | 'plusMinus' | 'note'>,
  system: UnitSystem,
): string => {
  const shown = showQuantity(quantity, system);
  const text = withUnit(shown.number, shown.unit);
  return quantity.note === 'atLeast' ? `at least ${text}` : text;
};

export const shownText = ({ number, unit }: Shown): string => withUnit(number, unit);

/** Two lengths that belong together, such as width and height, in one unit: that of the longer. */
export function lengthPairText(
  first: Pick<Quantity, 'value' | 'unit' | 'plusMinus'>,
  second: Pick<Quantity, 'value' | 'unit' | 'plusMinus'>,
  system: UnitSystem,
  between: string,
): string {
  const [longer, shorter] = first.value >= second.value ? [first, second] : [second, first];
  const shown = showQuantity(longer, system);
  // What one of the unit shown is, by the same conversion; so that the other is written in it too.
  const each = longer.unit === shorter.unit ? shownAs(longer, shown.unit, system) : null;
  if (each === null) return `${quantityText(first, system)} ${between} ${quantityText(second, system)}`;
  const number = (quantity: Pick<Quantity, 'value'>) => formatFigures(quantity.value * each, 3);
  return `${number(first)} ${between} ${withUnit(number(second), shown.unit)}`;
}

/** How many of a shown unit one of a quantity's own is; null where it is no length. */
function shownAs({ unit }: Pick<Quantity, 'unit'>, shownUnit: string, system: UnitSystem): number | null {
  const inMetres: Partial<Record<string, number>> = {
    m: 1,
    mm: 1000,
    cm: 100,
    ft: metresToFeet(1),
    in: mmToInches(1000),
  };
  const own = unit === 'm' ? 1 : unit === 'mm' ? 0.001 : null;
  const per = inMetres[shownUnit];
  return own === null || per === undefined || (system === 'metric' && (shownUnit === 'ft' || shownUnit === 'in'))
    ? null
    : own * per;
}
