import type { EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import {
  computed,
  given,
  input,
  measured,
  withSchools,
  type Quantity,
  type School,
  type WhyInput,
} from '../quantity/quantity';
import { skyCamera, type FramePoint, type Pointing } from './camera';
import { SIDEREAL_ARCSEC_PER_S, driftMm } from './drift';
import { LONGEST_S, longestTimeS } from './longestTime';
import type { Projection } from './projection';
import { STAR_RULES, type StarRule } from './starRules';
import { toleranceOf, type ToleranceInput } from './tolerance';
import { starGrid, worstPoint, type StarGrid } from './worstPoint';

/** How long this person exposes with a lens before strokes disturb, as their own pictures tell. */
export interface OwnTime {
  seconds: number;
  plusMinusS: number;
  /** What it rests on, in words. */
  rests: string;
}

export interface StarsInput {
  system: EffectiveSystem;
  output: OutputSpec;
  projection: Projection;
  pointing: Pointing;
  tolerance: Omit<ToleranceInput, 'output' | 'longSidePx'>;
  rule: StarRule;
  /** Longest this person ever exposes, s. */
  ceilingS: number;
  /** What is set; the longest by the chosen rule when left out. */
  exposureS?: number | undefined;
  /** f-number as set; wide open when left out. */
  fNumber?: number | undefined;
  /** By how much this lens draws corner stars out by itself, px; 0 when it draws them round. */
  cornerStretchPx?: number | undefined;
  /** Learned with this lens, where it was. */
  ownTime?: OwnTime | undefined;
}

/** What one sees of the stars at the exposure set. */
export type StarVerdict = 'points' | 'cornersRun' | 'strokes';

/** One school: its seconds, and how far a star then runs in the centre and at the worst point, px at 100 %. */
export interface RuleReading {
  rule: StarRule;
  name: string;
  formula: string;
  gloss: string;
  seconds: number;
  centrePx: number;
  worstPx: number;
  chosen: boolean;
  plusMinus?: number | undefined;
}

/** What holds whatever exposure is set: worked out once for a drag of the exposure. */
export interface StarLimits {
  /** The camera under the sky, and the points of its frame. */
  grid: StarGrid;
  pitchUm: number;
  /** f-number in use. */
  aperture: Quantity;
  centreTolerancePx: Quantity;
  cornerTolerancePx: Quantity;
  /** Longest for the centre, and for the worst point of the frame. */
  centreS: Quantity;
  worstS: Quantity;
  /** By the chosen school. */
  limitS: Quantity;
  pixelScaleArcsec: Quantity;
  rules: RuleReading[];
  /** What a run is worked out from, besides the exposure. */
  runInputs: WhyInput[];
}

export interface StarsReading extends StarLimits {
  /** Where the worst point lies at this exposure. */
  worst: FramePoint;
  exposureS: Quantity;
  centreDriftPx: Quantity;
  worstDriftPx: Quantity;
  verdict: StarVerdict;
}

/** A lens that draws its corners out leaves the drift at least this share of the tolerance. */
const LEAST_LEFT = 0.25;

/** What is put into every time under the stars. */
function skyInputs(system: EffectiveSystem, declinationDeg: number) {
  const focal = input('f', 'focal length', system.focalMm);
  const pitch = input('p', 'pixel pitch', system.pitchUm);
  const declination = given(declinationDeg, '°', 'Declination of the frame’s centre', 'where the camera points');
  const turn = input(
    'ω',
    'turn of the sky',
    given(SIDEREAL_ARCSEC_PER_S, '″/s', 'Turn of the sky', 'one turn in a sidereal day'),
  );
  return { focal, pitch, declination, turn };
}

/** How far a star may run in the corners, when the lens has drawn it out already. */
function cornerTolerance(allowed: Quantity, cornerStretchPx: number): Quantity {
  if (!(cornerStretchPx > 0)) return allowed;
  const left = Math.max(allowed.value - cornerStretchPx, LEAST_LEFT * allowed.value);
  return computed(left, 'px', () => ({
    name: 'Left for drift in the corners',
    formula: 'b − s',
    inputs: [
      input('b', 'how far a star may run', allowed),
      input(
        's',
        'drawn out by the lens itself',
        given(cornerStretchPx, 'px', 'Corner stars drawn out by the lens', 'your note on this lens'),
      ),
    ],
    source: 'a corner star that is drawn out already has less left; at least a quarter is kept',
  }));
}

type SkyInputs = ReturnType<typeof skyInputs>;

/** A time that was found for a tolerance, with its reasons. */
function timeBy(inputs: SkyInputs, name: string, seconds: number, toleranceBy: Quantity, where: string): Quantity {
  const { focal, pitch, declination, turn } = inputs;
  return computed(seconds, 's', () => ({
    name,
    formula: 'drift(t) = b',
    inputs: [
      input('b', `how far a star may run ${where}`, toleranceBy),
      focal,
      pitch,
      input('δ', 'declination', declination),
      turn,
    ],
    source:
      seconds >= LONGEST_S
        ? 'at the pole the sky stands still; shown up to an hour'
        : 'found by projecting the star before and after',
    neglects: 'Wind, a shutter’s shake and refraction near the horizon.',
  }));
}

/** One's own time with a lens as a number with its reasons. */
const ownQuantity = ({ seconds, plusMinusS, rests }: OwnTime, lensName: string): Quantity =>
  measured(
    seconds,
    's',
    () => ({
      name: `Longest with ${lensName}, yours`,
      formula: '',
      inputs: [],
      source: `your own pictures, ${rests}: four of five are free of strokes, wherever you pointed`,
    }),
    plusMinusS,
  );

interface RuleContext {
  rule: StarRule;
  centrePxAt: (seconds: number) => number;
  worstPxAt: (seconds: number) => number;
  centreS: Quantity;
  worstS: Quantity;
  ownS: Quantity | null;
  ruleInput: Parameters<(typeof STAR_RULES)['c500']['seconds']>[0];
}

/** Every school with the run it really gives. */
function rulesOf({ rule, centrePxAt, worstPxAt, centreS, worstS, ownS, ruleInput }: RuleContext): RuleReading[] {
  const reading = (each: StarRule, name: string, formula: string, gloss: string, seconds: number): RuleReading => ({
    rule: each,
    name,
    formula,
    gloss,
    seconds,
    centrePx: centrePxAt(seconds),
    worstPx: worstPxAt(seconds),
    // One's own that is not known leaves the whole frame in its place.
    chosen: each === (rule === 'own' && !ownS ? 'worst' : rule),
  });
  return [
    reading(
      'worst',
      'Whole frame, computed',
      'drift(t) = b',
      'the worst point of the frame stays within what you allow',
      worstS.value,
    ),
    reading('centre', 'Centre, computed', 'drift(t) = b', 'the centre does; corners may run', centreS.value),
    ...(ownS
      ? [
          {
            ...reading(
              'own',
              'Your own pictures',
              'as learned',
              'four of five of yours are free of strokes',
              ownS.value,
            ),
            plusMinus: ownS.plusMinus,
          },
        ]
      : []),
    ...(Object.keys(STAR_RULES) as (keyof typeof STAR_RULES)[]).map((each) => {
      const { name, formula, gloss, seconds } = STAR_RULES[each];
      return reading(each, name, formula, gloss, seconds(ruleInput));
    }),
  ];
}

/** The longest by the school chosen, with what the others say. */
function limitOf(
  rules: RuleReading[],
  { centreS, worstS, ownS }: Pick<StarLimits, 'centreS' | 'worstS'> & { ownS: Quantity | null },
  system: EffectiveSystem,
  aperture: Quantity,
  { focal, pitch, declination }: SkyInputs,
): Quantity {
  const chosen = rules.find((each) => each.chosen) ?? rules[0]!;
  const schools = rules.map((each): School => ({
    preference: 'starRule',
    choice: each.rule,
    name: each.name,
    value: each.seconds,
    plusMinus: each.plusMinus,
    chosen: each.chosen,
  }));
  const known = { worst: worstS, centre: centreS, own: ownS };
  const exact = chosen.rule in known ? known[chosen.rule as keyof typeof known] : null;
  if (exact) return withSchools(exact, schools);
  return computed(chosen.seconds, 's', () => ({
    name: `Longest by the ${chosen.name}`,
    formula: chosen.formula,
    inputs: [
      focal,
      input('f_eq', 'equivalent focal length', system.equivalentFocalMm),
      input('N', 'f-number', aperture),
      pitch,
      input('δ', 'declination', declination),
    ],
    source: `rule of thumb: ${chosen.gloss}`,
    schools,
  }));
}

/**
 * How long a camera that stands still may expose under the stars, and what the schools say.
 *
 * @source exact projection of each star before and after; the worst point sought over the part of the frame that has a picture
 */
export function starLimits(from: Omit<StarsInput, 'exposureS'>): StarLimits {
  const {
    system,
    output,
    projection,
    pointing,
    tolerance,
    rule,
    ceilingS,
    fNumber,
    cornerStretchPx = 0,
    ownTime,
  } = from;
  const { used, focalMm, pitchUm } = system;
  const camera = skyCamera(projection, focalMm.value, pointing);
  const grid = starGrid(camera, used.widthMm, used.heightMm, system.imageCircleMm?.value);
  const allowed = toleranceOf({ ...tolerance, output, longSidePx: Math.max(used.columns, used.rows) });
  const centrePxAt = (seconds: number) => driftMm(camera, { xMm: 0, yMm: 0 }, seconds) / (pitchUm.value / 1000);
  const worstPxAt = (seconds: number) => worstPoint(grid, seconds).mm / (pitchUm.value / 1000);
  // A lens cannot be opened wider than it is.
  const stopped = fNumber !== undefined && fNumber > system.fNumber.value;
  const aperture = stopped ? given(fNumber, 'f/', 'f-number', 'as set') : system.fNumber;
  const inputs = skyInputs(system, pointing.declinationDeg);
  const cornerTolerancePx = cornerTolerance(allowed.corner, cornerStretchPx);
  const centreSeconds = longestTimeS(centrePxAt, allowed.centre.value);
  const worstSeconds = Math.min(centreSeconds, longestTimeS(worstPxAt, cornerTolerancePx.value));
  const centreS = timeBy(inputs, 'Longest for the centre', centreSeconds, allowed.centre, 'in the centre');
  const worstS = timeBy(inputs, 'Longest for the whole frame', worstSeconds, cornerTolerancePx, 'at the worst point');
  const ruleInput = {
    focalMm: focalMm.value,
    equivalentFocalMm: system.equivalentFocalMm.value,
    fNumber: aperture.value,
    pitchUm: pitchUm.value,
    declinationDeg: pointing.declinationDeg,
    ceilingS,
  };
  const ownS = ownTime ? ownQuantity(ownTime, system.lens.name) : null;
  const rules = rulesOf({ rule, centrePxAt, worstPxAt, centreS, worstS, ownS, ruleInput });
  return {
    grid,
    pitchUm: pitchUm.value,
    aperture,
    centreTolerancePx: allowed.centre,
    cornerTolerancePx,
    centreS,
    worstS,
    limitS: limitOf(rules, { centreS, worstS, ownS }, system, aperture, inputs),
    pixelScaleArcsec: computed((206.265 * pitchUm.value) / focalMm.value, '″/px', () => ({
      name: 'Pixel scale',
      formula: '206.265 · p / f',
      inputs: [inputs.pitch, inputs.focal],
      source: 'definition; in the centre',
    })),
    rules,
    runInputs: [inputs.focal, inputs.pitch, input('δ', 'declination of the centre', inputs.declination), inputs.turn],
  };
}

/** What runs of so many px are, in the centre and at the worst point, by the tolerance of these limits. */
export function starVerdict(
  { centreTolerancePx, cornerTolerancePx }: Pick<StarLimits, 'centreTolerancePx' | 'cornerTolerancePx'>,
  centrePx: number,
  worstPx: number,
): StarsReading['verdict'] {
  const within = (px: number, allowed: Quantity) => px <= allowed.value * (1 + 1e-6);
  if (!within(centrePx, centreTolerancePx)) return 'strokes';
  return within(worstPx, cornerTolerancePx) ? 'points' : 'cornersRun';
}

/** The stars at an exposure: the longest by the chosen school when none is set. */
export function starsAt(limits: StarLimits, exposureS: number | undefined): StarsReading {
  const { grid, pitchUm, limitS, runInputs } = limits;
  const seconds = exposureS ?? limitS.value;
  const exposure = exposureS === undefined ? limitS : given(exposureS, 's', 'Exposure', 'as set');
  const worst = worstPoint(grid, seconds);
  const run = (px: number, name: string, where: string) =>
    computed(px, 'px', () => ({
      name,
      formula: '|end − start| / p',
      inputs: [input('t', 'exposure', exposure), ...runInputs],
      source: `exact projection of a star ${where}, before and after`,
    }));
  const centrePx = (driftMm(grid.camera, { xMm: 0, yMm: 0 }, seconds) * 1000) / pitchUm;
  const worstPx = (worst.mm * 1000) / pitchUm;
  return {
    ...limits,
    worst: worst.point,
    exposureS: exposure,
    centreDriftPx: run(centrePx, 'Run of a star in the centre', 'in the centre'),
    worstDriftPx: run(
      worstPx,
      'Run of a star at the worst point',
      `${Math.round(worst.point.xMm)} mm right and ${Math.round(worst.point.yMm)} mm up of the centre`,
    ),
    verdict: starVerdict(limits, centrePx, worstPx),
  };
}

/** Reads a camera that stands still under the stars at an exposure. */
export const readStars = ({ exposureS, ...lasting }: StarsInput): StarsReading =>
  starsAt(starLimits(lasting), exposureS);
