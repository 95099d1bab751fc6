import { DEFAULT_THRESHOLD } from '../detail/detailLimit';
import { cutOff, isCutOff, rotateCamera } from '../detail/overflow';
import { countOnSubject, type JudgeBy, type SubjectCount } from '../detail/subjectCount';
import type { SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { sharpAt } from '../optics/sharpAt';
import { warningsAt } from '../optics/systemWarnings';
import type { CocSchool } from '../output/circleOfConfusion';
import type { OutputSpec } from '../output/needs';
import { formatRatio } from '../quantity/format';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { ok, type Problem, type Result } from '../quantity/result';
import type { UnitSystem } from '../quantity/units';
import { apertureCurve, type ApertureCurve } from './apertureCurve';
import { nearDepthQuantities, type NearDepthQuantities } from './depthQuantities';
import { lightQuantities, type LightQuantities } from './lightQuantities';
import { nearHints } from './nearHints';
import { nearState, type NearState } from './nearState';
import { ratioInUse } from './ratioInUse';
import { roomQuantities, type RoomQuantities } from './roomQuantities';
import { sizeQuantities, withRatioError, type SizeQuantities } from './sizeQuantities';
import { USUAL_HAND_HOLD_RATIO, USUAL_SCREEN_WIDTH_MM } from './usual';
import { workingDistance } from './workingDistance';

export interface NearInput {
  system: EffectiveSystem;
  subject: SubjectSpec;
  output: OutputSpec;
  /** Ratio wanted; the largest the set-up reaches when left out. */
  ratio?: number | undefined;
  /** f-number as set on the lens; f/8 when left out. */
  fNumber?: number | undefined;
  judgeBy?: JudgeBy | undefined;
  cocSchool?: CocSchool | undefined;
  threshold?: number | undefined;
  /** Width at which a screen or print shows the whole frame, mm. */
  screenWidthMm?: number | undefined;
  /** Ratio up to which this person holds by hand. */
  handHoldRatio?: number | undefined;
  /** Units its sentences are told in. */
  units?: UnitSystem | undefined;
}

/** The reading of one set-up on one tiny subject, group by group. */
export interface NearReading
  extends SubjectCount, SizeQuantities, LightQuantities, NearDepthQuantities, RoomQuantities {
  state: NearState;
  curve: ApertureCurve;
  ratio: Quantity;
  smallestDetailUm: Quantity;
  roomToCrop: Quantity;
  handHoldS: Quantity;
  bestFNumber: Quantity;
  /** The system's doubts where it is focused. */
  warnings: Problem[];
  /** What to mind: too near, shadow, above what the hand holds. */
  hints: Problem[];
  /** The subject does not fit into the frame: what its pixels would be good for is then not to be told. */
  overflow?: Problem;
}

/** The f-number that serves the output best. */
function bestFNumberOf(curve: ApertureCurve, count: SubjectCount, output: OutputSpec): Quantity {
  return computed(curve.best.fNumber, 'f/', () => ({
    name: `Best f-number for “${output.name}”`,
    formula: curve.enough ? 'the largest N that leaves enough pixels' : 'the N that resolves most',
    inputs: [
      input('n', 'pixels needed', count.neededPixels),
      input('px', 'pixels on the subject', count.pixelsOnSubject),
      input('r', 'resolved share there', given(curve.best.resolvedShare * 100, '%', 'Resolved share there')),
    ],
    source: curve.enough
      ? 'beyond it diffraction takes more than the output can spare'
      : 'no aperture gives enough; this one gives the most',
  }));
}

/** By how much the picture may still be cropped along each side. */
function roomToCropOf(count: SubjectCount): Quantity {
  return computed(count.countedPixels.value / count.neededPixels.value, '×', () => ({
    name: 'Room to crop',
    formula: 'px / n',
    inputs: [input('px', 'pixels that count', count.countedPixels), input('n', 'pixels needed', count.neededPixels)],
    source: 'by how much the picture may still be cropped along each side',
  }));
}

/** The shutter a hand holds without flash. */
function handHoldOf({ equivalentFocalMm: equivalent }: EffectiveSystem, ratio: Quantity): Quantity {
  return computed(1 / (equivalent.value * (1 + ratio.value)), 's', () => ({
    name: 'Shutter for the hand without flash',
    formula: '1 / (f_eq · (1 + m))',
    inputs: [input('f_eq', 'equivalent focal length', equivalent), input('m', 'reproduction ratio', ratio)],
    source: 'rule of thumb, shorter as the picture is drawn larger',
    neglects: 'A stabiliser: it helps little this close, where the hand shifts more than it turns.',
  }));
}

/** A subject larger than the frame: the ratio at which it would just fit, told with its larger number rounded up. */
function overflowOf({ shareOfFrame }: SubjectCount, subject: SubjectSpec, ratio: Quantity): { overflow?: Problem } {
  if (!isCutOff(shareOfFrame)) return {};
  const fitting = (ratio.value * 100) / shareOfFrame.value;
  const told = fitting < 1 ? 1 / (Math.ceil(10 / fitting - 1e-9) / 10) : Math.floor(fitting * 10) / 10;
  const wayOut = `Draw it at ${formatRatio(told)} or smaller, or take the part that matters for the subject.`;
  return { overflow: cutOff(shareOfFrame, subject, wayOut, 'ratio') };
}

/**
 * Reads a tiny subject with a set-up: how large it is drawn, on which field, how deep, with which light, and whether the
 * pixels are enough.
 *
 * @returns the reading; or the problem when the ratio cannot be known
 * @source thin lenses, or the photographer's own measurement, which beats them
 */
export function readNear(from: NearInput): Result<NearReading> {
  const { system, subject, output, judgeBy = 'resolved', cocSchool = 'diagonal', threshold = DEFAULT_THRESHOLD } = from;
  const found = nearState(system, from.ratio, from.fNumber);
  if (!found.ok) return found;
  const state = found.value;
  const ratio = ratioInUse(system, state);
  const ratioError = (ratio.plusMinus ?? 0) / ratio.value;
  const light = lightQuantities(system, state, ratio);
  const { workingFNumber } = light;
  const sharp = sharpAt(system, state.setFNumber);
  const count = countOnSubject({
    system: sharp,
    subject,
    output,
    judgeBy,
    threshold,
    ratio,
    workingFNumber,
    ratioError,
  });
  const depth = nearDepthQuantities(system, output, cocSchool, ratio, workingFNumber);
  const smallestUm = count.smallestDetailMm.value * 1000;
  // Only what asks for the curve pays for it: a drag does not.
  let drawn: ApertureCurve | undefined;
  const curveHere = () =>
    (drawn ??= apertureCurve({
      system,
      setting: state.setting,
      subjectMm: subject.sizeMm,
      neededPixels: count.neededPixels.value,
      judgeBy,
      cocMm: depth.cocMm.value,
      threshold,
    }));
  const handHoldRatio = from.handHoldRatio ?? USUAL_HAND_HOLD_RATIO;
  return ok({
    ...count,
    state,
    get curve() {
      return curveHere();
    },
    ratio,
    ...sizeQuantities(system, ratio, from.screenWidthMm ?? USUAL_SCREEN_WIDTH_MM),
    ...light,
    smallestDetailUm: computed(
      smallestUm,
      'µm',
      () => ({ ...count.smallestDetailMm.why }),
      withRatioError(ratio)(smallestUm),
    ),
    ...depth,
    ...roomQuantities(system, state, ratio),
    roomToCrop: roomToCropOf(count),
    handHoldS: handHoldOf(system, ratio),
    get bestFNumber() {
      return bestFNumberOf(curveHere(), count, output);
    },
    warnings: [
      ...warningsAt(system, state.setting),
      ...(count.rotated && !isCutOff(count.shareOfFrame) ? [rotateCamera(subject)] : []),
    ],
    ...overflowOf(count, subject, ratio),
    hints: nearHints(state, workingDistance(system, state)?.mm, handHoldRatio, ratio, from.units ?? 'metric'),
  });
}
