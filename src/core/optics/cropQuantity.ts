import type { BodySpec } from '../kit/body';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { CROP_CONVENTIONS, cropFactor, type CropConvention } from '../sensor/cropFactor';
import type { UsedArea } from '../sensor/cropMode';

/** How crop factors are reckoned: one convention for all, or the usual one for each kind of mode. */
export type CropConventionChoice = CropConvention | 'usual';

export const CONVENTION_NAMES: Record<CropConvention, string> = {
  diagonal: 'by the diagonal',
  width: 'by the width',
  height: 'by the height',
  sameAspect: 'same aspect',
};

/** Formats of these aspects are compared by their diagonals, as people do; others have none to compare with. */
const STILLS_ASPECTS = [3 / 2, 4 / 3];
const SAME_ASPECT_WITHIN = 0.02;

/**
 * The convention that applies. The usual one is the diagonal for stills formats (3:2 and 4:3); same aspect for others, such as
 * video strips, and for a mode of another aspect than its sensor.
 */
export function conventionFor(choice: CropConventionChoice, body: BodySpec, used: UsedArea): CropConvention {
  if (choice !== 'usual') return choice;
  const near = (a: number, b: number, within: number) => Math.abs(a / b - 1) <= within;
  const lying = (width: number, height: number) => Math.max(width, height) / Math.min(width, height);
  const aspect = lying(used.widthMm, used.heightMm);
  const ofSensor = near(aspect, lying(body.sensor.widthMm, body.sensor.heightMm), 0.01);
  return ofSensor && STILLS_ASPECTS.some((each) => near(aspect, each, SAME_ASPECT_WITHIN)) ? 'diagonal' : 'sameAspect';
}

/** Crop factor of the part of the sensor that is used, with what the other conventions make of it. */
export function cropQuantity(used: UsedArea, convention: CropConvention): Quantity {
  return computed(cropFactor(used.widthMm, used.heightMm, convention), '×', () => ({
    name: `Crop factor (${CONVENTION_NAMES[convention]})`,
    formula: {
      diagonal: '43.27 / √(W² + H²)',
      width: '36 / W',
      height: '24 / H',
      sameAspect: 'width of 36 × 24 cut to the aspect W/H, divided by W',
    }[convention],
    inputs: [
      input('W', 'width used', given(used.widthMm, 'mm', 'Width of the part used', 'body and mode')),
      input('H', 'height used', given(used.heightMm, 'mm', 'Height of the part used', 'body and mode')),
    ],
    source: 'against the reference format of 36 × 24 mm',
    schools: CROP_CONVENTIONS.map((each) => ({
      preference: 'cropConvention',
      choice: each,
      name: CONVENTION_NAMES[each],
      value: cropFactor(used.widthMm, used.heightMm, each),
      chosen: each === convention,
    })),
  }));
}
