import type { Arrangement } from '../chain/arrangement';
import { lens50Of, type MainLens } from '../chain/asLens';
import { lightInFront, type FoldedOptics } from '../chain/fold';
import { CLASS_UNCERTAINTY } from '../chain/lens50';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { ActiveFactor } from './factors';

/** Parts in front of the lens that have a response of their own, with it, in the order in which they are folded. */
function frontResponses({ front }: Arrangement): [string, number][] {
  return [...front].reverse().flatMap((part): [string, number][] => {
    const light = lightInFront(part);
    const own = light.does === 'power' || light.does === 'afocal' ? light.own50LpPerMm : undefined;
    return own === undefined ? [] : [[part.kind === 'coupled' ? part.lens.name : part.name, own]];
  });
}

/**
 * 50 % frequency of everything in front of the sensor, lp/mm.
 *
 * @source 1/ν² = (t/ν₁)² + 1/ν₂²; a class is good to a fifth, of the lens as of a converter known by its class only
 */
export function opticsResponse(
  arrangement: Arrangement,
  { state }: FoldedOptics,
  lens: MainLens,
  factors: ActiveFactor[],
): Quantity {
  const knownByClass = lens.lens50LpPerMm === undefined;
  const bare50 = lens50Of(lens);
  const lens50 = state.lens50LpPerMm;
  const bare = knownByClass
    ? given(
        bare50,
        'lp/mm',
        '50 % frequency of the lens',
        `default of the class “${lens.detailClass}”`,
        bare50 * CLASS_UNCERTAINTY,
      )
    : given(bare50, 'lp/mm', '50 % frequency of the lens', 'lens data');
  const inFront = frontResponses(arrangement);
  // A converter's own share of the blur, through which the error of its class comes in.
  const fromFactors = factors.reduce(
    (sum, { byClass, own50LpPerMm }) => sum + (byClass && own50LpPerMm ? (lens50 / own50LpPerMm) ** 2 : 0),
    0,
  );
  const share = knownByClass ? 1 : fromFactors;
  return computed(
    lens50,
    'lp/mm',
    () => ({
      name: '50 % frequency of the optics',
      formula: factors.length
        ? '1 / √((t/ν)² + 1/ν₂²), for each converter'
        : inFront.length
          ? '1 / √(1/ν² + 1/ν₃²)'
          : 'ν',
      inputs: [
        input('ν', 'of the lens', bare),
        ...inFront.map(([name, own]) => input('ν₃', `of ${name}`, given(own, 'lp/mm', name))),
        ...factors.flatMap(({ name, factor, own50LpPerMm }) => [
          input('t', name, given(factor, '×', name)),
          ...(own50LpPerMm === undefined ? [] : [input('ν₂', `of ${name}`, given(own50LpPerMm, 'lp/mm', name))]),
        ]),
      ],
      source: 'Gaussian responses multiply; a converter spreads what the lens drew',
      ...(factors.some(({ own50LpPerMm }) => own50LpPerMm === undefined)
        ? { neglects: 'The converter’s own losses are not known and not counted.' }
        : {}),
    }),
    share > 0 ? lens50 * CLASS_UNCERTAINTY * share : undefined,
  );
}
