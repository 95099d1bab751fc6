import { ratioAtDistance, ratioPerMm } from '../chain/lensFocus';
import { converterShiftMm } from '../optics/converterShift';
import { focusSpan, settingForDistance, settingForRatio } from '../chain/chainFocus';
import type { EffectiveSystem } from '../optics/foldSystem';
import { subjectDistanceM, subjectMm, type Setting } from '../chain/opticState';
import { wholeOfScope } from '../optics/scopeLength';
import { workingFNumberAt } from '../optics/workingFNumber';
import { showLengthM, shownText } from '../quantity/quantityText';
import type { UnitSystem } from '../quantity/units';
import { fail, ok, type Result } from '../quantity/result';

/** A focus found: where the lens is turned to, what it draws there, and how well that is known. */
export interface FocusAt {
  setting: Setting;
  ratio: number;
  /** Half-width of the range the ratio is expected in; 0 where nothing is known that could tell. */
  plusMinus: number;
  /** From the subject to the entrance pupil, mm. */
  uMm: number;
  /** Diameter of the entrance pupil, mm, at an f-number of the whole focused at infinity. */
  pupilMm: (fNumber: number) => number;
}

/** From the subject to the pupil, and the pupil itself, of a lens in front of the camera: both follow from the cone. */
function withPupil(system: EffectiveSystem, setting: Setting, plusMinus: number): FocusAt {
  const uMm = subjectMm(setting);
  return {
    setting,
    ratio: setting.ratio,
    plusMinus,
    uMm,
    // A = 2·NA·u with NA = m/(2·N_w): the same cone seen from the subject's side.
    pupilMm: (fNumber) => (setting.ratio * uMm) / workingFNumberAt(system, fNumber, setting),
  };
}

function tooNear(nearestM: number, units: UnitSystem): Result<never> {
  return fail(
    'distance.tooNear',
    `Nearer than ${shownText(showLengthM(nearestM, units))} this set-up cannot form a picture. Step back, or choose a lens that focuses closer.`,
    'distanceM',
  );
}

/**
 * Focuses the system at a distance. Nearer than its closest focus, or farther than its farthest, the setting at that end is
 * given: a reading says so and withholds what would depend on it.
 *
 * @param distanceMm from the sensor
 * @source the bare lens at its own distance, times the factors behind it (`lensFocus`); other chains by turning the lens
 * until the whole is focused there (`chainFocus`); scopes from the front focus of their objective
 */
export function focusAt(system: EffectiveSystem, distanceMm: number, units: UnitSystem = 'metric'): Result<FocusAt> {
  const { optics, arrangement } = system;
  if (optics.unknownRatio !== undefined) {
    return fail(
      'ratio.unknown',
      `How large this draws cannot be worked out without the ${optics.unknownRatio}. Enter them in the kit.`,
      'chain',
    );
  }
  if (arrangement.scope) return focusScope(system, distanceMm, units);
  return optics.plain && !optics.measured
    ? focusLens(system, distanceMm, units)
    : focusChain(system, distanceMm, units);
}

/** A lens with nothing but converters and reducers behind it. */
function focusLens(system: EffectiveSystem, distanceMm: number, units: UnitSystem): Result<FocusAt> {
  const { lensFocus, state, settingAt } = system.optics;
  const found = ratioAtDistance(lensFocus, distanceMm);
  if (!found) return tooNear((4 * lensFocus.focalMm) / 1000, units);
  const shift = converterShiftMm(system);
  // Close up the ratio rises faster than a straight line: what the lens really draws that much nearer counts as well.
  const nearer = shift === 0 ? undefined : ratioAtDistance(lensFocus, distanceMm - shift);
  const shifted =
    shift === 0 ? 0 : Math.max(ratioPerMm(lensFocus, found.ratio) * shift, (nearer ?? found).ratio - found.ratio);
  return ok(withPupil(system, settingAt(found.ratio), state.factor * Math.hypot(found.plusMinus, shifted)));
}

