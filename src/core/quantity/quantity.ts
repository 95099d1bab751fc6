/** Units a quantity can carry. Lengths are stored in the unit named, never converted silently. */
export type Unit =
  | 'mm'
  | 'm'
  | 'µm'
  | 'px'
  | 'MP'
  | 'px/mrad'
  | '°'
  | '″/px'
  | 'lp/mm'
  | 'cycles/mm'
  | 'cycles/px'
  | 'f/'
  | '×'
  | ':1'
  | '%'
  | 'stops'
  | 'ISO'
  | 'e⁻'
  | 'frames/s'
  | 'MB'
  | 'g'
  | 'money'
  | 'px/in'
  | 'px/mm'
  | 'dpt'
  | 's'
  | 'm/s'
  | 'px/s'
  | '″'
  | '″/s'
  | 'h'
  | 'min'
  | 'GB'
  | 'mm²'
  | 'px²'
  | '1';

/** Where a value comes from: typed in, worked out, or measured by the photographer. */
export type Kind = 'given' | 'computed' | 'measured';

/** One input of a derivation: its symbol in the formula, its name, and the quantity itself (which can be asked why in turn). */
export interface WhyInput {
  symbol: string;
  name: string;
  quantity: Quantity;
}

/** Another way of reckoning the same number. Exactly one school of a set is `chosen`. */
export interface School {
  /** Key of the preference this school belongs to, and the value that selects it. */
  preference: string;
  choice: string;
  name: string;
  value: number;
  /** Its own error, where it differs from that of the chosen one. */
  plusMinus?: number | undefined;
  chosen: boolean;
}

/** The derivation of a number: what it is, its formula, the values put in, the source, and what is neglected. */
export interface Why {
  name: string;
  formula: string;
  inputs: WhyInput[];
  source: string;
  neglects?: string;
  schools?: School[];
}

/** A number at the border of the core. `why` is worked out only when it is read. */
export interface Quantity {
  readonly value: number;
  readonly unit: Unit;
  readonly kind: Kind;
  /** Half-width of the range the true value is expected in, same unit; present where the value is an estimate. */
  readonly plusMinus?: number;
  /** What must be said with the number: nobody entered it, or parts of the sum are not known. */
  readonly note?: QuantityNote;
  readonly why: Why;
}

/** `assumed`: usual, not entered. `atLeast`: a sum in which something is missing. */
export type QuantityNote = 'assumed' | 'atLeast';

class LazyQuantity implements Quantity {
  constructor(
    readonly value: number,
    readonly unit: Unit,
    readonly kind: Kind,
    private readonly derive: () => Why,
    readonly plusMinus?: number,
    readonly note?: QuantityNote,
  ) {}

  get why(): Why {
    return this.derive();
  }

  /** Plain JSON: the derivation one level deep, so that a chain of reasons does not unfold without end. */
  toJSON() {
    const why = this.why;
    return {
      value: this.value,
      unit: this.unit,
      kind: this.kind,
      ...(this.plusMinus === undefined ? {} : { plusMinus: this.plusMinus }),
      ...(this.note === undefined ? {} : { note: this.note }),
      why: {
        ...why,
        inputs: why.inputs.map(({ symbol, name, quantity }) => ({
          symbol,
          name,
          value: quantity.value,
          unit: quantity.unit,
          kind: quantity.kind,
        })),
      },
    };
  }
}

/**
 * Makes a computed quantity. `why` is a function, so that a drag which recomputes a whole desk
 * does not build derivations nobody reads.
 */
export function computed(value: number, unit: Unit, why: () => Why, plusMinus?: number, note?: QuantityNote): Quantity {
  return new LazyQuantity(value, unit, 'computed', why, plusMinus, note);
}

/** Makes a quantity the person entered or a data sheet states. */
export function given(value: number, unit: Unit, name: string, source = 'entered', plusMinus?: number): Quantity {
  return new LazyQuantity(value, unit, 'given', () => ({ name, formula: '', inputs: [], source }), plusMinus);
}

/** Makes a quantity nobody entered: what is usual is taken, and said so. */
export function assumed(value: number, unit: Unit, name: string, source: string, plusMinus?: number): Quantity {
  return new LazyQuantity(
    value,
    unit,
    'given',
    () => ({ name, formula: '', inputs: [], source: `assumed: ${source}` }),
    plusMinus,
    'assumed',
  );
}

/** Makes a quantity the person measured; it replaces the estimate of the same thing. */
export function measured(value: number, unit: Unit, why: () => Why, plusMinus?: number): Quantity {
  return new LazyQuantity(value, unit, 'measured', why, plusMinus);
}

/** The same number with the ways of reckoning it that one may choose from. */
export function withSchools(quantity: Quantity, schools: School[]): Quantity {
  const { value, unit, kind, plusMinus, note } = quantity;
  return new LazyQuantity(value, unit, kind, () => ({ ...quantity.why, schools }), plusMinus, note);
}

/** Shorthand for an input of a derivation. */
export const input = (symbol: string, name: string, quantity: Quantity): WhyInput => ({ symbol, name, quantity });
