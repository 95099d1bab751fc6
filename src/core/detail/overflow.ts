import type { SubjectSpec } from '../kit/subjects';
import { formatFixed } from '../quantity/format';
import type { Quantity } from '../quantity/quantity';
import type { Problem } from '../quantity/result';

/** Beyond this share of the frame's side a subject is cut off, by more than rounding. */
const FITS_PERCENT = 100.5;

/** Whether a subject is larger than the frame: what counts its pixels then counts what is not in the picture. */
export const isCutOff = (shareOfFrame: Quantity): boolean => overfills(shareOfFrame.value);

/** Whether a share of a side, in per cent, is more than the side. */
export const overfills = (percent: number): boolean => percent > FITS_PERCENT;

/** That a subject fits with the camera rotated only. */
export const rotateCamera = (subject: SubjectSpec): Problem => ({
  code: 'frame.rotate',
  message: `Rotate the camera: ${subject.name} fits along the longer side only.`,
});

/** That a subject is larger than the frame, and what to do about it. */
export const cutOff = (shareOfFrame: Quantity, subject: SubjectSpec, wayOut: string, field: string): Problem => ({
  code: 'frame.overflows',
  message: `${subject.name} does not fit: it takes ${formatFixed(Math.ceil(shareOfFrame.value))} % of the frame. ${wayOut}`,
  field,
});
