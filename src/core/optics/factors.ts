import type { Arrangement } from '../chain/arrangement';
import { lightOf } from '../chain/fold';
import { computed, given, input, type Quantity } from '../quantity/quantity';

/** A converter, reducer or Barlow that is in the light. */
export interface ActiveFactor {
  name: string;
  factor: number;
  own50LpPerMm: number | undefined;
  /** Its own 50 % frequency is that of its class. */
  byClass: boolean;
}

export const activeFactors = ({ back }: Arrangement): ActiveFactor[] =>
  back.flatMap((part) => {
    const light = lightOf(part);
    return light.does === 'factor'
      ? [
          {
            name: part.name,
            factor: light.factor,
            own50LpPerMm: light.own50LpPerMm,
            byClass: part.lens50LpPerMm === undefined && light.own50LpPerMm !== undefined,
          },
        ]
      : [];
  });

/** Product of the factors in the light. */
export const factorQuantity = (value: number, factors: ActiveFactor[]): Quantity =>
  computed(value, '×', () => ({
    name: 'Factor of converters and reducers',
    formula: factors.length ? factors.map((_, i) => `t${i + 1}`).join(' · ') : '1',
    inputs: factors.map(({ name, factor }, i) => input(`t${i + 1}`, name, given(factor, '×', name))),
    source: factors.length ? 'factors multiply, in whichever order' : 'no converter in the chain',
  }));
