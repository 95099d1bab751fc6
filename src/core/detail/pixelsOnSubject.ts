/**
 * Pixels a length gets on the sensor.
 *
 * @param ratio reproduction ratio m
 * @param subjectMm length of the subject, mm
 * @source 1000·m·L/p
 */
export function pixelsOnSubject(ratio: number, subjectMm: number, pitchUm: number): number {
  return (1000 * ratio * subjectMm) / pitchUm;
}
