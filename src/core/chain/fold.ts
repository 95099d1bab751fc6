import { root } from '../quantity/root';
import { type Arrangement, type FrontPart } from './arrangement';
import type { MainLens } from './asLens';
import { lens50Of } from './lensSharpness';
import type { Light } from './kind';
import { kindOf } from './kinds';
import { USUAL_TUBE_LENGTH_MM } from './kinds/objective';
import { imageCircleAt } from './imageCircle';
import { focalAtRatio, gapOf, zoomFocus, type LensFocus } from './lensFocus';
import type { MeasuredRatio } from './measuredRatio';
import { misfits } from './mountPath';
import {
  actOfExtension,
  actOfFactor,
  actOfFrontLens,
  bareSetting,
  throughAfocal,
  throughExtension,
  throughFactor,
  throughFrontLens,
  type Act,
  type OpticState,
  type Setting,
} from './opticState';
import type { BodySide, LensSpec, Part } from './parts';
import { imageCircleBetween } from './zoomRange';

/** What the chain had become when a part was added to it. */
export interface Stage {
  /** The part itself; a coupled lens by itself. */
  part: Part;
  name: string;
  kind: Part['kind'];
  state: OpticState;
}

/** A chain folded into numbers, with the stages it went through: the main optic, then what stands in front, then behind. */
export interface FoldedOptics {
  state: OpticState;
  stages: Stage[];
  /** True when nothing but converters changes the bare lens, so that it focuses as it says. */
  plain: boolean;
  /** The ratio does not change with the lens's own focus. */
  fixedRatio: boolean;
  /** Relative uncertainty of the ratio beyond the lens's own. */
  ratioUncertainty: number;
  /** What is missing to know the ratio at all. */
  unknownRatio?: string;
  /** What stops the light on the subject's side, where an objective or a coupled lens does. */
  numericalAperture?: number;
  /** Light swallowed by filters, stops. */
  shadeStops: number;
  /** Ratios the photographer measured; they have replaced the estimates in `state`. */
  measured?: MeasuredRatio[];
  /** Extension because flange distances do not add up, mm; positive: too far from the sensor. */
  flangeErrorMm: number;
  /** How the lens by itself focuses. */
  lensFocus: LensFocus;
  /** Range of the lens's own ratio: 0 where its infinity mark is infinity; no end where its closest focus is not known. */
  lensFrom: number;
  lensTo?: number;
  /**
   * The whole chain with the lens's own focus at a ratio.
   *
   * @param unshortened share by which the lens is taken to shorten less than its law says: what the ± is found with
   */
  settingAt: (lensRatio: number, unshortened?: number) => Setting;
  /** It stands so near to the sensor that nothing comes to focus, however far its own focus is turned. */
  neverFocuses: boolean;
}

/** Where the principal planes of a reversed lens are is a guess: a quarter either way. */
const REVERSED_UNCERTAINTY = 0.25;
const FLANGE_TOLERANCE_MM = 0.15;

/** What a part does to the light. */
export const lightOf = (part: Part): Light => kindOf(part).through(part);

/** What stands in front does to the light; a coupled lens acts as a close-up lens of its own focal length. */
export function lightInFront(part: FrontPart): Light {
  if (part.kind !== 'coupled') return lightOf(part);
  const { lens } = part;
  return {
    does: 'power',
    dioptres: 1000 / lens.focalTeleMm,
    own50LpPerMm: lens50Of(lens),
    numericalAperture: 1 / (2 * lens.fNumberTele),
  };
}

function startOf(lens: MainLens, focus: LensFocus, markedFNumber: number, from: number): OpticState {
  const markedFocalMm = focus.focalMm;
  const circle =
    lens.imageCircleWideMm === undefined
      ? undefined
      : imageCircleBetween(
          markedFocalMm,
          lens.focalWideMm,
          lens.focalTeleMm,
          lens.imageCircleWideMm,
          lens.imageCircleTeleMm ?? lens.imageCircleWideMm,
        );
  const bare = (ratio: number) => bareSetting(focalAtRatio(focus, ratio), ratio, gapOf(focus));
  return {
    far: bare(from),
    fNumber: markedFNumber,
    factor: 1,
    lens50LpPerMm: lens50Of(lens, { focalMm: markedFocalMm, fNumber: markedFNumber }),
    ...(circle === undefined ? {} : { circleMm: imageCircleAt(circle, from) }),
    ...(focus.closest ? { near: bare(focus.closest.ratio) } : {}),
  };
}

/** How a light acts on one setting of the lens's focus; not at all where it only changes what the fold began with. */
function actsOf(light: Light): Act[] {
  switch (light.does) {
    case 'factor':
      return [actOfFactor(light.factor)];
    case 'extension':
      return [actOfExtension(light.mm)];
    case 'power':
      return [actOfFrontLens(light.dioptres)];
    case 'afocal':
    case 'turn':
    case 'flange':
    case 'shade':
    case 'nothing':
      return [];
  }
}

