/** A screen on a desk, where none is named: the width at which pictures are looked at, mm. */
export const USUAL_SCREEN_WIDTH_MM = 300;
/** Up to life size most people manage by hand. */
export const USUAL_HAND_HOLD_RATIO = 1;
