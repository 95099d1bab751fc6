import type { SubjectSpec } from '../kit/subjects';
import { formatFigures } from '../quantity/format';
import type { Quantity } from '../quantity/quantity';
import type { Problem } from '../quantity/result';

/** Beyond this share of the frame's side a subject is cut off, by more than rounding. */
const FITS_PERCENT = 100.5;

/** Whether a subject is larger than the frame: what counts its pixels then counts what is not in the picture. */
export const isCutOff = (shareOfFrame: Quantity): boolean => shareOfFrame.value > FITS_PERCENT;

/** That a subject is larger than the frame, and what to do about it. */
export const cutOff = (shareOfFrame: Quantity, subject: SubjectSpec, wayOut: string, field: string): Problem => ({
  code: 'frame.overflows',
  message: `${subject.name} does not fit: it is ${formatFigures(shareOfFrame.value / 100, 2)} times the frame. ${wayOut}`,
  field,
});
