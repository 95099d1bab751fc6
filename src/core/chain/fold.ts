import { CLASS_LENS50_LP_PER_MM } from './lens50';
import { isFactor, tubesLengthMm, type BodySpec, type LensSpec, type Part } from './parts';
import { imageCircleAt } from '../optics/coverage';
import type { Arrangement, FrontPart } from './arrangement';
import type { MeasuredRatio } from './measuredRatio';
import { misfits } from './mountPath';
import { USUAL_TUBE_FOCAL_MM, USUAL_TUBE_LENGTH_MM, lens50Of, type MainLens } from './mainLens';
import { focalAtRatio, gapOf, zoomFocus, type LensFocus } from './lensFocus';
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
import { root } from '../quantity/root';
import { imageCircleBetween } from './zoomRange';

/** What the chain had become when a part was added to it. */
export interface Stage {
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
    lens50LpPerMm: lens50Of(lens),
    ...(circle === undefined ? {} : { circleMm: imageCircleAt(circle, from) }),
    ...(focus.closest ? { near: bare(focus.closest.ratio) } : {}),
  };
}

/** What acts on a setting, in the order of the fold: too much or too little flange, what is in front, what is behind. */
function actsOf({ front, back }: Arrangement, flangeErrorMm: number): Act[] {
  return [
    ...(flangeErrorMm === 0 ? [] : [actOfExtension(flangeErrorMm)]),
    ...[...front].reverse().flatMap((part): Act[] => {
      switch (part.kind) {
        case 'closeUp':
          return [actOfFrontLens(part.dioptres)];
        case 'objective':
          return [actOfFrontLens(powerOfObjective(part))];
        case 'coupled':
          return [actOfFrontLens(1000 / part.lens.focalTeleMm)];
        case 'scope':
          return [];
      }
    }),
    ...back.flatMap((part): Act[] =>
      isFactor(part) ? [actOfFactor(part.factor)] : part.kind === 'tubes' ? [actOfExtension(tubesLengthMm(part))] : [],
    ),
  ];
}

const powerOfObjective = (part: Extract<FrontPart, { kind: 'objective' }>): number =>
  (1000 * part.magnification) / (part.designTubeFocalMm ?? USUAL_TUBE_FOCAL_MM);

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

/**
 * Thin lens seen from behind: the lens's plane lies a focal length before the sensor it was made for, so reversed it lies
 * `length + flange − f` before the ring.
 */
function reversed(
  state: OpticState,
  lens: LensSpec,
  body: BodySpec,
  ringMm: number,
): { state: OpticState; unknown?: string } {
  const f = state.far.focalMm;
  const { lengthMm, flangeMm = body.flangeMm } = lens;
  if (lengthMm === undefined || flangeMm === undefined || body.flangeMm === undefined) {
    return { state, unknown: 'length of the lens and flange distance of the body' };
  }
  const imageMm = body.flangeMm + ringMm + lengthMm + flangeMm - f;
  if (imageMm <= f * 1.01)
    return { state, unknown: 'true place of its principal planes (by its length it would draw nothing)' };
  const setting = bareSetting(f, imageMm / f - 1);
  const turned = { ...state, far: setting, near: setting };
  if (state.circleMm === undefined) return { state: turned };
  return { state: { ...turned, circleMm: imageCircleAt(state.circleMm, Math.max(0, setting.ratio)) } };
}

function objectiveAlone(arrangement: Arrangement, state: OpticState, body: BodySpec): OpticState {
  const { main } = arrangement;
  if (main.kind !== 'objective') return state;
  const focalMm = state.far.focalMm;
  const setting = bareSetting(focalMm, main.magnification);
  const made: OpticState = { ...state, far: setting, near: setting };
  // Off its tube length the magnification goes with the extension; with the flange unknown, the length is taken as right.
  const off =
    body.flangeMm === undefined ? -tubesOf(arrangement) : body.flangeMm - (main.tubeLengthMm ?? USUAL_TUBE_LENGTH_MM);
  return throughExtension(made, off);
}

const tubesOf = ({ back }: Arrangement): number =>
  back.reduce((sum, part) => sum + (part.kind === 'tubes' ? tubesLengthMm(part) : 0), 0);

