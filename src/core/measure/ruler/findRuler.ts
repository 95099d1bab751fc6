import { reduced, type Grey } from '../../picture/grey';
import { fail, ok, type Result } from '../../quantity/result';
import { candidatesAlong, STRIP_PX, type Candidate } from './candidates';
import { directions } from './directions';
import { divisionsOf, type Division } from './division';
import { finerDivision, fitCandidate, type Fitted } from './fitCandidate';
import { inkOfTicks } from './inkOfTicks';
import { SLOW } from './period';
import { middleOf, placeOfNumber } from './rulerModel';
import { median } from '../smooth';
import { placeOf } from './strips';
import { tickLengths } from './tickLengths';

/** A measured ruler. Errors are half-widths that hold the truth in about 95 of 100 cases. */
export interface RulerFound {
  /** Pixels a millimetre of the ruler, along it, at the picture's middle. */
  pxPerMm: number;
  pxPerMmError: number;
  /** Direction square to the ticks there, degrees from +x towards +y, −90 to 90. */
  tickNormalDeg: number;
  tickNormalError: number;
  /** What lies between two ticks, mm. */
  finestTickMm: number;
  /** Ticks found, and those of them that were counted on every line. */
  ticks: number;
  /** Where the ticks are, for showing them: ends of each over the lines on which it was found, px. */
  lines: { n: number; from: [number, number]; to: [number, number] }[];
  /** What long and short ticks say, likeliest first; empty when the person said what a tick is. */
  divisions: Division[];
}

export interface RulerAsked {
  /** What a tick is, mm, where the person says so. */
  tickMm?: number | undefined;
  /** Directions in which a ruler was found and is not meant, degrees. */
  notAlong?: number[] | undefined;
  /** Told how far the search is, 0 to 1. */
  onProgress?: ((share: number) => void) | undefined;
}

/** The picture is searched at about so many px of its longer side. */
const SEARCH_PX = 1700;
/** Fits tried at most, best scores first. */
const MOST = 14;
/** A fit with so many ticks is not bettered by what scored less. */
const PLENTY = 12;
const FEWEST_TICKS = 4;
/** A fit is refused beyond these: ticks, share of the value, degrees. */
const SCATTER = 0.08;
/** Ticks of a ruler scatter by about so much. */
const USUAL_SCATTER = 0.03;
const TOO_UNSURE = 0.03;
const TOO_TURNED = 1.5;
/** Ticks seen over less than this many of their own distances are as likely grain. */
const LEAST_LENGTH = 0.45;

/** Ticks are ink nearly everywhere on their lines; grain is not. */
const INKED = 0.8;

const FINEST_MM: Record<Division, number> = { millimetre: 1, half: 0.5, alike: 1, inch: 25.4 / 16 };

const noRuler = fail(
  'ruler.none',
  'No ruler was found: at least four ticks in a row must be sharp and inside the picture. Photograph it square to the lens with more light, or set the two handles by hand.',
  'picture',
);
const inches = fail(
  'ruler.inches',
  'The ticks halve again and again, as on an inch scale. Use the millimetre edge, or say how much lies between two ticks.',
  'tick',
);
const undecided = fail(
  'ruler.which',
  'It cannot be told whether the ticks are millimetres or halves: say what lies between two ticks.',
  'tick',
);

/** The candidates of a picture in all its directions, best first; positions in px of the whole picture. */
export function allCandidates(grey: Grey, by: number, asked: RulerAsked): Candidate[] {
  const fine = reduced(grey, by);
  const sizes = [
    { picture: fine, by, part: SLOW.fine },
    // Broad ticks and noisy ones show better in a picture a third as large.
    { picture: reduced(fine, 3), by: 3 * by, part: SLOW.broad },
  ];
  return sizes
    .flatMap(({ picture, by: size, part }, i) =>
      directions(picture)
        .filter((degrees) => !(asked.notAlong ?? []).some((not) => apart(degrees, not) < 5))
        .flatMap((degrees, j, ways) => {
          asked.onProgress?.(0.25 * (i + j / ways.length));
          return candidatesAlong(picture, degrees, part).map((each) => ({
            ...each,
            periodPx: each.periodPx * size,
            fromT: (each.fromT - STRIP_PX) * size,
            toT: (each.toT + STRIP_PX) * size,
          }));
        }),
    )
    .sort((a, b) => b.score - a.score);
}

const apart = (a: number, b: number): number => Math.abs(((((a - b + 90) % 180) + 180) % 180) - 90);

/** Whether a fit can be ticks at all. */
function sound(grey: Grey, fitted: Fitted): boolean {
  const { ticksPerPx, ticksPerPxError, turnRadError } = middleOf(fitted.model);
  return (
    fitted.ticks >= FEWEST_TICKS &&
    fitted.share > 0.7 &&
    fitted.model.scatter < SCATTER &&
    fitted.periodPx >= 3 &&
    fitted.toT - fitted.fromT >= LEAST_LENGTH * fitted.periodPx &&
    2 * ticksPerPxError < TOO_UNSURE * ticksPerPx &&
    turnRadError * (180 / Math.PI) * 2 < TOO_TURNED &&
    inked(grey, fitted) > INKED
  );
}

/** The share of places on the ticks, over the lines on which they were found, that stand out as ticks do. */
function inked(grey: Grey, { axes, model, tone, fromT, toT }: Fitted): number {
  const ink = inkOfTicks(grey, axes, model, tone, { fromT, toT, stepPx: Math.max(1, (toT - fromT) / 12) });
  if (!ink) return 0;
  const seen = new Set(model.points.map(({ n }) => n - ink.firstN));
  const values = ink.values.flatMap((line) =>
    Array.from(line).filter((value, i) => seen.has(i) && !Number.isNaN(value)),
  );
  const usual = median(values);
  return values.filter((value) => value > 0.4 * usual && value < 3 * usual).length / Math.max(1, values.length);
}

