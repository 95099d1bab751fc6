import type { EffectiveSystem } from './foldSystem';

/** Length by which converters move the lens forward, where it is not known: their own, mm, or this share of the lens's focal length. */
const CONVERTER_LENGTH_MM = 30;
const CONVERTER_LENGTH_SHARE = 0.15;
/** A converter of power 1/g and factor t stands g·(t − 1)²/t longer than the lens needs; g is 150 mm at most, a hair more here. */
const WEAKEST_CONVERTER_MM = 151;

/** How far converters and reducers may shift the distance the lens is focused on, mm; 0 without any. */
export function converterShiftMm(system: Pick<EffectiveSystem, 'optics' | 'markedFocalMm'>): number {
  const factor = system.optics.state.factor;
  if (Math.abs(factor - 1) < 1e-9) return 0;
  return Math.max(
    CONVERTER_LENGTH_MM,
    CONVERTER_LENGTH_SHARE * system.markedFocalMm,
    (WEAKEST_CONVERTER_MM * (factor - 1) ** 2) / factor,
  );
}
