import { median } from '../smooth';
import type { Stroke } from './strokeFit';

/** What says that points of light are stars: all drawn by one lens on one night they are alike, and nothing else is. */
export interface StarEvidence {
  /** Share of the strokes whose own blur is that of all. */
  alike: number;
  /** Share of the strokes that leave no more behind than noise does. */
  clean: number;
  /** Blur in the middle of all, standard deviation, px. */
  sigmaPx: number;
}

/** Blurs of one lens differ by no more than this over the picture, nor stars of one night. */
const ONE_BLUR = 1.3;

/** @param isClean whether what a stroke leaves behind is no more than noise */
export function starEvidence(strokes: readonly Stroke[], isClean: (stroke: Stroke) => boolean): StarEvidence {
  const sigmaPx = median(strokes.map(({ sigma }) => sigma));
  const near = ({ sigma }: Stroke) => Math.abs(Math.log(sigma / sigmaPx)) < Math.log(ONE_BLUR);
  return {
    alike: strokes.filter(near).length / strokes.length,
    clean: strokes.filter(isClean).length / strokes.length,
    sigmaPx,
  };
}

/** Of simulated and real skies 0.73 and more are alike and 0.65 clean; of photos without stars hardly ever both are. */
const [LEAST_ALIKE, LEAST_CLEAN] = [0.65, 0.5];
/** Wider than this is a thing out of focus, or a thing. */
const WIDEST_SIGMA_PX = 8;

export const areStars = ({ alike, clean, sigmaPx }: StarEvidence): boolean =>
  alike >= LEAST_ALIKE && clean >= LEAST_CLEAN && sigmaPx < WIDEST_SIGMA_PX;
