import { computed, given, input, type Quantity } from '../quantity/quantity';

/** Adds up what was entered of weights or prices, and says what is missing from the sum. */
export function carriedSum(
  name: string,
  unit: 'g' | 'money',
  parts: { name: string; value: number | undefined }[],
): Quantity | undefined {
  const known = parts.filter((part): part is { name: string; value: number } => part.value !== undefined);
  if (known.length === 0) return undefined;
  const missing = parts.filter((part) => part.value === undefined).map((part) => part.name);
  return computed(
    known.reduce((sum, part) => sum + part.value, 0),
    unit,
    () => ({
      name,
      formula: known.map((_, i) => `w${i + 1}`).join(' + '),
      inputs: known.map((part, i) => input(`w${i + 1}`, part.name, given(part.value, unit, part.name))),
      source: 'sum of the parts',
      ...(missing.length ? { neglects: `Not entered, so not counted: ${missing.join(', ')}.` } : {}),
    }),
    undefined,
    missing.length ? 'atLeast' : undefined,
  );
}
