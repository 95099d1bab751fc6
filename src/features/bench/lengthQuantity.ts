import { measured, type Quantity } from '@/core/quantity/quantity';

/** A length as a measured quantity. */
export function lengthQuantity(lengthPx: number, plusMinus: number): Quantity {
  return measured(
    lengthPx,
    'px',
    () => ({
      name: 'Length',
      formula: '|B − A|',
      inputs: [],
      source: 'both ends snapped to where the light passes half of its step; two parallel edges square to themselves',
      neglects: 'Thin tips lose a px or two to blur.',
    }),
    plusMinus,
  );
}
