/** What one says of the stars in one picture. */
export type FrameVerdict = 'fine' | 'small' | 'strokes';

export const FRAME_VERDICT_NAMES: Record<FrameVerdict, string> = { fine: 'Fine', small: 'Passes small', strokes: 'Strokes' };

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

/**
 * The run up to which one says yes: half way between the longest that passed and the shortest that failed, counted so that
 * the fewest verdicts are wronged; the longest that passed while nothing failed.
 */
function boundary(entries: { px: number; passes: boolean }[]): number | undefined {
  const passed = entries.filter((each) => each.passes);
  if (!passed.length) return undefined;
  let best = { px: 0, wrong: Infinity };
  for (const { px } of passed) {
    const wrong = entries.filter((each) => (each.passes ? each.px > px : each.px <= px)).length;
    if (wrong < best.wrong || (wrong === best.wrong && px > best.px)) best = { px, wrong };
  }
  const next = Math.min(...entries.filter((each) => !each.passes && each.px > best.px).map((each) => each.px));
  return Number.isFinite(next) ? (best.px + next) / 2 : best.px;
}

/**
 * Learns a person's tolerance for a lens from verdicts on pictures of the same sky.
 *
 * @returns null until at least one picture was called fine in the centre and one in the corners
 * @example learnTolerance([{ seconds: 10, centrePx: 2, cornerPx: 3, centre: 'fine', corner: 'fine' }])?.centrePx // 2
 */
export function learnTolerance(frames: readonly SeriesFrame[]): LearnedTolerance | null {
  const of = (where: 'centre' | 'corner', passes: (verdict: FrameVerdict) => boolean) =>
    boundary(frames.flatMap((frame) => (frame[where] ? [{ px: where === 'centre' ? frame.centrePx : frame.cornerPx, passes: passes(frame[where]) }] : [])));
  const fine = (verdict: FrameVerdict) => verdict === 'fine';
  const small = (verdict: FrameVerdict) => verdict !== 'strokes';
  const centrePx = of('centre', fine);
  const cornerPx = of('corner', fine);
  if (centrePx === undefined || cornerPx === undefined) return null;
  const smallCentrePx = of('centre', small);
  const smallCornerPx = of('corner', small);
  return {
    centrePx,
    cornerPx,
    ...(smallCentrePx === undefined ? {} : { smallCentrePx }),
    ...(smallCornerPx === undefined ? {} : { smallCornerPx }),
    pictures: frames.filter((frame) => frame.centre ?? frame.corner).length,
  };
}
