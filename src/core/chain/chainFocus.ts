import { root } from '../quantity/root';
import type { FoldedOptics } from './fold';
import { subjectDistanceM, type Setting } from './opticState';

/** What a chain's lens can be turned to, and what follows from that. */
type Focusing = Pick<FoldedOptics, 'settingAt' | 'lensFrom' | 'lensTo' | 'fixedRatio'>;

/** A lens without closest-focus data is taken to focus as near as a thin lens can: to life size. */
const UNKNOWN_END = 1;

/** How near and how far, mm from the sensor, a chain focuses; `beyond`: its whole range lies beyond the nearest point. */
export interface FocusSpan {
  closestMm?: number;
  /** Absent: infinity. */
  farthestMm?: number;
  beyond: boolean;
  /** The lens's own ratio at which sensor and subject are nearest to each other. */
  nearestAt: number;
}

/** Sensor to subject, mm; Infinity at and beyond infinity. */
const distanceMm = (setting: Setting): number => {
  const metres = subjectDistanceM(setting);
  return metres === undefined ? Infinity : metres * 1000;
};

/** The end of the lens's own focus, known or taken. */
const lastOf = ({ lensFrom, lensTo }: Focusing): number => lensTo ?? Math.max(UNKNOWN_END, lensFrom);

/**
 * Range of distances between the lens's infinity setting and its closest one. Where the range passes the point at which
 * sensor and subject are nearest to each other, that is there, not at the end.
 */
export function focusSpan(focusing: Focusing): FocusSpan {
  const { settingAt, lensFrom, lensTo, fixedRatio } = focusing;
  const at = (lensRatio: number) => distanceMm(settingAt(lensRatio));
  const farMm = at(lensFrom);
  const farthest = farMm === Infinity ? {} : { farthestMm: farMm };
  if (fixedRatio || lensTo === lensFrom)
    return { closestMm: farMm, farthestMm: farMm, beyond: true, nearestAt: lensFrom };
  const last = lastOf(focusing);
  const step = (last - lensFrom) * 1e-4;
  if (farMm !== Infinity && at(lensFrom + step) >= farMm) {
    return {
      closestMm: farMm,
      farthestMm: lensTo === undefined ? farMm : at(lensTo),
      beyond: true,
      nearestAt: lensFrom,
    };
  }
  const slope = (lensRatio: number) => at(lensRatio + step / 2) - at(lensRatio - step / 2);
  const nearestAt = slope(last) <= 0 ? last : root(slope, lensFrom + step, last, 1e-9);
  return { ...(lensTo === undefined ? {} : { closestMm: at(nearestAt) }), ...farthest, beyond: false, nearestAt };
}

/**
 * Turns the lens's own focus until the whole chain is focused on a distance.
 *
 * @param unshortened share by which the lens is taken to shorten less than its law says, 0 to 1
 * @returns the setting, held to the nearer end of what the chain reaches
 */
export function settingForDistance(
  focusing: Focusing,
  wantedMm: number,
  unshortened = 0,
  span = focusSpan(focusing),
): Setting {
  const { settingAt, lensFrom, fixedRatio } = focusing;
  const end = span.beyond ? lastOf(focusing) : span.nearestAt;
  if (fixedRatio || end === lensFrom) return settingAt(lensFrom, unshortened);
  // The inverse of the distance goes evenly to 0 at infinity.
  const excess = (lensRatio: number) => 1 / distanceMm(settingAt(lensRatio, unshortened)) - 1 / wantedMm;
  return settingAt(root(excess, lensFrom, end), unshortened);
}

/** Turns the lens's own focus until the chain draws at a ratio; held to what it reaches. */
export function settingForRatio(focusing: Focusing, wanted: number): Setting {
  const { settingAt, lensFrom, fixedRatio } = focusing;
  const last = lastOf(focusing);
  if (fixedRatio || last === lensFrom) return settingAt(lensFrom);
  const [far, near] = [settingAt(lensFrom), settingAt(last)];
  if (wanted <= Math.min(far.ratio, near.ratio)) return far.ratio <= near.ratio ? far : near;
  if (wanted >= Math.max(far.ratio, near.ratio)) return far.ratio <= near.ratio ? near : far;
  return settingAt(root((lensRatio) => settingAt(lensRatio).ratio - wanted, lensFrom, last));
}
