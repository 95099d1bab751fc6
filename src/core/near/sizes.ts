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

/** Shapes of camera screens, width ÷ height, where the sides are not entered: the usual one, and those it may be instead. */
const USUAL_SCREEN_ASPECT = 3 / 2;
const SCREEN_ASPECTS = [4 / 3, 3 / 2, 16 / 9];

/** Width at which a frame is shown inside a screen: a narrower frame leaves its sides dark, a wider one its top. */
const fitted = (widthMm: number, heightMm: number, frameAspect: number): number =>
  Math.min(widthMm, frameAspect * heightMm);

/** A width with the half-width of the range it is expected in. */
export interface ShownWidth {
  mm: number;
  plusMinusMm: number;
}

/**
 * Width at which a camera's own screen shows the whole frame.
 *
 * @returns undefined where nothing of the screen was entered; ± where only its diagonal was
 */
export function cameraScreenWidthMm(
  screen: {
    screenWidthMm?: number | undefined;
    screenHeightMm?: number | undefined;
    screenDiagonalMm?: number | undefined;
  },
  frameAspect: number,
): ShownWidth | undefined {
  const { screenWidthMm, screenHeightMm, screenDiagonalMm } = screen;
  if (screenWidthMm !== undefined && screenHeightMm !== undefined)
    return { mm: fitted(screenWidthMm, screenHeightMm, frameAspect), plusMinusMm: 0 };
  if (screenDiagonalMm === undefined) return undefined;
  const widthFor = (aspect: number) =>
    fitted((screenDiagonalMm * aspect) / Math.hypot(aspect, 1), screenDiagonalMm / Math.hypot(aspect, 1), frameAspect);
  const mm = widthFor(USUAL_SCREEN_ASPECT);
  return { mm, plusMinusMm: Math.max(...SCREEN_ASPECTS.map((aspect) => Math.abs(widthFor(aspect) - mm))) };
}