/** How a light acts on everything a chain has become. */
function through(state: OpticState, light: Light): OpticState {
  switch (light.does) {
    case 'factor':
      return throughFactor(state, light.factor, light.own50LpPerMm);
    case 'extension':
      return throughExtension(state, light.mm);
    case 'power':
      return throughFrontLens(state, light.dioptres, light.own50LpPerMm);
    case 'afocal':
      return throughAfocal(state, light.magnification, light.objectiveMm, light.own50LpPerMm, light.apparentFieldDeg);
    case 'turn':
    case 'flange':
    case 'shade':
    case 'nothing':
      return state;
  }
}

/** The whole chain as a function of the lens's own ratio. */
function focusing(focus: LensFocus, acts: Act[]): FoldedOptics['settingAt'] {
  return (lensRatio, unshortened = 0) => {
    const own = focalAtRatio(focus, lensRatio);
    const focalMm = own + (focus.focalMm - own) * unshortened;
    return acts.reduce((setting, act) => act(setting), bareSetting(focalMm, lensRatio, gapOf(focus)));
  };
}

/** How far a lens without closest-focus data is taken to be turned out at most. */
const UNKNOWN_REACH = 2;

/** From which ratio of its own a lens reaches: 0, or where infinity comes to lie when it stands too near to the sensor. */
function startOfFocus(
  settingAt: FoldedOptics['settingAt'],
  focus: LensFocus,
): { lensFrom: number; neverFocuses: boolean } {
  const ratioAt = (lensRatio: number) => settingAt(lensRatio).ratio;
  if (ratioAt(0) >= -1e-9) return { lensFrom: 0, neverFocuses: false };
  const last = focus.closest?.ratio ?? UNKNOWN_REACH;
  return ratioAt(last) <= 1e-9
    ? { lensFrom: 0, neverFocuses: true }
    : { lensFrom: root(ratioAt, 0, last), neverFocuses: false };
}

/** A lens or objective whose numerical aperture on the subject's side stops the light: N_w = m/(2·NA). */
function stoppedBy(state: OpticState, numericalAperture: number): OpticState {
  const { ratio } = state.far;
  return { ...state, fNumber: Math.max(state.fNumber, ratio / (2 * numericalAperture * (1 + ratio))) };
}

/** What a reversed lens cannot be reckoned without, and only that. */
const missingOfReversed = (lengthMm: number | undefined, bodyFlangeMm: number | undefined): string =>
  [
    ...(lengthMm === undefined ? ['length of the lens'] : []),
    ...(bodyFlangeMm === undefined ? ['flange distance of the body'] : []),
  ].join(' and the ');

/**
 * Thin lens seen from behind: the lens's plane lies a focal length before the sensor it was made for, so reversed it lies
 * `length + flange − f` before the ring.
 */
function reversed(
  state: OpticState,
  lens: LensSpec,
  body: BodySide,
  ringMm: number,
): { state: OpticState; unknown?: string } {
  const f = state.far.focalMm;
  const { lengthMm, flangeMm = body.flangeMm } = lens;
  if (lengthMm === undefined || flangeMm === undefined || body.flangeMm === undefined) {
    return { state, unknown: missingOfReversed(lengthMm, body.flangeMm) };
  }
  const imageMm = body.flangeMm + ringMm + lengthMm + flangeMm - f;
  if (imageMm <= f * 1.01)
    return { state, unknown: 'true place of its principal planes (by its length it would draw nothing)' };
  const setting = bareSetting(f, imageMm / f - 1);
  const turned = { ...state, far: setting, near: setting };
  if (state.circleMm === undefined) return { state: turned };
  return { state: { ...turned, circleMm: imageCircleAt(state.circleMm, Math.max(0, setting.ratio)) } };
}

/** Extension that tubes and bellows add, mm. */
const extensionOf = ({ back }: Arrangement): number =>
  back.map(lightOf).reduce((sum, light) => sum + (light.does === 'extension' ? light.mm : 0), 0);

function objectiveAlone(arrangement: Arrangement, state: OpticState, body: BodySide): OpticState {
  const { main } = arrangement;
  if (main.kind !== 'objective') return state;
  const focalMm = state.far.focalMm;
  const setting = bareSetting(focalMm, main.magnification);
  const made: OpticState = { ...state, far: setting, near: setting };
  // Off its tube length the magnification goes with the extension; with the flange unknown, the length is taken as right.
  const off =
    body.flangeMm === undefined
      ? -extensionOf(arrangement)
      : body.flangeMm - (main.tubeLengthMm ?? USUAL_TUBE_LENGTH_MM);
  return throughExtension(made, off);
}

function flangeError({ main, back }: Arrangement, body: BodySide): number {
  // What does not mount stands at no distance at all.
  if (
    main.kind !== 'lens' ||
    main.flangeMm === undefined ||
    body.flangeMm === undefined ||
    misfits(body, [main, ...back]).length
  )
    return 0;
  const adaptersMm = back.map(lightOf).reduce((sum, light) => sum + (light.does === 'flange' ? light.mm : 0), 0);
  const error = body.flangeMm + adaptersMm - main.flangeMm;
  return Math.abs(error) > FLANGE_TOLERANCE_MM ? error : 0;
}

