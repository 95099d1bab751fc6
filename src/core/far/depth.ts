/** Limits of acceptable sharpness, mm from the lens; `farMm` is Infinity where everything behind is sharp enough. */
export interface Depth {
  nearMm: number;
  farMm: number;
}

/**
 * Depth of field from what a chain really has: its entrance pupil, the ratio it draws at, and the subject's distance from the
 * pupil. For a bare thin lens it is the usual u·f²/(f² ± N·c·(u − f)), without a small-angle shortcut.
 *
 * @param pupilMm A
 * @param ratio m at the subject
 * @param subjectMm u, from the entrance pupil
 * @source a point off the subject's plane makes a disc of A·|u − x|/x there, c/m wide at the limit: x = u·A·m/(A·m ± c)
 */
export function depthOfChain(pupilMm: number, ratio: number, cocMm: number, subjectMm: number): Depth {
  const cone = pupilMm * ratio;
  return {
    nearMm: (subjectMm * cone) / (cone + cocMm),
    farMm: cocMm >= cone ? Infinity : (subjectMm * cone) / (cone - cocMm),
  };
}

/**
 * Diameter of the blur disc of a point behind (or in front of) the subject, mm on the sensor.
 *
 * @param pupilMm entrance pupil A
 * @param ratio reproduction ratio m at the subject
 * @param lensToSubjectMm u
 * @param lensToPointMm u_b; Infinity for the sky
 * @source A·m·|u_b − u|/u_b
 */
export function blurDiscMm(pupilMm: number, ratio: number, lensToSubjectMm: number, lensToPointMm: number): number {
  if (lensToPointMm === Infinity) return pupilMm * ratio;
  return (pupilMm * ratio * Math.abs(lensToPointMm - lensToSubjectMm)) / lensToPointMm;
}
