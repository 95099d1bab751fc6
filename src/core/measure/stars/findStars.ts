import type { Grey } from '../../picture/grey';
import { fail, ok, type Result } from '../../quantity/result';
import { median } from '../smooth';
import { fieldBlur, SHARPEST_SIGMA, type FieldBlur } from './fieldBlur';
import { predictedSmear, type StarSetup } from './predictedTrail';
import { withoutSky } from './skyLight';
import { starPlaces } from './starPlaces';
import { areStars, starEvidence } from './starsAreThere';
import { steadied } from './steadied';
import { fitStroke, type StarField, type Stroke } from './strokeFit';
import { turnOfSky } from './turningSky';
import { directionOf, lengthOf, trailField, type Smear, type TrailField } from './trailField';

/** One star's stroke. */
export interface StarFound {
  x: number;
  y: number;
  /** How far it ran, px; where that is shorter than can be told, the most it can have run. */
  lengthPx: number;
  plusMinus: number;
  /** Degrees from +x towards +y, 0 to 180. */
  directionDeg: number;
  upperLimit: boolean;
  snr: number;
  saturated: boolean;
}

/** A length with its error, px. */
export interface Trail {
  lengthPx: number;
  plusMinus: number;
  directionDeg: number;
}

/** How stars run over a picture. */
export interface StarsFound {
  stars: StarFound[];
  /** All together at the middle, at each corner (left to right, top first), and where they run longest. */
  centre: Trail;
  corners: [Trail, Trail, Trail, Trail];
  worst: Trail & { x: number; y: number };
  /** How far the sky alone made them run in the middle, and the lens in the worst corner; nothing without the set-up. */
  lensWorstPx: number;
  /** Measured ÷ predicted run of the sky, and its error; nothing without the set-up. */
  factor: { value: number; plusMinus: number } | null;
  /** Full width at half maximum of a star square to its stroke, in the middle, px. */
  fwhmPx: number;
  fwhmError: number;
  /** Stars the field rests on. */
  used: number;
  /** The centre's run is shorter than the blur tells: an upper limit. */
  upperLimit: boolean;
}

/** What compression and the steps of a file leave of a blur, as a share. */
const LEAST_BLUR = 0.005;
const FWHM = 2 * Math.sqrt(2 * Math.LN2);
/** Shorter than this share of the blur a stroke's length and its blur cannot be told apart. */
const TELLING = 0.7;

const none = fail(
  'stars.none',
  'No stars were found: fewer than five points of light stand out of the sky. Take a picture of the open sky, in focus, and expose a little longer.',
  'picture',
);

const notStars = fail(
  'stars.unlike',
  'There are points of light, but they are no stars: stars of one picture are all equally sharp, these are not. Take a picture of the open sky, in focus.',
  'picture',
);

/** So many of the brightest are fitted with a blur of their own first. */
const BRIGHT = 200;

/** Strokes of the brighter stars with a blur of their own, then of all with the blur of the field. */
function strokesOf(
  field: StarField,
  places: ReturnType<typeof starPlaces>['places'],
  onProgress?: (share: number) => void,
) {
  const bright: (Stroke | null)[] = [];
  for (const [i, place] of places.slice(0, BRIGHT).entries()) {
    bright.push(fitStroke(field, place, 1.3, false));
    if (i % 20 === 0) onProgress?.(0.4 + (0.25 * i) / BRIGHT);
  }
  const blur = fieldBlur(
    bright.filter((each) => each !== null),
    field.width,
    field.height,
  );
  if (!blur) return null;
  const strokes: Stroke[] = [];
  const alone: Stroke[] = [];
  for (const [i, place] of places.entries()) {
    const own = bright[i] ?? undefined;
    const stroke = fitStroke(field, place, blur.at(place.x, place.y), true, own);
    if (i % 20 === 0) onProgress?.(0.65 + (0.3 * i) / places.length);
    if (!stroke) continue;
    // A crumb sharper than any lens is no star, whatever the field says.
    const crumb = own && own.sigma < Math.min(SHARPEST_SIGMA, 0.6 * blur.middle) && Math.hypot(own.vx, own.vy) < 1.5;
    if (crumb || stroke.snr <= 4) continue;
    strokes.push(stroke);
    if (own) alone.push(own);
  }
  return { strokes, alone, blur };
}

