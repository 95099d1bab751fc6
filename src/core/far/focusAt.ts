import type { EffectiveSystem } from '../optics/foldSystem';
import { focusSpan, ratioAtDistance } from '../optics/opticState';
import { effectiveFocalAtClosest, focalAtDistance, focusThinLens, type Focus } from '../optics/thinLens';
import { fail, ok, type Result } from '../quantity/result';

/** A focus found, with the focal length it was found for and how well that is known. */
export interface FocusAt extends Focus {
  focalMm: number;
  /** Relative error of the ratio because lenses shorten when focused closer; unknown without closest-focus data. */
  breathing?: number;
}

/**
 * Focuses the system at a distance. From four focal lengths outward this is the thin lens with the nominal focal length;
 * the lens's own closest-focus data, when known, tell how far off that may be, and take over nearer than that.
 */
export function focusAt(system: EffectiveSystem, distanceMm: number): Result<FocusAt> {
  if (!system.optics.plain) return focusChain(system, distanceMm);
  const focalMm = system.focalMm.value;
  const { closestFocusM, closestRatio } = system.lens;
  const factor = system.converterFactor.value;
  const known = closestFocusM !== undefined && closestRatio !== undefined;
  const nominal = focusThinLens(focalMm, distanceMm);
  if (!known) return nominal.ok ? ok({ ...nominal.value, focalMm }) : nominal;
  const shortened = focalAtDistance(system.markedFocalMm, distanceMm, closestFocusM * 1000, closestRatio);
  const own = focusThinLens(shortened, distanceMm);
  if (nominal.ok) {
    if (!own.ok) return ok({ ...nominal.value, focalMm });
    return ok({ ...nominal.value, focalMm, breathing: Math.abs((own.value.ratio * factor) / nominal.value.ratio - 1) });
  }
  const closest = effectiveFocalAtClosest(closestFocusM * 1000, closestRatio);
  if (!own.ok || distanceMm < closestFocusM * 1000) return nominal;
  return ok({
    uMm: own.value.uMm,
    vMm: own.value.vMm * factor,
    ratio: own.value.ratio * factor,
    focalMm: shortened * factor,
    breathing: Math.abs(shortened - closest) / shortened,
  });
}

/**
 * Focuses a chain with tubes, close-up lenses and the like: between its two ends the focal length is estimated as linear
 * in 1/T, as for a bare lens. Outside its range the ratio is what it would be if it could be turned that far.
 */
function focusChain(system: EffectiveSystem, distanceMm: number): Result<FocusAt> {
  const { far, near } = system.optics.state;
  const { unknownRatio, fixedRatio, ratioUncertainty } = system.optics;
  if (unknownRatio !== undefined) return fail('ratio.unknown', `How large this draws cannot be worked out without the ${unknownRatio}. Enter them in the kit.`, 'chain');
  const focusOf = (ratio: number, focalMm: number, breathing: number): Result<FocusAt> =>
    ok({ uMm: focalMm + focalMm / ratio, vMm: focalMm * (1 + ratio), ratio, focalMm, ...(breathing > 0 ? { breathing } : {}) });
  if (fixedRatio) return focusOf(far.ratio, far.focalMm, ratioUncertainty);
  const { beyond } = focusSpan(system.optics.state);
  const farthest = system.farthestFocusM ? system.farthestFocusM.value * 1000 : Infinity;
  const nearest = system.closestFocusM?.value;
  // Beyond life size the lens's closest setting is the farther end.
  const share = beyond ? 0 : near && nearest !== undefined ? Math.min(1, Math.max(0, (1 / distanceMm - 1 / farthest) / (1 / (nearest * 1000) - 1 / farthest))) : 0;
  const end = near ?? far;
  const setting = {
    ...far,
    frontFocalMm: far.frontFocalMm + (end.frontFocalMm - far.frontFocalMm) * share,
    focalMm: far.focalMm + (end.focalMm - far.focalMm) * share,
  };
  const ratio = ratioAtDistance(setting, distanceMm, beyond);
  if (ratio === undefined) {
    return fail('distance.tooNear', 'Nearer than this the set-up cannot form a picture. Step back, or take a tube or close-up lens off.', 'distanceM');
  }
  const nominal = ratioAtDistance(far, distanceMm, beyond);
  return focusOf(ratio, setting.focalMm, nominal === undefined ? 0 : Math.abs(nominal / ratio - 1));
}

/** Nearest distance in m at which this system still gives a reading and a sharp picture. */
export function nearestDistanceM(system: EffectiveSystem): number {
  const { closestFocusM, closestRatio } = system.lens;
  if (!system.optics.plain) return system.closestFocusM?.value ?? closestFocusM ?? (4 * system.optics.state.far.frontFocalMm) / 1000;
  if (closestFocusM !== undefined && closestRatio !== undefined) return closestFocusM;
  return Math.max(closestFocusM ?? 0, (4 * system.focalMm.value) / 1000);
}

/** Farthest distance in m it focuses on; Infinity where it reaches that far. */
export const farthestDistanceM = (system: EffectiveSystem): number => system.farthestFocusM?.value ?? Infinity;
