import { fail, ok, type Result } from '../quantity/result';

/** A focused thin lens: object distance u, image distance v (mm) and reproduction ratio m = v/u. */
export interface Focus {
  uMm: number;
  vMm: number;
  ratio: number;
}

/**
 * Focuses a thin lens on a subject at a distance measured from the sensor, as the mark on the body is.
 * Of the two solutions the farther one, with the smaller ratio, is the one a photographer uses.
 *
 * @param focalMm focal length f, mm
 * @param sensorToSubjectMm T = u + v, mm; below 4·f no thin lens forms a picture there
 * @source 1/f = 1/u + 1/v with T = u + v, so u = (T + √(T² − 4fT))/2
 * @example focusThinLens(600, 42000) // m = 0.0147091
 */
export function focusThinLens(focalMm: number, sensorToSubjectMm: number): Result<Focus> {
  if (!(focalMm > 0) || !Number.isFinite(focalMm)) {
    return fail('focal.range', 'The focal length must be more than 0 mm.', 'focalMm');
  }
  if (!(sensorToSubjectMm > 0) || !Number.isFinite(sensorToSubjectMm)) {
    return fail('distance.range', 'The distance must be more than 0 m.', 'distanceM');
  }
  const discriminant = sensorToSubjectMm * (sensorToSubjectMm - 4 * focalMm);
  if (discriminant < 0) {
    return fail(
      'distance.tooNear',
      'Nearer than four focal lengths a lens cannot form a picture. Step back, or use a shorter focal length.',
      'distanceM',
    );
  }
  const uMm = (sensorToSubjectMm + Math.sqrt(discriminant)) / 2;
  // T − u cancels at long distances; f·u/(u − f) is the same number with all its digits.
  const vMm = uMm > 2 * focalMm ? (focalMm * uMm) / (uMm - focalMm) : sensorToSubjectMm - uMm;
  return ok({ uMm, vMm, ratio: vMm / uMm });
}
