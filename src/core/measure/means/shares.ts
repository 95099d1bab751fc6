import { computed, given, input, type Quantity } from '../../quantity/quantity';

/** Errors of independent parts of a product or quotient, as shares, added as squares. */
export const together = (...shares: (number | undefined)[]): number => Math.hypot(...shares.map((share) => share ?? 0));
export const shareOf = ({ value, plusMinus }: Quantity): number => (plusMinus ?? 0) / Math.abs(value);

/** What a pixel of the picture stands for on the sensor. @param how how it is known, in words */
export const pitchGiven = (pitchUm: number, how: string): Quantity => given(pitchUm, 'µm', 'Pixel pitch', how);

/** How far a measured value is off the expected one, %. */
export function offFrom(found: Quantity, expected: Quantity): Quantity {
  const value = (found.value / expected.value - 1) * 100;
  return computed(
    value,
    '%',
    () => ({
      name: 'Measured against expected',
      formula: '100 · (measured / expected − 1)',
      inputs: [input('measured', 'measured', found), input('expected', 'expected', expected)],
      source: 'definition',
    }),
    100 * together(shareOf(found), shareOf(expected)),
  );
}
