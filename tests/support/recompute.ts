import type { Quantity } from '@/core/quantity/quantity';

/** What a formula is worked out from: a value by the symbol it has in the derivation. */
export type Inputs = (symbol: string) => number;
/** A formula written out again, independently of the code that made the number. */
export type Formula = (at: Inputs, quantity: Quantity) => number;

export const isQuantity = (value: unknown): value is Quantity =>
  typeof value === 'object' && value !== null && 'why' in value && 'unit' in value;

/** The quantities of a reading or system, by name. */
export function quantitiesOf(reading: object): [string, Quantity][] {
  return Object.entries(reading).filter((entry): entry is [string, Quantity] => isQuantity(entry[1]));
}

/** The inputs of a quantity by symbol; a symbol that is not there is a fault of the derivation. */
export function inputsOf(quantity: Quantity): Inputs {
  return (symbol) => {
    const found = quantity.why.inputs.find((each) => each.symbol === symbol);
    const known = quantity.why.inputs.map((each) => each.symbol).join(', ');
    if (!found) throw new Error(`${quantity.why.name} is not worked out from “${symbol}”, only from ${known}`);
    return found.quantity.value;
  };
}

/** Whether a quantity has an input of that symbol. */
export const has = (quantity: Quantity, symbol: string): boolean =>
  quantity.why.inputs.some((each) => each.symbol === symbol);

/**
 * Works every number of a reading out again from the inputs its own derivation names, by a formula written in the test. A
 * number without a formula, or a formula without its number, fails: nothing passes by not being looked at.
 */
export function expectRecomputed(reading: object, formulas: Record<string, Formula>, leftOut: readonly string[] = []) {
  const seen = quantitiesOf(reading).filter(([name]) => !leftOut.includes(name));
  expect(seen.length).toBeGreaterThan(0);
  for (const [name, quantity] of seen) {
    const formula = formulas[name];
    if (!formula) throw new Error(`no formula is written for ${name}`);
    const expected = formula(inputsOf(quantity), quantity);
    const off = Math.abs(quantity.value - expected);
    if (!(off <= 1e-6 * Math.max(Math.abs(expected), 1e-12))) {
      throw new Error(`${name} is ${quantity.value}, but its own inputs give ${expected} (${quantity.why.formula})`);
    }
    expect(quantity.why.name).not.toBe('');
    expect(quantity.why.source).not.toBe('');
  }
}

/** Every unit a name promises: "…Mm" is in mm, "…M" in m and so on. */
const UNIT_OF_NAME: [RegExp, string][] = [
  [/(LpPerMm)$/, 'lp/mm'],
  [/(PxPerMrad)$/, 'px/mrad'],
  [/(PxPerS)$/, 'px/s'],
  [/(MPerS)$/, 'm/s'],
  [/(Mm)$/, 'mm'],
  [/(Um)$/, 'µm'],
  [/(Deg)$/, '°'],
  [/([a-z]M)$/, 'm'],
  [/([a-z0-9]S)$/, 's'],
  [/(FNumber)$|^fNumber$/, 'f/'],
  [/(Px)$/, 'px'],
  [/(Stops)$/, 'stops'],
  [/(egapixels)$/, 'MP'],
];

/** A quantity has the unit its name says. */
export function expectNamedUnits(reading: object): void {
  const seen = quantitiesOf(reading);
  expect(seen.length).toBeGreaterThan(0);
  for (const [name, quantity] of seen) {
    const unit = UNIT_OF_NAME.find(([pattern]) => pattern.test(name))?.[1];
    if (unit !== undefined) expect([name, quantity.unit]).toEqual([name, unit]);
  }
}