/** A lens turned round by a ring behind it, and what is missing to know how it then draws. */
function turned(arrangement: Arrangement, state: OpticState, body: BodySide): { state: OpticState; unknown?: string } {
  const { main, back } = arrangement;
  const ring = back.map(lightOf).find((light) => light.does === 'turn');
  if (ring?.does !== 'turn') return { state };
  return main.kind === 'lens'
    ? reversed(state, main, body, ring.ringMm)
    : { state, unknown: 'how a built-in lens could be turned round' };
}

interface Walked {
  state: OpticState;
  stages: Stage[];
  aperture: number | undefined;
}

/** From the lens outwards through what stands in front: what is in contact with it acts first. */
function walkFront({ front }: Arrangement, start: OpticState): Walked {
  const walked: Walked = { state: start, stages: [], aperture: undefined };
  for (const each of [...front].reverse()) {
    const light = lightInFront(each);
    const part = each.kind === 'coupled' ? each.lens : each;
    walked.state = through(walked.state, light);
    const aperture = light.does === 'power' ? light.numericalAperture : undefined;
    walked.aperture = aperture ?? walked.aperture;
    const state = aperture === undefined ? walked.state : stoppedBy(walked.state, aperture);
    walked.stages.push({ part, name: part.name, kind: part.kind, state });
  }
  return walked;
}

/** From the main optic towards the sensor. */
function walkBack({ back }: Arrangement, start: OpticState): Pick<Walked, 'state' | 'stages'> {
  let state = start;
  const stages = back.map((part): Stage => {
    state = through(state, lightOf(part));
    return { part, name: part.name, kind: part.kind, state };
  });
  return { state, stages };
}

/** Light swallowed by what stands in the chain, stops. */
const shadeOf = ({ front, back }: Arrangement): number =>
  [...front.map(lightInFront), ...back.map(lightOf)].reduce(
    (sum, light) => sum + (light.does === 'shade' ? light.stops : 0),
    0,
  );

/**
 * Folds an arrangement into numbers, part by part from the main optic outwards. Distance does not enter: it is asked of
 * `settingAt` afterwards.
 *
 * @param markedFocalMm the main optic's focal length as set
 * @param markedFNumber its widest f-number there
 */
export function fold(
  arrangement: Arrangement,
  lens: MainLens,
  body: BodySide,
  markedFocalMm: number,
  markedFNumber: number,
): FoldedOptics {
  const { main, front, back } = arrangement;
  const flangeErrorMm = arrangement.reversed ? 0 : flangeError(arrangement, body);
  const lensFocus = zoomFocus(
    markedFocalMm,
    lens.focalTeleMm,
    lens.closestFocusM === undefined ? undefined : lens.closestFocusM * 1000,
    lens.closestRatio,
  );
  // In the order of the fold: too much or too little flange, what is in front, what is behind.
  const acts = [
    ...(flangeErrorMm === 0 ? [] : [actOfExtension(flangeErrorMm)]),
    ...[...front].reverse().flatMap((part) => actsOf(lightInFront(part))),
    ...back.flatMap((part) => actsOf(lightOf(part))),
  ];
  const settingAt = focusing(lensFocus, acts);
  const { lensFrom, neverFocuses } = startOfFocus(settingAt, lensFocus);
  const bare = objectiveAlone(arrangement, startOf(lens, lensFocus, markedFNumber, lensFrom), body);
  const set = flangeErrorMm === 0 ? bare : throughExtension(bare, flangeErrorMm);
  const round = turned(arrangement, set, body);
  const inFront = walkFront(arrangement, round.state);
  const behind = walkBack(arrangement, inFront.state);
  const aperture = main.kind === 'objective' ? main.numericalAperture : inFront.aperture;
  const state = aperture === undefined ? behind.state : stoppedBy(behind.state, aperture);
  const fixedRatio = arrangement.reversed || main.kind === 'objective';
  const bends = front.some((part) => lightInFront(part).does !== 'shade');
  const only = fixedRatio || arrangement.scope ? state.far : undefined;
  return {
    state,
    stages: [{ part: main, name: main.name, kind: main.kind, state: bare }, ...inFront.stages, ...behind.stages],
    plain: state.far.ratio === 0 && lensFrom === 0 && flangeErrorMm === 0 && !bends && !arrangement.reversed,
    fixedRatio,
    lensFocus,
    lensFrom: only ? 0 : lensFrom,
    ...(only ? { lensTo: 0 } : lensFocus.closest ? { lensTo: lensFocus.closest.ratio } : {}),
    settingAt: only ? () => only : settingAt,
    neverFocuses: !only && neverFocuses,
    ratioUncertainty: arrangement.reversed ? REVERSED_UNCERTAINTY : 0,
    shadeStops: shadeOf(arrangement),
    ...(aperture === undefined ? {} : { numericalAperture: aperture }),
    ...(round.unknown === undefined ? {} : { unknownRatio: round.unknown }),
    flangeErrorMm,
  };
}