/** A chain with tubes, close-up lenses and the like. */
function focusChain(system: EffectiveSystem, distanceMm: number, units: UnitSystem): Result<FocusAt> {
  const { optics } = system;
  const span = focusSpan(optics);
  const setting = settingForDistance(optics, distanceMm, 0, span);
  const { fixedRatio, lensTo, ratioUncertainty } = optics;
  if (!fixedRatio && lensTo === undefined) {
    const nearestM = subjectDistanceM(optics.settingAt(span.nearestAt));
    if (nearestM !== undefined && distanceMm < nearestM * 1000 * (1 - 1e-9)) return tooNear(nearestM, units);
  }
  if (fixedRatio) return ok(withPupil(system, setting, setting.ratio * ratioUncertainty));
  const shift = converterShiftMm(system);
  const settled = lensTo === undefined ? 0 : Math.max(0, Math.min(1, 2 * (1 - setting.lensRatio / lensTo)));
  const other = settled > 0 ? settingForDistance(optics, distanceMm, settled / 2, span).ratio : setting.ratio;
  const shifted =
    shift === 0 ? setting.ratio : settingForDistance(optics, Math.max(distanceMm - shift, 1), 0, span).ratio;
  return ok(
    withPupil(system, setting, Math.hypot(other - setting.ratio, shifted - setting.ratio) + setting.ratioUnsure),
  );
}

/** Through an eyepiece: the size of the picture goes with the distance to the front focus of the scope's objective. */
function focusScope(system: EffectiveSystem, distanceMm: number, units: UnitSystem): Result<FocusAt> {
  const scope = system.arrangement.scope!;
  const { far } = system.optics.state;
  const whole = wholeOfScope(scope.objectiveMm);
  const fromFrontFocusMm = distanceMm - whole.frontFocusMm;
  if (fromFrontFocusMm <= whole.frontFocusPlusMinusMm)
    return tooNear((whole.frontFocusMm + whole.frontFocusPlusMinusMm) / 1000, units);
  const ratio = far.focalMm / fromFrontFocusMm;
  return ok({
    // The camera behind the eyepiece stays at infinity: its cone does not lengthen.
    setting: { ...far, ratio, spread: 1 - ratio },
    ratio,
    plusMinus: ratio * (whole.frontFocusPlusMinusMm / (fromFrontFocusMm - whole.frontFocusPlusMinusMm)),
    uMm: distanceMm - whole.lengthMm,
    pupilMm: (fNumber) => far.focalMm / fNumber,
  });
}

/** Sensor-to-subject distance, m, at which the system draws at a ratio; undefined where it never does. */
export function distanceForRatioM(system: EffectiveSystem, ratio: number): number | undefined {
  const { optics, arrangement } = system;
  if (optics.unknownRatio !== undefined || !(ratio > 0)) return undefined;
  if (arrangement.scope)
    return (optics.state.far.focalMm / ratio + wholeOfScope(arrangement.scope.objectiveMm).frontFocusMm) / 1000;
  const setting = settingForRatio(optics, ratio);
  return Math.abs(setting.ratio / ratio - 1) < 1e-6 ? subjectDistanceM(setting) : undefined;
}

/** Nearest distance in m at which this system still gives a reading and a sharp picture. */
export function nearestDistanceM(system: EffectiveSystem): number {
  const { closestFocusM } = system.lens;
  const { optics } = system;
  if (optics.plain && !system.arrangement.scope) {
    return optics.lensFocus.closest
      ? optics.lensFocus.closest.distanceMm / 1000
      : Math.max(closestFocusM ?? 0, (4 * optics.lensFocus.focalMm) / 1000);
  }
  return (
    system.closestFocusM?.value ?? closestFocusM ?? subjectDistanceM(optics.settingAt(focusSpan(optics).nearestAt)) ?? 0
  );
}

/** Farthest distance in m it focuses on; Infinity where it reaches that far. */
export const farthestDistanceM = (system: EffectiveSystem): number => system.farthestFocusM?.value ?? Infinity;
