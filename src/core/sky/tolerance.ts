import { outputLongSidePx, type OutputSpec } from '../output/needs';
import { viewedPixels } from '../output/viewedPixels';
import { computed, given, input, measured, type Quantity } from '../quantity/quantity';
import type { LearnedTolerance } from './testSeries';

/** What a star may run before one calls it a stroke: pixels at 100 %, pixels of the output, what an eye sees of it, or one's own. */
export type ToleranceKind = 'pixels' | 'output' | 'eye' | 'own';

export const TOLERANCE_NAMES: Record<ToleranceKind, string> = {
  pixels: 'At 100 %',
  output: 'At the output’s size',
  eye: 'To the eye',
  own: 'My own, for this lens',
};

export interface ToleranceInput {
  kind: ToleranceKind;
  /** How many pixels, output pixels or arcminutes a star may run. */
  count: number;
  /** Learned with this lens, px at 100 %; needed for `own`. */
  ownPx?: LearnedTolerance | undefined;
  output: OutputSpec;
  /** Pixels along the long side of the part used. */
  longSidePx: number;
}

/** Up to this long side a picture is shown small: what “passes small” counts there. */
const SMALL_PX = 2048;

/** Where no output size is known the whole picture is looked at. */
const outputPx = (output: OutputSpec): number => outputLongSidePx(output) ?? viewedPixels(output);

/**
 * How far a star may run, px at 100 %, in the centre and in the corners; they differ only where one has learned so.
 *
 * @returns the two; a person's own are those learned, or `count` pixels while nothing was learned
 */
export function toleranceOf({ kind, count, ownPx, output, longSidePx }: ToleranceInput): {
  centre: Quantity;
  corner: Quantity;
} {
  if (kind === 'own' && ownPx) {
    const small = outputPx(output) <= SMALL_PX;
    const learned = (px: number, where: string) =>
      measured(px, 'px', () => ({
        name: `Tolerance in the ${where}`,
        formula: '',
        inputs: [],
        source: `learned from your verdicts on ${ownPx.pictures} pictures with this lens${small ? `; “${output.name}” is shown small, so those that pass small count` : ''}`,
      }));
    const { centrePx, cornerPx, smallCentrePx = centrePx, smallCornerPx = cornerPx } = ownPx;
    return small
      ? { centre: learned(smallCentrePx, 'centre'), corner: learned(smallCornerPx, 'corners') }
      : { centre: learned(centrePx, 'centre'), corner: learned(cornerPx, 'corners') };
  }
  const name = 'How far a star may run';
  const along = given(longSidePx, 'px', 'Pixels along the long side', 'body and mode');
  const plain = given(count, 'px', name, 'as set; at 100 % every pixel is seen');
  const both = (quantity: Quantity) => ({ centre: quantity, corner: quantity });
  if (kind === 'output') {
    const shown = given(outputPx(output), 'px', `Pixels along “${output.name}”`, 'what the picture is for');
    return both(
      computed((count * longSidePx) / outputPx(output), 'px', () => ({
        name,
        formula: 'b · n / n_out',
        inputs: [
          input('b', 'pixels of the output', plain),
          input('n', 'along the sensor', along),
          input('n_out', 'along the output', shown),
        ],
        source: 'a smaller picture hides a longer run',
      })),
    );
  }
  if (kind === 'eye') {
    const seen = given(
      viewedPixels(output),
      '1',
      'Details an eye tells apart along it',
      'one arcminute at its viewing distance, or its pixels if those are fewer',
    );
    const arc = given(count, '1', 'Arcminutes it may run', 'as set');
    return both(
      computed((count * longSidePx) / viewedPixels(output), 'px', () => ({
        name,
        formula: 'b · n / d',
        inputs: [
          input('b', 'arcminutes', arc),
          input('n', 'along the sensor', along),
          input('d', 'details told apart', seen),
        ],
        source: 'one arcminute is what an eye tells apart',
      })),
    );
  }
  return both(plain);
}
