import { DEFAULT_THRESHOLD } from '../detail/detailLimit';
import { cutOff, isCutOff, rotateCamera } from '../detail/overflow';
import { countOnSubject, type JudgeBy, type SubjectCount } from '../detail/subjectCount';
import type { SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { angleOfViewDeg } from '../optics/angleOfView';
import { coneFactor } from '../chain/opticState';
import { showLengthM, shownText } from '../quantity/quantityText';
import type { UnitSystem } from '../quantity/units';
import { warningsAt } from '../optics/systemWarnings';
import { workingFNumberAt } from '../optics/workingFNumber';
import type { OutputSpec } from '../output/needs';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { ok, type Problem, type Result } from '../quantity/result';
import { focusAt, type FocusAt } from './focusAt';
import { focusRatioWhy } from './focusWhy';
import { pixelScaleArcsec, samplingReachPxPerMrad } from './imaging';

export type { JudgeBy } from '../detail/subjectCount';

export interface FarInput {
  system: EffectiveSystem;
  subject: SubjectSpec;
  /** Sensor-to-subject distance, m. */
  distanceM: number;
  output: OutputSpec;
  judgeBy?: JudgeBy;
  /** Contrast threshold of the detail limit, 0.10 to 0.20. */
  threshold?: number;
  /** Units its sentences are told in. */
  units?: UnitSystem | undefined;
}

/** The reading of one set-up on one far subject. */
export interface FarReading extends SubjectCount {
  distanceM: Quantity;
  ratio: Quantity;
  fieldWidthM: Quantity;
  fieldHeightM: Quantity;
  angleWidthDeg: Quantity;
  angleHeightDeg: Quantity;
  reachPxPerMrad: Quantity;
  pixelScaleArcsec: Quantity;
  workingFNumber: Quantity;
  /** From the subject to the entrance pupil. */
  subjectM: Quantity;
  /** Wide open, at this focus. */
  pupilMm: Quantity;
  focus: FocusAt;
  /** The system's doubts where it is focused. */
  warnings: Problem[];
  /** The subject does not fit into the frame: what counts its pixels, counts what is not in the picture. */
  overflow?: Problem;
  /** What stands in the way of taking this picture, though it can be computed. */
  obstacle?: Problem;
}

/** How near one must be to the one place a set-up focuses at. */
const ONE_PLACE = 0.02;

/** What keeps the lens from focusing there, though the picture can be computed. */
function obstacleAt(system: EffectiveSystem, distanceM: number, units: UnitSystem): Problem | null {
  const nearest = system.closestFocusM?.value;
  const farthest = system.farthestFocusM?.value;
  const name = system.lens.name;
  const metres = (value: number, figures = 3) => shownText(showLengthM(value, units, figures));
  const single = nearest !== undefined && farthest !== undefined && farthest - nearest < 1e-9 * nearest;
  if ((system.optics.fixedRatio || single) && nearest !== undefined) {
    // Who goes where the message says has gone far enough: it names the place to three digits.
    if (Math.abs(distanceM / nearest - 1) <= ONE_PLACE) return null;
    return {
      code: 'focus.fixed',
      message: `This set-up focuses at about ${metres(nearest)} and nowhere else. Go there, or choose another set-up.`,
      field: 'distanceM',
    };
  }
  if (nearest !== undefined && distanceM < nearest * (1 - 1e-9)) {
    return {
      code: 'focus.closest',
      message: `${name} focuses from ${metres(nearest)} on. Step back ${metres(nearest - distanceM, 2)}, or choose a lens that focuses closer.`,
      field: 'distanceM',
    };
  }
  if (farthest !== undefined && distanceM > farthest * (1 + 1e-9)) {
    return {
      code: 'focus.farthest',
      message: `With what is in this chain ${name} focuses no farther than ${metres(farthest)}. Go closer, or take a tube or close-up lens off.`,
      field: 'distanceM',
    };
  }
  return null;
}

/**
 * Reads a far subject with a set-up: pixels on it, what is resolved of them, and whether that is enough.
 *
 * Where the lens does not focus there, or the subject does not fit, the reading says so (`obstacle`, `overflow`); what its
 * pixels would be good for is then not to be told.
 *
 * @returns the reading; or the problem when no picture can be formed from there
 * @source the lens focused on the sensor-to-subject distance; detail limit of the system response
 */
export function readFar({
  system,
  subject,
  distanceM,
  output,
  judgeBy = 'resolved',
  threshold = DEFAULT_THRESHOLD,
  units = 'metric',
}: FarInput): Result<FarReading> {
  const found = focusAt(system, distanceM * 1000, units);
  if (!found.ok) return found;
  const focus = found.value;
  const { ratio: m, uMm, setting } = focus;
  const { used } = system;
  const distance = given(distanceM, 'm', 'Distance from sensor to subject', 'the subject as set');
  const ratioError = focus.plusMinus / m;
  const ratio = computed(
    m,
    ':1',
    () => focusRatioWhy(system, focus, distance),
    focus.plusMinus > 0 ? focus.plusMinus : undefined,
  );
  const workingFNumber = workingQuantity(system, focus, ratio);
  const subjectM = subjectQuantity(focus, ratio);
  const count = countOnSubject({ system, subject, output, judgeBy, threshold, ratio, workingFNumber, ratioError });
  const obstacle = obstacleAt(system, distanceM, units);
  const overflow = isCutOff(count.shareOfFrame)
    ? cutOff(count.shareOfFrame, subject, 'Step back, or choose a shorter focal length.', 'distanceM')
    : null;
  return ok({
    distanceM: distance,
    ratio,
    ...count,
    fieldWidthM: fieldQuantity(used.widthMm, 'Width seen at the subject', ratio),
    fieldHeightM: fieldQuantity(used.heightMm, 'Height seen at the subject', ratio),
    angleWidthDeg: angleQuantity(used.widthMm, 'Angle of view, width', ratio, subjectM),
    angleHeightDeg: angleQuantity(used.heightMm, 'Angle of view, height', ratio, subjectM),
    ...reachQuantities(system),
    workingFNumber,
    subjectM,
    pupilMm: computed(focus.pupilMm(system.fNumber.value), 'mm', () => ({
      name: 'Entrance pupil at this focus',
      formula: system.arrangement.scope ? 'f / N' : 'm · u / N_w',
      inputs: system.arrangement.scope
        ? [input('f', 'effective focal length', system.focalMm), input('N', 'effective f-number', system.fNumber)]
        : [
            input('m', 'reproduction ratio', ratio),
            input(
              'u',
              'subject to the pupil',
              computed(uMm, 'mm', () => subjectM.why),
            ),
            input('N_w', 'working f-number', workingFNumber),
          ],
      source: 'the opening as the subject sees it: the cone of light in front against the cone behind',
    })),
    focus,
    warnings: [...warningsAt(system, setting), ...(count.rotated && !overflow ? [rotateCamera(subject)] : [])],
    ...(overflow ? { overflow } : {}),
    ...(obstacle ? { obstacle } : {}),
  });
}

function workingQuantity(system: EffectiveSystem, { setting }: FocusAt, ratio: Quantity): Quantity {
  const { far } = system.optics.state;
  const engraved = (system.fNumber.value * far.lensFocalMm) / far.focalMm;
  return computed(workingFNumberAt(system, system.fNumber.value, setting), 'f/', () => ({
    name: 'Working f-number',
    formula: 'N · c',
    inputs: [
      input(
        'N',
        'f-number of the lens',
        given(engraved, 'f/', 'f-number of the lens', 'as engraved, at this focal length'),
      ),
      input(
        'c',
        'how much longer the cone behind it is',
        given(
          coneFactor(setting),
          '×',
          'Cone behind the lens',
          'factors behind × (1 + ratio of the lens alone), pupil factor taken as 1',
        ),
      ),
      input('m', 'reproduction ratio', ratio),
    ],
    source: 'what the aperture acts as when focused closer; what stands in front changes nothing behind the lens',
  }));
}

const subjectQuantity = ({ uMm, setting }: FocusAt, ratio: Quantity): Quantity =>
  computed(uMm / 1000, 'm', () => ({
    name: 'Subject to the lens',
    formula: 'F · (1 + t/m) / 1000',
    inputs: [
      input(
        'F',
        'focal length of the lens at this focus',
        given(setting.frontFocalMm, 'mm', 'Focal length at this focus', 'with what stands in front of it'),
      ),
      input('t', 'factors behind it', given(setting.spread, '×', 'Converters and reducers')),
      input('m', 'reproduction ratio', ratio),
    ],
    source: 'thin lens; angle, depth and blur are seen from there',
  }));

const fieldQuantity = (side: number, name: string, ratio: Quantity): Quantity =>
  computed(
    side / ratio.value / 1000,
    'm',
    () => ({
      name,
      formula: 'side / m / 1000',
      inputs: [
        input('side', 'side of the part used', given(side, 'mm', 'Side of the part used', 'body and mode')),
        input('m', 'reproduction ratio', ratio),
      ],
      source: 'what the frame shows at the subject’s distance',
    }),
    ratio.plusMinus === undefined ? undefined : (side / ratio.value / 1000) * (ratio.plusMinus / ratio.value),
  );

const angleQuantity = (side: number, name: string, ratio: Quantity, subjectM: Quantity): Quantity =>
  computed(angleOfViewDeg(side, ratio.value * subjectM.value * 1000), '°', () => ({
    name,
    formula: '2 · atan(s / (2 · m · u · 1000))',
    inputs: [
      input('s', 'side of the part used', given(side, 'mm', 'Side of the part used', 'body and mode')),
      input('m', 'reproduction ratio', ratio),
      input('u', 'subject to the lens', subjectM),
    ],
    source: 'the field at the subject, seen from the entrance pupil',
  }));

function reachQuantities(system: EffectiveSystem): Pick<FarReading, 'reachPxPerMrad' | 'pixelScaleArcsec'> {
  const [focal, pitch] = [system.focalMm.value, system.pitchUm.value];
  return {
    reachPxPerMrad: computed(samplingReachPxPerMrad(focal, pitch), 'px/mrad', () => ({
      name: 'Sampling reach',
      formula: 'f / p',
      inputs: [input('f', 'effective focal length', system.focalMm), input('p', 'pixel pitch', system.pitchUm)],
      source: 'pixels per milliradian, whatever the size of the sensor: the honest number to compare reach',
    })),
    pixelScaleArcsec: computed(pixelScaleArcsec(focal, pitch), '″/px', () => ({
      name: 'Pixel scale',
      formula: '206.265 · p / f',
      inputs: [input('p', 'pixel pitch', system.pitchUm), input('f', 'effective focal length', system.focalMm)],
      source: 'small angles',
    })),
  };
}
