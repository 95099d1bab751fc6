/** What one says of the stars in one picture. */
export type FrameVerdict = 'fine' | 'small' | 'strokes';

export const FRAME_VERDICT_NAMES: Record<FrameVerdict, string> = {
  fine: 'Fine',
  small: 'Passes small',
  strokes: 'Strokes',
};

/** One picture of a test series: its exposure, how far stars ran, and what one said of them. */
export interface SeriesFrame {
  seconds: number;
  centrePx: number;
  cornerPx: number;
  centre?: FrameVerdict | undefined;
  corner?: FrameVerdict | undefined;
}

/** Exposures of a test series, s: from the shortest to the longest by a step, both ends included. */
export function seriesExposures(fromS: number, toS: number, stepS: number): number[] {
  const count = Math.floor((toS - fromS) / stepS + 1e-9);
  const found = Array.from({ length: count + 1 }, (_, i) => Number((fromS + i * stepS).toPrecision(10)));
  return found.at(-1)! < toS - 1e-9 ? [...found, toS] : found;
}

/** What a person takes for a point with a lens, px at 100 %, and how far a star may run in a picture shown small. */
export interface LearnedTolerance {
  centrePx: number;
  cornerPx: number;
  smallCentrePx?: number | undefined;
  smallCornerPx?: number | undefined;
  pictures: number;
}

interface Judged {
  px: number;
  seconds: number;
  passes: boolean;
}

/** The largest run at which, and below which, everything passed. */
function boundary(entries: readonly Judged[]): number | undefined {
  const failed = Math.min(...entries.filter((each) => !each.passes).map((each) => each.px));
  const passed = entries.filter((each) => each.passes && each.px < failed).map((each) => each.px);
  return passed.length ? Math.max(...passed) : undefined;
}

const judged = (
  frames: readonly SeriesFrame[],
  where: 'centre' | 'corner',
  passes: (verdict: FrameVerdict) => boolean,
): Judged[] =>
  frames.flatMap((frame) =>
    frame[where]
      ? [
          {
            px: where === 'centre' ? frame.centrePx : frame.cornerPx,
            seconds: frame.seconds,
            passes: passes(frame[where]),
          },
        ]
      : [],
  );

const FINE = (verdict: FrameVerdict): boolean => verdict === 'fine';
const SMALL = (verdict: FrameVerdict): boolean => verdict !== 'strokes';

/** A picture called fine though stars run no less in it than in one that was not. */
export interface Contradiction {
  where: 'centre' | 'corner';
  seconds: number;
  px: number;
  /** The shorter run that was not fine. */
  againstPx: number;
}

/** Verdicts that speak against each other: they are shown, and not learned from. */
export function contradictionsIn(frames: readonly SeriesFrame[]): Contradiction[] {
  return (['centre', 'corner'] as const).flatMap((where) => {
    const entries = judged(frames, where, FINE);
    const againstPx = Math.min(...entries.filter((each) => !each.passes).map((each) => each.px));
    return entries
      .filter((each) => each.passes && each.px >= againstPx)
      .map(({ seconds, px }) => ({ where, seconds, px, againstPx }));
  });
}

/**
 * Learns a person's tolerance for a lens from verdicts on pictures of the same sky: the largest run at which and below which
 * all was called fine.
 *
 * @returns null until a picture with a shorter run than any that failed was called fine, in the centre and in the corners
 * @example learnTolerance([{ seconds: 10, centrePx: 2, cornerPx: 3, centre: 'fine', corner: 'fine' }])?.centrePx // 2
 */
export function learnTolerance(frames: readonly SeriesFrame[]): LearnedTolerance | null {
  const centrePx = boundary(judged(frames, 'centre', FINE));
  const cornerPx = boundary(judged(frames, 'corner', FINE));
  if (centrePx === undefined || cornerPx === undefined) return null;
  const smallCentrePx = boundary(judged(frames, 'centre', SMALL));
  const smallCornerPx = boundary(judged(frames, 'corner', SMALL));
  return {
    centrePx,
    cornerPx,
    ...(smallCentrePx === undefined ? {} : { smallCentrePx }),
    ...(smallCornerPx === undefined ? {} : { smallCornerPx }),
    pictures: frames.filter((frame) => frame.centre ?? frame.corner).length,
  };
}
