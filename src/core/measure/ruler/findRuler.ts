import type { Grey } from '../../picture/grey';
import { fail, ok, type Result } from '../../quantity/result';
import { candidatesAlong, STRIP_PX, type Candidate } from './candidates';
import { directions } from './directions';
import { divisionsOf, type Division } from './division';
import type { Fitted } from './fitCandidate';
import { sizesOf, soundFits, worth, type Sizes } from './soundFits';
import { inkOfTicks } from './inkOfTicks';
import { SLOW } from './period';
import { middleOf, placeOfNumber } from './rulerModel';
import { apart, placeOf } from './strips';
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
const halvesOrInches = fail(
  'ruler.which',
  'Of so few ticks it cannot be told whether they are half millimetres or parts of an inch: say what lies between two ticks.',
  'tick',
);

const tooUneven = fail(
  'ruler.uneven',
  'So few ticks were found, or such uneven ones, that a millimetre is not known to one in a hundred. Bring more of the ruler into the picture, or set the two handles by hand.',
  'picture',
);
/** A ruler that is not known better than this is not one, as a share; about 95 %. */
const ROUGHEST = 0.01;

/** Why it is not clear what a tick is. */
const unclear = (possible: Division[]): Result<never> =>
  !possible.includes('inch') ? undecided : possible.length === 1 ? inches : halvesOrInches;

/** The candidates of a picture in all its directions, best first; positions in px of the whole picture. */
export function allCandidates(sizes: Sizes, by: number, asked: RulerAsked): Candidate[] {
  const fine = sizes.smaller(by);
  const looked = [
    { picture: fine, by, part: SLOW.fine },
    // Broad ticks and noisy ones show better in a picture a third as large.
    { picture: sizes.smaller(3 * by), by: 3 * by, part: SLOW.broad },
  ];
  return looked
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

/** What its ticks may be, by their lengths. */
export function divisions(fitted: Fitted): Division[] {
  const { grey, axes, model, tone, periodPx, fromT, toT } = fitted;
  const ink = inkOfTicks(grey, axes, model, tone, {
    fromT: fromT - 6 * periodPx,
    toT: toT + 6 * periodPx,
    stepPx: Math.max(1, periodPx / 10),
  });
  return ink ? divisionsOf(tickLengths(ink, fromT, toT)) : [];
}

function foundOf(fitted: Fitted, tickMm: number, told: Division[]): RulerFound {
  const { ticksPerPx, turnRad, ticksPerPxError, turnRadError } = middleOf(fitted.model);
  const { by } = fitted;
  const pxPerMm = by / ticksPerPx / tickMm;
  // From the middle of a block to the picture's own px.
  const whole = ([x, y]: [number, number]): [number, number] => [(x + 0.5) * by - 0.5, (y + 0.5) * by - 0.5];
  const degrees = fitted.degrees + (turnRad * 180) / Math.PI;
  const numbers = [...new Set(fitted.model.points.map(({ n }) => n))].sort((a, b) => a - b);
  return {
    pxPerMm,
    pxPerMmError: pxPerMm * Math.hypot((2 * ticksPerPxError) / ticksPerPx, RULER_ITSELF),
    tickNormalDeg: ((((degrees + 90) % 180) + 180) % 180) - 90,
    tickNormalError: Math.hypot((2 * turnRadError * 180) / Math.PI, 0.015),
    finestTickMm: tickMm,
    ticks: numbers.length,
    lines: numbers.map((n) => ({
      n,
      from: whole(placeOf(fitted.axes, placeOfNumber(fitted.model, n, fitted.fromT), fitted.fromT)),
      to: whole(placeOf(fitted.axes, placeOfNumber(fitted.model, n, fitted.toT), fitted.toT)),
    })),
    divisions: told,
  };
}

/** What lens distortion beyond one term and unevenly read ticks leave, as a share. */
const RULER_ITSELF = 1.2e-4;

/** What was found, where it is known well enough to be used. */
const ifSure = (found: RulerFound): Result<RulerFound> =>
  found.pxPerMmError > ROUGHEST * found.pxPerMm ? tooUneven : ok(found);

/** What to make of the fits: the first whose ticks are millimetres or halves. */
function judged(fits: Fitted[], asked: RulerAsked): Result<RulerFound> {
  const best = fits[0];
  if (!best) return noRuler;
  if (asked.tickMm !== undefined) return ifSure(foundOf(best, asked.tickMm, []));
  let refusal: Result<never> | null = null;
  for (const fitted of fits) {
    if (worth(fitted) < 0.3 * worth(best)) break;
    const possible = divisions(fitted);
    const sizes = new Set(possible.map((each) => FINEST_MM[each]));
    if (sizes.size === 1 && possible[0] !== 'inch') return ifSure(foundOf(fitted, FINEST_MM[possible[0]!], possible));
    refusal ??= unclear(possible);
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
  const sizes = sizesOf(grey);
  const most = Math.max(1, Math.round(Math.max(grey.width, grey.height) / SEARCH_PX));
  for (const by of most > 1 ? [most, Math.max(1, Math.floor(most / 2))] : [1]) {
    const fits = soundFits(sizes, allCandidates(sizes, by, asked), (share) => asked.onProgress?.(0.5 + 0.5 * share));
    const found = judged(fits, asked);
    if (found.ok || found.problem.code !== 'ruler.none') return found;
  }
  return noRuler;
}
