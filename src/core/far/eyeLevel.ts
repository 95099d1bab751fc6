/** Where the line of sight over a subject meets the ground behind it. */
export interface Behind {
  /** Distance from the camera to the ground (or water) seen right behind the subject, m; Infinity when the line rises. */
  backgroundM: number;
  /** Angle of the line of sight below the horizon, degrees; negative when it rises. */
  downDeg: number;
}

/**
 * What lies behind a subject on flat ground, seen from a camera height: lowering the camera to the animal's eye pushes the
 * ground behind it away, and with it the background blurs more.
 *
 * @param cameraHeightM above the ground or water
 * @param subjectHeightM height of the point looked at, above the same ground
 * @param distanceM from camera to subject along the ground
 * @source similar triangles: the line from the camera over the point meets the ground at d·h/(h − s)
 * @example behindSubject(1.6, 0.2, 30).backgroundM // 34.29
 */
export function behindSubject(cameraHeightM: number, subjectHeightM: number, distanceM: number): Behind {
  const drop = cameraHeightM - subjectHeightM;
  return {
    backgroundM: drop > 1e-9 ? (distanceM * cameraHeightM) / drop : Infinity,
    downDeg: (Math.atan2(drop, distanceM) * 180) / Math.PI,
  };
}
