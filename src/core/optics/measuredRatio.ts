import type { FoldedOptics } from './foldOptics';
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
  const factor = setting.focalMm / setting.frontFocalMm;
  const frontFocalMm = setting.imageMm / (1 + ratio / factor);
  return { ...setting, frontFocalMm, focalMm: frontFocalMm * factor, ratio };
}

/**
 * Puts measured ratios in the place of the estimates. A chain of one fixed ratio takes it at both ends; a chain whose ratio
 * could not be worked out at all can be read from then on.
 */
export function withMeasured(optics: FoldedOptics, measured: MeasuredRatio[]): FoldedOptics {
  const { state, fixedRatio, unknownRatio } = optics;
  const closest = measured.find((each) => each.at === 'closest') ?? (fixedRatio ? measured[0] : undefined);
  const infinity = fixedRatio ? closest : measured.find((each) => each.at === 'infinity');
  if (!closest && !infinity) return optics;
  const { unknownRatio: _, ...known } = optics;
  return {
    ...(unknownRatio === undefined ? optics : known),
    measured: [closest, infinity].filter((each): each is MeasuredRatio => each !== undefined),
    state: {
      ...state,
      far: infinity ? corrected(unknownRatio === undefined ? state.far : withImageFor(state.far, infinity.ratio), infinity.ratio) : state.far,
      ...(closest ? { near: corrected(unknownRatio === undefined ? (state.near ?? state.far) : withImageFor(state.far, closest.ratio), closest.ratio) } : state.near ? { near: state.near } : {}),
    },
  };
}

/** A reversed lens of unknown length: the sensor stands where its marked focal length and the ratio put it. */
const withImageFor = (setting: Setting, ratio: number): Setting => ({ ...setting, imageMm: setting.frontFocalMm * (1 + (ratio * setting.frontFocalMm) / setting.focalMm) });