/** How well a stroke is what it is taken for: remains of more than this many times the noise are doubles, or worse. */
const CLEAN = 3;

function starOf(stroke: Stroke, blur: FieldBlur): StarFound {
  const { x, y, vx, vy, vxVariance, vyVariance, covariance, snr, saturated } = stroke;
  const length = Math.hypot(vx, vy);
  const sigma = blur.at(x, y);
  const share = length > 0 ? [vx / length, vy / length] : [1, 0];
  const along = share[0]! ** 2 * vxVariance + 2 * share[0]! * share[1]! * covariance + share[1]! ** 2 * vyVariance;
  // A wrong blur of the field makes short strokes wrong the more: L² and 12σ² are one sum.
  const byBlur = (12 * sigma * 0.03 * sigma) / Math.max(length, sigma);
  const error =
    2 * Math.sqrt(Math.max(0, along)) + 0.03 + Math.min(byBlur, sigma) * (length < 2 * FWHM * sigma ? 1 : 0.3);
  const upperLimit = length < TELLING * FWHM * sigma;
  const most = Math.sqrt(length * length + 2 * length * error + 0.5 * error * error);
  return {
    x,
    y,
    lengthPx: upperLimit ? most : length,
    plusMinus: upperLimit ? most : error,
    directionDeg: ((Math.atan2(vy, vx) * 180) / Math.PI + 360) % 180,
    upperLimit,
    snr,
    saturated,
  };
}

const sum = (a: Smear, b: Smear): Smear => [a[0] + b[0], a[1] + b[1]];

function trailAt(field: TrailField, x: number, y: number): Trail {
  const lens = field.lens(x, y);
  const smear = sum(field.sky(x, y), lens);
  const lengthPx = lengthOf(smear);
  const error = Math.hypot(STANDING_IN * field.error(x, y), OF_LENS * Math.hypot(...lens));
  return { lengthPx, plusMinus: lengthError(lengthPx, error), directionDeg: directionOf(smear) };
}

/**
 * A run drawn once more by a fault of the lens is no straight stroke of even light: the stroke that fits it best takes up between
 * half (a short fault along a long run) and four fifths (one as long as the run) of what the fault adds to the square.
 */
const OF_LENS = 0.5;

/** Half-widths in deviations: two, and somewhat more where a field only stands in for what the sky or the lens does. */
const TWO = 2;
const STANDING_IN = 2.4;

/** Error of a length, out of that of its square. */
const lengthError = (lengthPx: number, squareError: number): number =>
  Math.sqrt(lengthPx ** 2 + squareError) - lengthPx + 0.02;

/** Which way up the picture stood under the sky, where that is not known: the middle's direction, or its opposite. */
function rolledSetup(strokes: Stroke[], setup: StarSetup, width: number, height: number): StarSetup {
  if (setup.rollDeg !== undefined) return setup;
  const free = turnOfSky(strokes, width, height);
  if (!free) return setup;
  const direction = directionOf(free.sky((width - 1) / 2, (height - 1) / 2));
  const misfit = (rollDeg: number): number => {
    const smear = predictedSmear({ ...setup, rollDeg }, { width, height });
    return strokes.reduce((all, { x, y, vx, vy }) => {
      const [p, q] = smear(x, y);
      const l2 = Math.hypot(p, q) + 1;
      return all + Math.min(1, Math.hypot(vx * vx - vy * vy - p, 2 * vx * vy - q) / l2);
    }, 0);
  };
  const other = direction + 180;
  return { ...setup, rollDeg: misfit(direction) <= misfit(other) ? direction : other };
}