/** Fits a candidate, and what is finer between its ticks as long as there is something. */
function finest(grey: Grey, candidate: Candidate): Fitted | null {
  let fitted = fitCandidate(grey, candidate);
  for (let depth = 0; fitted && depth < 3 && sound(grey, fitted); depth++) {
    const finer = finerDivision(grey, fitted);
    const again = finer && fitCandidate(grey, finer);
    if (!again || !sound(grey, again) || again.periodPx > 0.7 * fitted.periodPx) break;
    fitted = again;
  }
  return fitted && sound(grey, fitted) ? fitted : null;
}

const worth = ({ ticks, share, model }: Fitted): number => (ticks * share) / (1 + (model.scatter / USUAL_SCATTER) ** 2);

/** All sound fits of a picture, those with most ticks first; each place of the picture once. */
export function soundFits(grey: Grey, candidates: Candidate[], asked: RulerAsked): Fitted[] {
  const fits: Fitted[] = [];
  for (let i = 0; i < Math.min(MOST, candidates.length); i++) {
    asked.onProgress?.(0.5 + (0.5 * i) / Math.min(MOST, candidates.length));
    if (fits.some((fitted) => covers(fitted, candidates[i]!))) continue;
    const fitted = finest(grey, candidates[i]!);
    if (fitted) fits.push(fitted);
    if (fits.some((each) => each.ticks >= PLENTY) && i >= 3) break;
  }
  return fits.sort((a, b) => worth(b) - worth(a));
}

/** Whether a candidate is what was fitted already. */
const covers = (fitted: Fitted, candidate: Candidate): boolean =>
  apart(fitted.degrees, candidate.degrees) < 3 &&
  Math.abs(candidate.periodPx / fitted.periodPx - Math.round(candidate.periodPx / fitted.periodPx)) < 0.1 &&
  candidate.periodPx > 0.9 * fitted.periodPx &&
  candidate.fromT < fitted.toT + 4 * fitted.periodPx &&
  candidate.toT > fitted.fromT - 4 * fitted.periodPx;

/** What its ticks may be, by their lengths. */
export function divisions(grey: Grey, fitted: Fitted): Division[] {
  const { axes, model, tone, periodPx, fromT, toT } = fitted;
  const ink = inkOfTicks(grey, axes, model, tone, {
    fromT: fromT - 6 * periodPx,
    toT: toT + 6 * periodPx,
    stepPx: Math.max(1, periodPx / 10),
  });
  return ink ? divisionsOf(tickLengths(ink, fromT, toT)) : [];
}

function foundOf(fitted: Fitted, tickMm: number, told: Division[]): RulerFound {
  const { ticksPerPx, turnRad, ticksPerPxError, turnRadError } = middleOf(fitted.model);
  const pxPerMm = 1 / ticksPerPx / tickMm;
  const degrees = fitted.degrees + (turnRad * 180) / Math.PI;
  const numbers = [...new Set(fitted.model.points.map(({ n }) => n))].sort((a, b) => a - b);
  return {
    pxPerMm,
    pxPerMmError: pxPerMm * Math.hypot((2 * ticksPerPxError) / ticksPerPx, RULER_ITSELF),
    tickNormalDeg: ((((degrees + 90) % 180) + 180) % 180) - 90,
    tickNormalError: Math.hypot((2 * turnRadError * 180) / Math.PI, 0.01),
    finestTickMm: tickMm,
    ticks: numbers.length,
    lines: numbers.map((n) => ({
      n,
      from: placeOf(fitted.axes, placeOfNumber(fitted.model, n, fitted.fromT), fitted.fromT),
      to: placeOf(fitted.axes, placeOfNumber(fitted.model, n, fitted.toT), fitted.toT),
    })),
    divisions: told,
  };
}

/** What lens distortion beyond one term and unevenly read ticks leave, as a share. */
const RULER_ITSELF = 1e-4;

/** What to make of the fits: the first whose ticks are millimetres or halves. */
function judged(grey: Grey, fits: Fitted[], asked: RulerAsked): Result<RulerFound> {
  const best = fits[0];
  if (!best) return noRuler;
  if (asked.tickMm !== undefined) return ok(foundOf(best, asked.tickMm, []));
  let refusal: Result<never> | null = null;
  for (const fitted of fits) {
    if (worth(fitted) < 0.3 * worth(best)) break;
    const possible = divisions(grey, fitted);
    const sizes = new Set(possible.map((each) => FINEST_MM[each]));
    if (sizes.size === 1 && possible[0] !== 'inch') return ok(foundOf(fitted, FINEST_MM[possible[0]!], possible));
    refusal ??= possible[0] === 'inch' ? inches : undecided;
  }
  return refusal ?? noRuler;
}

/**
 * Finds a ruler in a picture by itself: direction, distance and number of its ticks, and from long and short ones what a tick
 * is. Gives pixels a millimetre along the ruler at the picture's middle. A ruler tilted in depth shows a little less of
 * itself, which no picture of ticks can undo.
 *
 * @returns a problem with what to do when there is none, or when it is not clear what a tick is
 */
export function findRuler(grey: Grey, asked: RulerAsked = {}): Result<RulerFound> {
  const most = Math.max(1, Math.round(Math.max(grey.width, grey.height) / SEARCH_PX));
  for (const by of most > 1 ? [most, Math.max(1, Math.floor(most / 2))] : [1]) {
    const found = judged(grey, soundFits(grey, allCandidates(grey, by, asked), asked), asked);
    if (found.ok || found.problem.code !== 'ruler.none') return found;
  }
  return noRuler;
}
