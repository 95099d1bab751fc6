import { CLASS_LENS50_LP_PER_MM } from '../detail/lens50';
import { isFactor, tubesLengthMm, type BodySpec, type LensSpec, type Part } from '../kit/parts';
import { imageCircleAt } from './coverage';
import type { Arrangement } from './arrangement';
import type { MeasuredRatio } from './measuredRatio';
import { misfits } from './mountPath';
import { USUAL_TUBE_FOCAL_MM, USUAL_TUBE_LENGTH_MM, lens50Of, type MainLens } from './mainLens';
import { throughAfocal, throughExtension, throughFactor, throughFrontLens, type OpticState, type Setting } from './opticState';
import { effectiveFocalAtClosest } from './thinLens';
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
}

/** Where the principal planes of a reversed lens are is a guess: a quarter either way. */
const REVERSED_UNCERTAINTY = 0.25;
const FLANGE_TOLERANCE_MM = 0.15;

function startOf(lens: MainLens, markedFocalMm: number, markedFNumber: number): OpticState {
  const far: Setting = { frontFocalMm: markedFocalMm, focalMm: markedFocalMm, ratio: 0, imageMm: markedFocalMm, behindMm: 0 };
  const { closestFocusM, closestRatio } = lens;
  const circle =
    lens.imageCircleWideMm === undefined
      ? undefined
      : imageCircleBetween(markedFocalMm, lens.focalWideMm, lens.focalTeleMm, lens.imageCircleWideMm, lens.imageCircleTeleMm ?? lens.imageCircleWideMm);
  const start: OpticState = { far, fNumber: markedFNumber, factor: 1, lens50LpPerMm: lens50Of(lens), ...(circle === undefined ? {} : { circleMm: circle }) };
  if (closestFocusM === undefined || closestRatio === undefined) return start;
  const focalMm = effectiveFocalAtClosest(closestFocusM * 1000, closestRatio);
  return { ...start, near: { frontFocalMm: focalMm, focalMm, ratio: closestRatio, imageMm: focalMm * (1 + closestRatio), behindMm: 0 } };
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
function reversed(state: OpticState, lens: LensSpec, body: BodySpec, ringMm: number): { state: OpticState; unknown?: string } {
  const f = state.far.focalMm;
  const { lengthMm, flangeMm = body.flangeMm } = lens;
  if (lengthMm === undefined || flangeMm === undefined || body.flangeMm === undefined) {
    return { state, unknown: 'length of the lens and flange distance of the body' };
  }
  const imageMm = body.flangeMm + ringMm + lengthMm + flangeMm - f;
  if (imageMm <= f * 1.01) return { state, unknown: 'true place of its principal planes (by its length it would draw nothing)' };
  const setting: Setting = { frontFocalMm: f, focalMm: f, ratio: imageMm / f - 1, imageMm, behindMm: 0 };
  const turned = { ...state, far: setting, near: setting };
  if (state.circleMm === undefined) return { state: turned };
  return { state: { ...turned, circleMm: imageCircleAt(state.circleMm, Math.max(0, setting.ratio)) } };
}

function objectiveAlone(arrangement: Arrangement, state: OpticState, body: BodySpec): OpticState {
  const { main } = arrangement;
  if (main.kind !== 'objective') return state;
  const focalMm = state.far.focalMm;
  const setting: Setting = { frontFocalMm: focalMm, focalMm, ratio: main.magnification, imageMm: focalMm * (1 + main.magnification), behindMm: 0 };
  const made: OpticState = { ...state, far: setting, near: setting };
  // Off its tube length the magnification goes with the extension; with the flange unknown, the length is taken as right.
  const off = body.flangeMm === undefined ? -tubesOf(arrangement) : body.flangeMm - (main.tubeLengthMm ?? USUAL_TUBE_LENGTH_MM);
  return throughExtension(made, off);
}

const tubesOf = ({ back }: Arrangement): number => back.reduce((sum, part) => sum + (part.kind === 'tubes' ? tubesLengthMm(part) : 0), 0);

function flangeError({ main, back }: Arrangement, body: BodySpec): number {
  // What does not mount stands at no distance at all.
  if (main.kind !== 'lens' || main.flangeMm === undefined || body.flangeMm === undefined || misfits(body, [main, ...back]).length) return 0;
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
export function foldOptics(arrangement: Arrangement, lens: MainLens, body: BodySpec, markedFocalMm: number, markedFNumber: number): FoldedOptics {
  const { main, front, back } = arrangement;
  let state = objectiveAlone(arrangement, startOf(lens, markedFocalMm, markedFNumber), body);
  const stages: Stage[] = [{ name: main.name, kind: main.kind, state }];
  let unknownRatio: string | undefined;
  const flangeErrorMm = arrangement.reversed ? 0 : flangeError(arrangement, body);
  if (flangeErrorMm !== 0) state = throughExtension(state, flangeErrorMm);

  const ring = back.find((part) => part.kind === 'reversing');
  if (ring && main.kind === 'lens') {
    const turned = reversed(state, main, body, ring.lengthMm ?? 0);
    state = turned.state;
    unknownRatio = turned.unknown;
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
        state = throughAfocal(state, part.magnificationSet ?? part.magnificationLow, part.objectiveMm, own, part.apparentFieldDeg);
        stages.push({ name: part.name, kind: 'scope', state });
        break;
      }
      case 'objective':
        state = throughFrontLens(state, (1000 * part.magnification) / (part.designTubeFocalMm ?? USUAL_TUBE_FOCAL_MM), part.lens50LpPerMm);
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
  const plain = state.far.ratio === 0 && !front.length && !arrangement.reversed;
  return {
    state,
    stages,
    plain,
    fixedRatio: arrangement.reversed || main.kind === 'objective',
    ratioUncertainty: arrangement.reversed ? REVERSED_UNCERTAINTY : 0,
    ...(aperture === undefined ? {} : { numericalAperture: aperture }),
    ...(unknownRatio === undefined ? {} : { unknownRatio }),
    flangeErrorMm,
  };
}
