import type { HeldLimit } from '../far/heldLimits';
import type { Evidence, HeldSeries } from './learn';

/** A body as far as a series by hand is told to be of it. */
interface HeldBody {
  name: string;
  stabiliserStops?: number | undefined;
}

/** Stars judged frame by frame, with the lens they were taken with. */
interface JudgedStars {
  lensName: string;
  frames: readonly {
    seconds: number;
    centre?: 'fine' | 'small' | 'strokes' | undefined;
    corner?: 'fine' | 'small' | 'strokes' | undefined;
  }[];
}

/**
 * Series by hand, body by body: those of the body itself, and those of which no body was kept; only with the stabiliser as the
 * body has it.
 */
function heldOf(limits: readonly (HeldLimit & { bodyName?: string | undefined })[], bodies: readonly HeldBody[]) {
  return bodies.flatMap(({ name, stabiliserStops = 0 }): HeldSeries[] =>
    limits
      .filter(({ bodyName, stabilised }) => (bodyName ?? name) === name && stabilised === stabiliserStops > 0)
      .map(({ limitS, plusMinus, focalMm }) => ({ bodyName: name, limitS, plusMinus, focalMm })),
  );
}

/** Frames of test series as cases: strokes anywhere in the frame are strokes; what passes small passes. */
function starsOf(tests: readonly JudgedStars[]) {
  return tests.flatMap(({ lensName, frames }) =>
    frames.flatMap(({ seconds, centre, corner }) =>
      centre === undefined && corner === undefined
        ? []
        : [{ lensName, seconds, good: centre !== 'strokes' && corner !== 'strokes' }],
    ),
  );
}

/** What the Bench, the test series and the readings kept tell, as it is learned from. */
export function evidenceOf(from: {
  limits: readonly (HeldLimit & { bodyName?: string | undefined })[];
  bodies: readonly HeldBody[];
  starTests: readonly JudgedStars[];
  readings: readonly { ratio?: number | undefined; held?: string | undefined }[];
}): Evidence {
  const byHand = from.readings.flatMap(({ ratio, held }) =>
    ratio !== undefined && (held === 'handSharp' || held === 'handBlurred')
      ? [{ ratio, good: held === 'handSharp' }]
      : [],
  );
  return { held: heldOf(from.limits, from.bodies), stars: starsOf(from.starTests), byHand };
}
