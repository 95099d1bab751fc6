import type { OutputSpec } from '../../output/needs';

/** A piece of a picture, whole px. */
export interface Crop {
  widthPx: number;
  heightPx: number;
}

interface Around {
  /** [left, top, right, bottom] of the subject, px. */
  box: [number, number, number, number];
  longestPx: number;
}

/** The smallest piece of a shape (width ÷ height) that holds a box. */
export function smallestCrop([left, top, right, bottom]: Around['box'], shape: number): Crop {
  const [width, height] = [right - left, bottom - top];
  const widthPx = Math.max(width, height * shape);
  return { widthPx: Math.ceil(widthPx), heightPx: Math.ceil(widthPx / shape) };
}

/**
 * The piece of a picture that an output shows: in the picture's shape, and the subject takes the share of its long side that
 * the output wants; never less than holds the subject. An identification record shows the subject alone.
 */
export function cropFor(output: OutputSpec, around: Around, shape: number): Crop {
  const least = smallestCrop(around.box, shape);
  if (output.kind === 'identification') return least;
  const long = around.longestPx / output.subjectShare;
  const widthPx = shape >= 1 ? long : long * shape;
  return widthPx <= least.widthPx ? least : { widthPx: Math.ceil(widthPx), heightPx: Math.ceil(widthPx / shape) };
}