/**
 * Measures how far the stars of a picture ran, each by itself and all together.
 *
 * @param setup how it was taken, where that is known: then the sky's part is told from the lens's
 * @returns a problem with what to do when there are no stars
 */
export function findStars(
  grey: Grey,
  { setup, onProgress }: { setup?: StarSetup | undefined; onProgress?: ((share: number) => void) | undefined } = {},
): Result<StarsFound> {
  const { width, height } = grey;
  const sky = withoutSky(grey);
  onProgress?.(0.2);
  const { places, labels, light } = starPlaces(sky, width, height);
  onProgress?.(0.4);
  if (places.length < 5) return none;
  const field: StarField = { light, labels, width, height, sky, full: 0.97 - sky.level };
  const fitted = strokesOf(field, places, onProgress);
  if (!fitted || fitted.strokes.length < 5) return none;
  const { strokes, alone, blur } = fitted;
  // The evidence is asked of strokes with a blur of their own: with that of the field all would be alike.
  const isClean = ({ misfit, snr }: Stroke) => misfit < CLEAN + 0.02 * snr;
  if (!areStars(starEvidence(alone.length >= 5 ? alone : strokes, isClean))) return notStars;
  // Short strokes with a blur given to them are wrong by its error, all of them the same way; with a blur of their own they
  // are uncertain, each its own way.
  const short = median(strokes.map(({ vx, vy }) => Math.hypot(vx, vy))) < 1.5 * FWHM * blur.middle;
  const speaking = short && alone.length >= 8 ? alone : strokes;
  const clean = speaking.filter((stroke) => isClean(stroke) && stroke.snr > 8);
  const spoken = clean.length >= 8 ? clean : speaking;
  const known = setup && rolledSetup(spoken, setup, width, height);
  const byPlan = known ? trailField(spoken, width, height, predictedSmear(known, grey)) : null;
  const trails = byPlan ?? turnOfSky(spoken, width, height);
  return trails ? ok(togetherOf(trails, strokes, blur, grey)) : none;
}

function togetherOf(trails: TrailField, strokes: Stroke[], blur: FieldBlur, { width, height }: Grey): StarsFound {
  const [right, bottom] = [width - 1, height - 1];
  const at = (x: number, y: number) => trailAt(trails, x, y);
  const corners: StarsFound['corners'] = [at(0, 0), at(right, 0), at(0, bottom), at(right, bottom)];
  const points = Array.from(
    { length: 49 },
    (_, i) => [((i % 7) / 6) * right, (Math.floor(i / 7) / 6) * bottom] as const,
  );
  const worst = points
    .map(([x, y]) => ({ ...at(x, y), x, y }))
    .reduce((most, each) => (each.lengthPx > most.lengthPx ? each : most));
  // A fault along the radius is nothing in the middle.
  const middle = trails.sky(right / 2, bottom / 2);
  const lengthPx = lengthOf(middle);
  const fwhmPx = FWHM * blur.middle;
  return {
    stars: steadied(
      strokes.map((stroke) => starOf(stroke, blur)),
      at,
    ),
    centre: {
      lengthPx,
      plusMinus: lengthError(lengthPx, (trails.factor ? TWO : STANDING_IN) * trails.error(right / 2, bottom / 2)),
      directionDeg: directionOf(middle),
    },
    corners,
    worst,
    lensWorstPx: Math.max(...points.map(([x, y]) => lengthOf(trails.lens(x, y)))),
    factor: trails.factor && { value: trails.factor.value, plusMinus: 2 * trails.factor.error + 0.003 },
    fwhmPx,
    fwhmError: FWHM * TWO * blur.middleError + LEAST_BLUR * fwhmPx,
    used: trails.used,
    upperLimit: lengthPx < TELLING * fwhmPx * 0.5 && trails.factor === null,
  };
}
