import type { Found } from '@/core/measure/benchTalk';
import type { EdgeFound } from '@/core/measure/edge/measureEdge';
import { discMeans } from '@/core/measure/means/discMeans';
import { edgeMeans } from '@/core/measure/means/edgeMeans';
import { lengthMeans } from '@/core/measure/means/lengthMeans';
import { rulerMeans } from '@/core/measure/means/rulerMeans';
import { starMeans } from '@/core/measure/means/starMeans';
import type { Quantity } from '@/core/quantity/quantity';
import { lengthQuantity } from './lengthQuantity';
import type { TakenWith } from './useTakenWith';

/** A number of an answer, by the name it is kept under. */
export interface NamedNumber {
  name: string;
  quantity: Quantity;
}

const named = (pairs: [string, Quantity | undefined][]): NamedNumber[] =>
  pairs.flatMap(([name, quantity]) => (quantity ? [{ name, quantity }] : []));

function ofLength(lengthPx: Quantity, { pitchUm, system }: TakenWith): NamedNumber[] {
  const { onSensorMm } = lengthMeans({ lengthPx, pitchUm, system, sizeMm: null, distanceM: null });
  return named([
    ['Length', lengthPx],
    ['On the sensor', onSensorMm],
  ]);
}

/** The numbers of an answer that need nothing the person would have to say; the first is the answer. */
export function numbersOf(found: Found, columns: number, taken: TakenWith): NamedNumber[] {
  if (found.measure === 'ruler') {
    const { ratio, pxPerMm, fieldWidthMm } = rulerMeans(found.value, columns, taken.pitchUm);
    return named([
      ['Reproduction ratio', ratio],
      ['Pixels a millimetre', pxPerMm],
      ['Width of the field', fieldWidthMm],
    ]);
  }
  if (found.measure === 'disc') {
    const { pitchUm, system } = taken;
    const { diameterPx } = discMeans({ found: found.value, pitchUm, system, arcsec: null, sizeMm: null });
    return [{ name: 'Diameter', quantity: diameterPx }];
  }
  if (found.measure === 'edge') {
    const [edge] = found.value.edges as [EdgeFound];
    const { half, fifth, tenth } = edgeMeans({ found: edge, pitchUm: taken.pitchUm, parts: null, threshold: 0.15 });
    return named([
      ['Half of the contrast', half],
      ['A fifth of the contrast', fifth],
      ['A tenth of the contrast', tenth],
    ]);
  }
  if (found.measure === 'stars') {
    const { centre, corner, worst, fwhm } = starMeans({
      found: found.value,
      width: columns,
      height: columns,
      setup: null,
      outputPx: null,
    });
    return named([
      ['Run in the middle', centre],
      ['Run in the worst corner', corner],
      ['Longest run', worst],
      ['Width of a star', fwhm],
    ]);
  }
  const { value } = found;
  return found.measure === 'length'
    ? ofLength(lengthQuantity(found.value.lengthPx, value.plusMinus), taken)
    : ofLength(lengthQuantity(found.value.longestPx, value.plusMinus), taken);
}
