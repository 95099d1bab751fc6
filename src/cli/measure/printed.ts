/** A measured number as it is printed. */
export interface Printed {
  value: number;
  unit: string;
  plusMinus: number;
}

/** No more digits than the error allows, and a hundredth of it beyond. */
export function rounded(value: number, plusMinus: number): number {
  if (!(plusMinus > 0)) return value;
  const places = Math.max(0, Math.min(12, Math.ceil(-Math.log10(plusMinus)) + 3));
  return Number(value.toFixed(places));
}

export const printed = (value: number, unit: string, plusMinus: number): Printed => ({
  value: rounded(value, plusMinus),
  unit,
  plusMinus: Number(plusMinus.toPrecision(3)),
});

export const place = ([x, y]: readonly [number, number]): [number, number] => [
  Number(x.toFixed(3)),
  Number(y.toFixed(3)),
];

/** A number that is one of many: to a ten-thousandth. */
export const brief = (value: number): number => Number(value.toFixed(4));
