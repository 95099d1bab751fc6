import type { Arrangement } from '../chain/arrangement';
import type { MainLens } from '../chain/asLens';
import { lightInFront, type FoldedOptics } from '../chain/fold';
import { CLASS_UNCERTAINTY } from '../chain/lens50';
import { lens50Of, sharpnessAt, type SetTo, type SharpnessAt } from '../chain/lensSharpness';
import { formatFigures } from '../quantity/format';
import { showFNumber } from '../quantity/quantityText';
import { computed, given, input, measured, type Quantity } from '../quantity/quantity';
import type { ActiveFactor } from './factors';

/** Parts in front of the lens that have a response of their own, with it, in the order in which they are folded. */
function frontResponses({ front }: Arrangement): [string, number][] {
  return [...front].reverse().flatMap((part): [string, number][] => {
    const light = lightInFront(part);
    const own = light.does === 'power' || light.does === 'afocal' ? light.own50LpPerMm : undefined;
    return own === undefined ? [] : [[part.kind === 'coupled' ? part.lens.name : part.name, own]];
  });
}

/** 50 % frequency of the lens alone: measured there, entered, or of its class. */
function bareResponse(lens: MainLens, { focalMm, fNumber }: SetTo): Quantity {
  const name = '50 % frequency of the lens';
  const found = lens.sharpness?.length ? sharpnessAt(lens.sharpness, focalMm, fNumber) : null;
  if (found) return measuredResponse(name, found, fNumber);
  const bare50 = lens50Of(lens);
  return lens.lens50LpPerMm === undefined
    ? given(bare50, 'lp/mm', name, `default of the class “${lens.detailClass}”`, bare50 * CLASS_UNCERTAINTY)
    : given(bare50, 'lp/mm', name, 'lens data');
}

function measuredResponse(
  name: string,
  { lpPerMm, plusMinus, below, above, share }: SharpnessAt,
  fNumber: number,
): Quantity {
  const one = ({ lens50LpPerMm, fNumber: at, focalMm, plusMinusLpPerMm }: SharpnessAt['below']) =>
    measured(
      lens50LpPerMm,
      'lp/mm',
      () => ({
        name: `Measured at ${showFNumber(at)}, ${formatFigures(focalMm, 3)} mm`,
        formula: '',
        inputs: [],
        source: 'a slanted edge on the Bench, diffraction, pixel and filter divided out',
      }),
      plusMinusLpPerMm,
    );
  return measured(
    lpPerMm,
    'lp/mm',
    () => ({
      name,
      formula: below === above ? 'ν₁' : 'ν₁ · (ν₂ / ν₁)^s',
      inputs: [
        input('ν₁', `measured at ${showFNumber(below.fNumber)}`, one(below)),
        ...(below === above
          ? []
          : [
              input('ν₂', `measured at ${showFNumber(above.fNumber)}`, one(above)),
              input('s', 'share of the way between them, in stops', given(share, '1', 'Share of the way')),
            ]),
        input('N', 'f-number set', given(fNumber, 'f/', 'f-number set')),
      ],
      source: 'measured on the Bench, by focal length and f-number',
    }),
    plusMinus,
  );
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
  at: SetTo,
): Quantity {
  const bare = bareResponse(lens, at);
  const lens50 = state.lens50LpPerMm;
  const inFront = frontResponses(arrangement);
  // A converter's own share of the blur, through which the error of its class comes in.
  const fromFactors = factors.reduce(
    (sum, { byClass, own50LpPerMm }) => sum + (byClass && own50LpPerMm ? (lens50 / own50LpPerMm) ** 2 : 0),
    0,
  );
  const share = bare.kind === 'given' && bare.plusMinus ? 1 : fromFactors;
  // Of what was measured as much comes in as the lens has of the whole blur.
  const ofLens = ((lens50 * state.factor) / bare.value) ** 2;
  const byMeasuring = bare.kind === 'measured' ? (ofLens * (bare.plusMinus ?? 0)) / bare.value : 0;
  const byClass = lens50 * CLASS_UNCERTAINTY * share;
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
    byMeasuring > 0 ? Math.hypot(lens50 * byMeasuring, byClass) : share > 0 ? byClass : undefined,
  );
}
