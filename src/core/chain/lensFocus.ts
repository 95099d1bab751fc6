import { root } from '../quantity/root';

/**
 * How a bare lens focuses: what it is at infinity, and what its own data say of its closest focus.
 *
 * Two laws link them. *Shortening*: most lenses lose focal length as they focus closer, and do so evenly with the ratio.
 * *Spaced*: where that would turn round before the closest focus is reached, the focal length stays and the distance
 * between the principal planes makes up the difference, as in wide lenses. Both meet both ends exactly.
 */
export interface LensFocus {
  /** At infinity, mm. */
  focalMm: number;
  /** At closest focus: sensor-to-subject distance mm, reproduction ratio, and the focal length that follows. */
  closest?: { distanceMm: number; ratio: number; focalMm: number };
  law: 'thin' | 'shortening' | 'spaced';
}

/** T/f of a thin lens at a ratio: 2 + m + 1/m. */
const reach = (ratio: number): number => 2 + ratio + 1 / ratio;

/**
 * The focal length a lens really has at its closest focus, from its own data: internal focusing shortens most lenses.
 *
 * @param closestFocusMm sensor-to-subject distance at closest focus, mm
 * @param closestRatio reproduction ratio there
 * @source thin lens: T = f'·(2 + m + 1/m)
 * @example effectiveFocalAtClosest(300, 1) // 75
 */
export function effectiveFocalAtClosest(closestFocusMm: number, closestRatio: number): number {
  return closestFocusMm / reach(closestRatio);
}

/**
 * Understands a lens's data.
 *
 * @param focalMm at infinity, as set
 * @param closestFocusMm T₀, mm
 * @param closestRatio m₀, at T₀
 */
export function lensFocus(focalMm: number, closestFocusMm?: number, closestRatio?: number): LensFocus {
  if (closestFocusMm === undefined || closestRatio === undefined) return { focalMm, law: 'thin' };
  const near = effectiveFocalAtClosest(closestFocusMm, closestRatio);
  const closest = { distanceMm: closestFocusMm, ratio: closestRatio, focalMm: near };
  // dT/dm has the sign of 2(f′₀ − f)·m²/m₀ + f·m − f; with f′₀ ≥ f that is largest at the closest focus.
  const turnsRound = near > focalMm && 2 * (near - focalMm) * closestRatio > focalMm * (1 - closestRatio);
  return { focalMm, closest, law: turnsRound ? 'spaced' : 'shortening' };
}

/**
 * A zoom set shorter than its long end. Makers state closest focus and ratio for the long end: the lens is taken to lose
 * the same share of its focal length at every setting, and its ratio at the same closest distance follows.
 *
 * @param focalMm as set
 * @param teleMm the long end, which the data are for
 */
export function zoomFocus(focalMm: number, teleMm: number, closestFocusMm?: number, closestRatio?: number): LensFocus {
  if (closestFocusMm === undefined || closestRatio === undefined || focalMm >= teleMm)
    return lensFocus(focalMm, closestFocusMm, closestRatio);
  const near = (effectiveFocalAtClosest(closestFocusMm, closestRatio) * focalMm) / teleMm;
  const half = closestFocusMm / near - 2;
  return lensFocus(focalMm, closestFocusMm, 2 / (half + Math.sqrt(half * half - 4)));
}

/** Focal length, mm, at a ratio of the lens's own: f + (f′₀ − f)·m/m₀. */
export function focalAtRatio({ focalMm, closest, law }: LensFocus, ratio: number): number {
  return closest && law === 'shortening' ? focalMm + ((closest.focalMm - focalMm) * ratio) / closest.ratio : focalMm;
}

/** What the spacing of the principal planes adds to the distance, mm. */
export const gapOf = ({ focalMm, closest, law }: LensFocus): number =>
  closest && law === 'spaced' ? closest.distanceMm - focalMm * reach(closest.ratio) : 0;

/** Sensor-to-subject distance, mm, at a ratio of the lens's own: f′(m)·(2 + m + 1/m). */
export function distanceAtRatio(lens: LensFocus, ratio: number): number {
  return focalAtRatio(lens, ratio) * reach(ratio) + gapOf(lens);
}