function flangeError({ main, back }: Arrangement, body: BodySpec): number {
  // What does not mount stands at no distance at all.
  if (
    main.kind !== 'lens' ||
    main.flangeMm === undefined ||
    body.flangeMm === undefined ||
    misfits(body, [main, ...back]).length
  )
    return 0;
  const adapters = back.filter((part) => part.kind === 'mountAdapter');
  const error = body.flangeMm + adapters.reduce((sum, part) => sum + part.addsMm, 0) - main.flangeMm;
  return Math.abs(error) > FLANGE_TOLERANCE_MM ? error : 0;
}

/**
 * Folds an arrangement into numbers, part by part from the main optic outwards.
 *
 * @param markedFocalMm the main optic's focal length as set
 * @param markedFNumber its widest f-number there
 */
export function foldOptics(
  arrangement: Arrangement,
  lens: MainLens,
  body: BodySpec,
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
  const turned = focusing(lensFocus, actsOf(arrangement, flangeErrorMm));
  const { lensFrom, neverFocuses } = startOfFocus(turned, lensFocus);
  let state = objectiveAlone(arrangement, startOf(lens, lensFocus, markedFNumber, lensFrom), body);
  const stages: Stage[] = [{ name: main.name, kind: main.kind, state }];
  let unknownRatio: string | undefined;
  if (flangeErrorMm !== 0) state = throughExtension(state, flangeErrorMm);

  const ring = back.find((part) => part.kind === 'reversing');
  if (ring && main.kind === 'lens') {
    const round = reversed(state, main, body, ring.lengthMm ?? 0);
    state = round.state;
    unknownRatio = round.unknown;
  } else if (ring) unknownRatio = 'how a built-in lens could be turned round';

  // From the lens outwards: what is in contact with it acts first.
  let aperture: number | undefined;
  for (const part of [...front].reverse()) {
    switch (part.kind) {
      case 'closeUp':
        state = throughFrontLens(state, part.dioptres, part.lens50LpPerMm);
        stages.push({ name: part.name, kind: 'closeUp', state });
        break;
      case 'scope': {
        const own = part.lens50LpPerMm ?? CLASS_LENS50_LP_PER_MM[part.detailClass];
        state = throughAfocal(
          state,
          part.magnificationSet ?? part.magnificationLow,
          part.objectiveMm,
          own,
          part.apparentFieldDeg,
        );
        stages.push({ name: part.name, kind: 'scope', state });
        break;
      }
      case 'objective':
        state = throughFrontLens(state, powerOfObjective(part), part.lens50LpPerMm);
        aperture = part.numericalAperture;
        stages.push({ name: part.name, kind: 'objective', state: stoppedBy(state, aperture) });
        break;
      case 'coupled':
        state = throughFrontLens(state, 1000 / part.lens.focalTeleMm, lens50Of(part.lens));
        aperture = 1 / (2 * part.lens.fNumberTele);
        stages.push({ name: part.lens.name, kind: part.lens.kind, state: stoppedBy(state, aperture) });
        break;
    }
  }
  for (const part of back) {
    if (isFactor(part)) state = throughFactor(state, part.factor, part.lens50LpPerMm);
    else if (part.kind === 'tubes') state = throughExtension(state, tubesLengthMm(part));
    stages.push({ name: part.name, kind: part.kind, state });
  }
  if (main.kind === 'objective') aperture = main.numericalAperture;
  if (aperture !== undefined) state = stoppedBy(state, aperture);
  const fixedRatio = arrangement.reversed || main.kind === 'objective';
  const plain =
    state.far.ratio === 0 && lensFrom === 0 && flangeErrorMm === 0 && !front.length && !arrangement.reversed;
  const only = fixedRatio || arrangement.scope ? state.far : undefined;
  return {
    state,
    stages,
    plain,
    fixedRatio,
    lensFocus,
    lensFrom: only ? 0 : lensFrom,
    ...(only ? { lensTo: 0 } : lensFocus.closest ? { lensTo: lensFocus.closest.ratio } : {}),
    settingAt: only ? () => only : turned,
    neverFocuses: !only && neverFocuses,
    ratioUncertainty: arrangement.reversed ? REVERSED_UNCERTAINTY : 0,
    ...(aperture === undefined ? {} : { numericalAperture: aperture }),
    ...(unknownRatio === undefined ? {} : { unknownRatio }),
    flangeErrorMm,
  };
}
