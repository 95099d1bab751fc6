import { SIDEREAL_ARCSEC_PER_S } from './drift';

export interface StrokesInput {
  /** How far the stars shall turn about the pole, degrees. */
  arcDeg: number;
  exposureS: number;
  /** Between two pictures, s. */
  gapS: number;
  fileSizeMb?: number | undefined;
  /** How long one battery exposes, min. */
  batteryMin?: number | undefined;
}

export interface StrokesPlan {
  frames: number;
  totalS: number;
  cardMb?: number;
  batteries?: number;
  /** The hole between two strokes of a star on the equator, as a share of one stroke, and its length at a focal length, px. */
  gapShare: number;
}

/**
 * Many exposures that join to strokes of a wanted arc.
 *
 * @source the sky turns 15.0411″ a second
 * @example planStrokes({ arcDeg: 15, exposureS: 30, gapS: 1 }).frames // 116
 */
export function planStrokes({ arcDeg, exposureS, gapS, fileSizeMb, batteryMin }: StrokesInput): StrokesPlan {
  const neededS = (arcDeg * 3600) / SIDEREAL_ARCSEC_PER_S;
  const frames = Math.max(1, Math.ceil((neededS + gapS) / (exposureS + gapS) - 1e-9));
  const totalS = frames * exposureS + (frames - 1) * gapS;
  return {
    frames,
    totalS,
    gapShare: gapS / exposureS,
    ...(fileSizeMb === undefined ? {} : { cardMb: frames * fileSizeMb }),
    ...(batteryMin === undefined ? {} : { batteries: Math.max(1, Math.ceil(totalS / 60 / batteryMin - 1e-9)) }),
  };
}