/** The ratio up to which the distance falls: the closest focus, or life size where it lies beyond. */
function lastFalling(lens: LensFocus): number {
  const { focalMm, closest, law } = lens;
  if (!closest) return 1;
  if (law === 'spaced') return Math.min(1, closest.ratio);
  const slope = (closest.focalMm - focalMm) / closest.ratio;
  const discriminant = focalMm * focalMm + 8 * slope * focalMm;
  if (slope >= 0 || discriminant <= 0) return closest.ratio;
  // The nearer root of 2·slope·m² + f·m − f.
  return Math.min(closest.ratio, (2 * focalMm) / (focalMm + Math.sqrt(discriminant)));
}

/** Ratio of a thin lens at a distance, on the branch that runs down from infinity; life size nearer than 4f. */
function thinRatio(focalMm: number, distanceMm: number): number {
  const half = distanceMm / focalMm - 2;
  return half <= 2 ? 1 : 2 / (half + Math.sqrt(half * half - 4));
}

/** A ratio found for a distance, with the half-width of the range it is expected in. */
export interface FoundRatio {
  ratio: number;
  /** 0 where nothing is known that could tell. */
  plusMinus: number;
}

/**
 * Reproduction ratio of the bare lens focused on a distance.
 *
 * The ± is half the difference to the thin lens that does not shorten, and, where the lens seems to lengthen, the
 * difference to one whose principal planes stand apart; it falls to nothing at both ends, where the lens's own data hold.
 *
 * @param distanceMm T; nearer than the closest focus the ratio there is given
 * @returns undefined nearer than a thin lens without closest-focus data forms any picture
 * @source T = f′(m)·(2 + m + 1/m), solved on the branch that runs down from infinity
 */
export function ratioAtDistance(lens: LensFocus, distanceMm: number): FoundRatio | undefined {
  const { focalMm, closest, law } = lens;
  if (!closest)
    return distanceMm < 4 * focalMm * (1 - 1e-12) ? undefined : { ratio: thinRatio(focalMm, distanceMm), plusMinus: 0 };
  // A lens that draws beyond life size has two ratios at most distances; by its distance it is read on the far side.
  if (distanceMm <= closest.distanceMm && lastFalling(lens) === closest.ratio)
    return { ratio: closest.ratio, plusMinus: 0 };
  if (distanceMm < closest.distanceMm) return ratioAtDistance(lens, closest.distanceMm);
  const spaced = () => thinRatio(focalMm, distanceMm - closest.distanceMm + focalMm * reach(closest.ratio));
  const ratio = law === 'spaced' ? spaced() : shortenedRatio(lens, distanceMm);
  const settled = Math.max(0, Math.min(1, 2 * (1 - ratio / closest.ratio)));
  const half = (Math.abs(thinRatio(focalMm, distanceMm) - ratio) / 2) * settled;
  return { ratio, plusMinus: closest.focalMm > focalMm ? Math.max(half, Math.abs(spaced() - ratio)) : half };
}

function shortenedRatio(lens: LensFocus, distanceMm: number): number {
  const most = lastFalling(lens);
  return distanceMm <= distanceAtRatio(lens, most) ? most : solveShortening(lens, distanceMm, most);
}

function solveShortening(lens: LensFocus, distanceMm: number, most: number): number {
  const excess = (ratio: number) => distanceAtRatio(lens, ratio) * ratio - distanceMm * ratio;
  // T·m is a cubic in m: from the thin lens's ratio Newton needs few steps; halving is there for what it misses.
  const slope = (lens.closest!.focalMm - lens.focalMm) / lens.closest!.ratio;
  let ratio = Math.min(most, thinRatio(lens.focalMm, distanceMm));
  for (let i = 0; i < 12; i += 1) {
    const value = (lens.focalMm + slope * ratio) * (1 + ratio) ** 2 - distanceMm * ratio;
    const rise = slope * (1 + ratio) ** 2 + 2 * (lens.focalMm + slope * ratio) * (1 + ratio) - distanceMm;
    const next = ratio - value / rise;
    if (!(next > 0) || next > most) break;
    if (Math.abs(next - ratio) <= 1e-15 * ratio) return next;
    ratio = next;
  }
  return root(excess, 1e-12, most);
}

/** How fast the ratio falls with the distance there, per mm: |dm/dT|. */
export function ratioPerMm(lens: LensFocus, ratio: number): number {
  const step = 1e-4 * ratio;
  const slope = (distanceAtRatio(lens, ratio + step) - distanceAtRatio(lens, ratio - step)) / (2 * step);
  return slope === 0 ? 0 : 1 / Math.abs(slope);
}
