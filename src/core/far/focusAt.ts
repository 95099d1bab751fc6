import type { EffectiveSystem } from '../optics/foldSystem';
import { effectiveFocalAtClosest, focalAtDistance, focusThinLens, type Focus } from '../optics/thinLens';
import { ok, type Result } from '../quantity/result';

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

/** Nearest distance in m at which this system still gives a reading and a sharp picture. */
export function nearestDistanceM(system: EffectiveSystem): number {
  const { closestFocusM, closestRatio } = system.lens;
  if (closestFocusM !== undefined && closestRatio !== undefined) return closestFocusM;
  return Math.max(closestFocusM ?? 0, (4 * system.focalMm.value) / 1000);
}
