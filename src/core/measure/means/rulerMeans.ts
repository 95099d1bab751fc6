import { nominalRatio } from '../../near/measureRatio';
import { computed, given, input, measured, type Quantity } from '../../quantity/quantity';
import type { RulerFound } from '../ruler/findRuler';
import { shareOf, together } from './shares';

/** What a photographed ruler means. */
export interface RulerMeans {
  pxPerMm: Quantity;
  fieldWidthMm: Quantity;
  /** Only where the pitch is known. */
  ratio?: Quantity;
  /** The round ratio that lies within the error. */
  nominal?: number | undefined;
}

/** A bought ruler is itself good to about this share: no more can be told by it. */
const DIVISION = 0.0005;

/**
 * What follows from pixels a millimetre: the width of the field along the ruler's direction, and the reproduction ratio.
 *
 * @param columns of the picture
 * @source m = (px/mm) · p / 1000
 */
export function rulerMeans(found: RulerFound, columns: number, pitchUm: Quantity | null): RulerMeans {
  const pxPerMm = measured(
    found.pxPerMm,
    'px/mm',
    () => ({
      name: 'Pixels a millimetre',
      formula: '|∇N| ⁻¹',
      inputs: [input('n', 'ticks found', given(found.ticks, '1', 'Ticks found', 'counted on the picture'))],
      source:
        'numbers of the ticks fitted over the picture, at its middle; the ruler’s own division counts as good to 0.05 %',
      neglects: 'A ruler that leans away shows less of itself: 8° are 1 %. ',
    }),
    Math.hypot(found.pxPerMmError, DIVISION * found.pxPerMm),
  );
  const width = given(columns, 'px', 'Width of the picture', 'the file');
  const fieldWidthMm = computed(
    columns / found.pxPerMm,
    'mm',
    () => ({
      name: 'Width of the field',
      formula: 'W / (px/mm)',
      inputs: [input('W', 'width', width), input('px/mm', 'pixels a millimetre', pxPerMm)],
      source: 'definition',
    }),
    (columns / found.pxPerMm) * shareOf(pxPerMm),
  );
  if (!pitchUm) return { pxPerMm, fieldWidthMm };
  const value = (found.pxPerMm * pitchUm.value) / 1000;
  const plusMinus = value * together(shareOf(pxPerMm), shareOf(pitchUm));
  const ratio = measured(
    value,
    ':1',
    () => ({
      name: 'Reproduction ratio',
      formula: '(px/mm) · p / 1000',
      inputs: [input('px/mm', 'pixels a millimetre', pxPerMm), input('p', 'pixel pitch', pitchUm)],
      source: 'size on the sensor ÷ real size',
    }),
    plusMinus,
  );
  return { pxPerMm, fieldWidthMm, ratio, nominal: nominalRatio(value, plusMinus) };
}
