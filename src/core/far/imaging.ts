import { fail, ok, type Result } from '../quantity/result';

/**
 * Sampling reach in pixels per milliradian: the honest number to compare reach, whatever the sensor's size.
 *
 * @param focalMm effective focal length, mm
 * @param pitchUm pixel pitch, µm
 * @source f/p
 */
export function samplingReachPxPerMrad(focalMm: number, pitchUm: number): number {
  return focalMm / pitchUm;
}

/** Pixel scale in arcseconds per pixel: 206.265·p/f. */
export function pixelScaleArcsec(focalMm: number, pitchUm: number): number {
  return (206.265 * pitchUm) / focalMm;
}

/** Reproduction ratio that gives the wanted pixels on a length. */
function ratioFor(pixels: number, subjectMm: number, pitchUm: number): number {
  return (pixels * pitchUm) / (1000 * subjectMm);
}

export const noFocal = fail(
  'focal.unreachable',
  'No focal length gives that many pixels from there; more than life size is needed.',
);

/**
 * Focal length in mm with which a length gets the wanted pixels from a distance.
 *
 * @source thin lens: f = T / (2 + m + 1/m)
 */
export function focalForPixels(
  sensorToSubjectMm: number,
  pitchUm: number,
  subjectMm: number,
  pixels: number,
): Result<number> {
  const ratio = ratioFor(pixels, subjectMm, pitchUm);
  if (!(ratio > 0) || ratio > 1) {
    return noFocal;
  }
  return ok(sensorToSubjectMm / (2 + ratio + 1 / ratio));
}
