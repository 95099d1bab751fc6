import { diagonal } from './diagonal';

/** The four ways people reckon a crop factor against the reference format of 36 × 24 mm. */
export type CropConvention = 'diagonal' | 'width' | 'height' | 'sameAspect';

export const REFERENCE_WIDTH_MM = 36;
export const REFERENCE_HEIGHT_MM = 24;
export const REFERENCE_DIAGONAL_MM = diagonal(REFERENCE_WIDTH_MM, REFERENCE_HEIGHT_MM);

/**
 * Crop factor of a format against 36 × 24 mm in one of four conventions. They agree for a 3:2 format and differ for
 * every other. *Same aspect* first cuts the reference to the format's aspect, then divides the widths (which then equals
 * dividing the diagonals).
 *
 * A part that stands upright has the crop factor it has when lying.
 *
 * @param widthMm one side of the part used, mm
 * @param heightMm the other, mm
 * @example cropFactor(17.4, 13, 'sameAspect') // 1.84615
 * @source definition; the reference cut to aspect a = W/H is 36 × 36/a for a ≥ 1.5, else 24·a × 24
 */
export function cropFactor(widthMm: number, heightMm: number, convention: CropConvention): number {
  const longMm = Math.max(widthMm, heightMm);
  const shortMm = Math.min(widthMm, heightMm);
  switch (convention) {
    case 'diagonal':
      return REFERENCE_DIAGONAL_MM / diagonal(longMm, shortMm);
    case 'width':
      return REFERENCE_WIDTH_MM / longMm;
    case 'height':
      return REFERENCE_HEIGHT_MM / shortMm;
    case 'sameAspect': {
      const aspect = longMm / shortMm;
      const referenceWidth =
        aspect >= REFERENCE_WIDTH_MM / REFERENCE_HEIGHT_MM ? REFERENCE_WIDTH_MM : REFERENCE_HEIGHT_MM * aspect;
      return referenceWidth / longMm;
    }
  }
}

export const CROP_CONVENTIONS: readonly CropConvention[] = ['diagonal', 'width', 'height', 'sameAspect'];
