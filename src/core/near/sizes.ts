/** The three sizes people mix up, each as a factor of the real one. */
export interface ThreeSizes {
  /** On the sensor: the reproduction ratio m. It belongs to the optics. */
  onSensor: number;
  /** m × crop factor: how much of the frame it fills, told as on 36 × 24 mm. */
  framed: number;
  /** On a screen or print that shows the whole frame at a width. */
  onScreen: number;
}

/**
 * @param ratio m
 * @param frameWidthMm width of the part of the sensor that is used
 * @param screenWidthMm width at which the frame is shown
 * @source m; m·k; m · screen width ÷ frame width
 * @example threeSizes(1, 1.54, 23.4, 300).onScreen // 12.82
 */
export function threeSizes(ratio: number, cropFactor: number, frameWidthMm: number, screenWidthMm: number): ThreeSizes {
  return { onSensor: ratio, framed: ratio * cropFactor, onScreen: (ratio * screenWidthMm) / frameWidthMm };
}

/** Width of a camera's own screen when it shows the whole frame: screens are 3 : 2 or 4 : 3 and the frame fits inside. */
export function cameraScreenWidthMm(screenDiagonalMm: number, frameAspect: number): number {
  // The screen itself is taken as 3 : 2, the usual one; a narrower frame leaves its sides dark.
  const height = screenDiagonalMm / Math.hypot(1.5, 1);
  return Math.min(1.5 * height, frameAspect * height);
}
