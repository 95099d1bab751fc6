import type { EffectiveSystem } from '../optics/foldSystem';
import { settingForRatio } from '../chain/chainFocus';
import type { Setting } from '../chain/opticState';
import type { Part } from '../chain/parts';
import { workingFNumberAt } from '../optics/workingFNumber';
import { fail, ok, type Result } from '../quantity/result';

/** A set-up focused at a ratio and stopped down. */
export interface NearState {
  ratio: number;
  setting: Setting;
  /** How far the lens's own focus is turned: 0 at its infinity, 1 at its closest. */
  turned: number;
  /** f-number as set on the lens, and what it is for the whole focused at infinity. */
  setFNumber: number;
  fNumber: number;
  workingFNumber: number;
  /** The aperture cannot be changed: an objective, a mirror. */
  fixedAperture: boolean;
}

/** Ratios a set-up reaches by its own focus, smallest first. */
export interface RatioRange {
  lowest: number;
  highest: number;
}

/** Below this a plain lens is not worth calling close: the lower end of the scale where it reaches infinity. */
export const SMALLEST_RATIO = 0.02;

/** The two ends of what a system's focus reaches, or null where its ratio is not known. */
export function ratioRange(system: EffectiveSystem): RatioRange | null {
  const { unknownRatio, state } = system.optics;
  if (unknownRatio !== undefined) return null;
  const ends = [state.far.ratio, (state.near ?? state.far).ratio];
  const highest = Math.max(...ends);
  if (!(highest > 0)) return null;
  return { lowest: Math.min(highest, Math.max(SMALLEST_RATIO, Math.min(...ends))), highest };
}

/** Smallest aperture of most lenses, where none is entered; close-up lenses go as far or further. */
export const USUAL_SMALLEST_APERTURE = 22;

const smallestOf = (main: Part): number | undefined =>
  main.kind === 'lens' || main.kind === 'builtIn' ? main.fNumberSmallest : undefined;

/** f-numbers one can set on the main lens, widest first and last. */
export function apertureRange(system: EffectiveSystem): { widest: number; smallest: number } {
  const { main } = system.arrangement;
  const fixed =
    system.optics.numericalAperture !== undefined ||
    (main.kind === 'lens' ? main.fixedAperture === true : main.kind !== 'builtIn');
  return {
    widest: system.markedFNumber,
    smallest: fixed
      ? system.markedFNumber
      : Math.max(system.markedFNumber, smallestOf(main) ?? USUAL_SMALLEST_APERTURE),
  };
}

/**
 * Focuses a set-up at a ratio. The ends of the lens's own focus are exact; what lies between
 * follows the lens's law of focusing (`lensFocus`), an estimate, as makers publish no more.
 *
 * @param ratio wanted; the nearest the set-up reaches is taken, the largest when left out
 * @param setFNumber as set on the lens; held to what it offers
 */
export function nearState(
  system: EffectiveSystem,
  ratio: number | undefined,
  setFNumber: number | undefined,
): Result<NearState> {
  const range = ratioRange(system);
  if (!range) {
    const { unknownRatio } = system.optics;
    return unknownRatio === undefined
      ? fail(
          'ratio.noCloseFocus',
          `How close ${system.lens.name} focuses is not entered. Enter its closest focus and the ratio there, or measure the ratio with a ruler.`,
          'chain',
        )
      : fail(
          'ratio.unknown',
          `How large this draws cannot be worked out without the ${unknownRatio}. Measure it with a ruler, or enter them in the kit.`,
          'chain',
        );
  }
  const wanted = Math.min(range.highest, Math.max(range.lowest, ratio ?? range.highest));
  const { lensFrom, lensTo } = system.optics;
  const setting = settingForRatio(system.optics, wanted);
  const turned = lensTo === undefined || lensTo === lensFrom ? 1 : (setting.lensRatio - lensFrom) / (lensTo - lensFrom);
  const { widest, smallest } = apertureRange(system);
  const set = Math.min(smallest, Math.max(widest, setFNumber ?? Math.max(widest, USUAL_F_NUMBER)));
  const fNumber = (system.fNumber.value * set) / system.markedFNumber;
  return ok({
    ratio: wanted,
    setting,
    turned,
    setFNumber: set,
    fNumber,
    workingFNumber: workingFNumberAt(system, fNumber, setting),
    fixedAperture: widest === smallest,
  });
}

/** Where nothing is set: the usual compromise between depth and diffraction. */
export const USUAL_F_NUMBER = 8;
