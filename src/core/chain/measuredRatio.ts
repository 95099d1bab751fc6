import { root } from '../quantity/root';
import type { FoldedOptics } from './fold';
import type { Setting } from './opticState';

/** A reproduction ratio the photographer measured with one chain, at one end of the lens's own focus. */
export interface MeasuredRatio {
  at: 'closest' | 'infinity';
  ratio: number;
  plusMinus: number;
  /** Focal length it was measured at, where the lens is a zoom. */
  focalMm?: number | undefined;
  /** How it was found, in words: "ruler, 26.5 mm across the frame". */
  how?: string | undefined;
}

/** The setting with its ratio as measured. The sensor stays where it was, so the focal length follows: v = f·(1 + m/t). */
function corrected(setting: Setting, ratio: number): Setting {
  const share = (setting.ratio + setting.spread) / (ratio + setting.spread);
  return {
    ...setting,
    lensFocalMm: setting.lensFocalMm * share,
    frontFocalMm: setting.frontFocalMm * share,
    focalMm: setting.focalMm * share,
    perMm: setting.perMm / share,
    bendUnsure: 0,
    ratio,
    ratioUnsure: 0,
  };
}

/** No lens by itself draws larger than this. */
const FARTHEST_OUT = 30;

/** A reversed lens of unknown length: the sensor stands where its marked focal length and the ratio put it. */
const placedFor = (setting: Setting, ratio: number): Setting => ({
  ...setting,
  ratio,
  imageMm: setting.frontFocalMm * (1 + (ratio * setting.frontFocalMm) / setting.focalMm),
});

/**
 * Puts measured ratios in the place of the estimates. A chain of one fixed ratio takes it at both ends; a chain whose ratio
 * could not be worked out at all can be read from then on. Between the ends the correction goes over evenly from one to the
 * other with the lens's own focus.
 */
export function withMeasured(optics: FoldedOptics, measured: MeasuredRatio[]): FoldedOptics {
  const { state, fixedRatio, unknownRatio, settingAt, lensFrom } = optics;
  const closest = measured.find((each) => each.at === 'closest') ?? (fixedRatio ? measured[0] : undefined);
  const infinity = fixedRatio ? closest : measured.find((each) => each.at === 'infinity');
  if (!closest && !infinity) return optics;
  const taken = [closest, infinity].filter((each): each is MeasuredRatio => each !== undefined);
  if (unknownRatio !== undefined || (fixedRatio && closest)) {
    const { unknownRatio: _, ...known } = optics;
    const ratio = (closest ?? infinity)!.ratio;
    const only = unknownRatio === undefined ? corrected(state.far, ratio) : placedFor(state.far, ratio);
    return {
      ...known,
      measured: taken,
      state: { ...state, far: only, near: only },
      settingAt: () => only,
      lensFrom: 0,
      lensTo: 0,
    };
  }
  // Where the lens's closest focus is not known, what was measured says how far it is turned out there.
  const lensTo =
    optics.lensTo ??
    (closest ? root((lensRatio) => settingAt(lensRatio).ratio - closest.ratio, lensFrom, FARTHEST_OUT) : undefined);
  const near = settingAt(lensTo ?? lensFrom);
  const atNear = closest ? closest.ratio / near.ratio : 1;
  const atFar = infinity && state.far.ratio > 0 ? infinity.ratio / state.far.ratio : state.far.ratio > 0 ? 1 : atNear;
  const span = (lensTo ?? lensFrom) - lensFrom;
  const measuredAt: FoldedOptics['settingAt'] = (lensRatio, unshortened) => {
    const setting = settingAt(lensRatio, unshortened);
    const turned = span > 0 ? (lensRatio - lensFrom) / span : 1;
    return corrected(setting, setting.ratio * (atFar + (atNear - atFar) * turned));
  };
  return {
    ...optics,
    measured: taken,
    settingAt: measuredAt,
    ...(lensTo === undefined ? {} : { lensTo }),
    state: { ...state, far: measuredAt(lensFrom), ...(lensTo === undefined ? {} : { near: measuredAt(lensTo) }) },
  };
}
