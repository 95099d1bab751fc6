import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { discPx } from './planet';

/** Sizes of Moon and Sun, ″, where no night is chosen: both are about half a degree. */
export const USUAL_DISC_ARCSEC = 1900;

/** The Moon or the Sun as it falls on the sensor. */
export interface DiscOnSensor {
  diameterMm: Quantity;
  diameterPx: Quantity;
  /** The whole disc lies within the frame, when it is centred. */
  fits: boolean;
}

/**
 * A disc of the sky on the sensor.
 *
 * @param name what it is
 * @param arcsec its diameter, ″
 * @source d = ω·f, ω in radians: 1″ = 1/206,265
 */
export function discOnSensor(system: EffectiveSystem, name: string, arcsec: number): DiscOnSensor {
  const { focalMm, pitchUm, used } = system;
  const omega = given(arcsec, '″', `Diameter of ${name}`, 'of the night, or usual');
  const mm = (arcsec * focalMm.value) / 206_265;
  return {
    diameterMm: computed(mm, 'mm', () => ({
      name: `${name} on the sensor`,
      formula: 'ω · f / 206265',
      inputs: [input('ω', 'diameter in the sky', omega), input('f', 'effective focal length', focalMm)],
      source: 'an angle times the focal length',
    })),
    diameterPx: computed(discPx(arcsec, focalMm.value, pitchUm.value), 'px', () => ({
      name: `${name} in pixels`,
      formula: 'ω · f / (206.265 · p)',
      inputs: [
        input('ω', 'diameter in the sky', omega),
        input('f', 'effective focal length', focalMm),
        input('p', 'pixel pitch', pitchUm),
      ],
      source: 'an angle times the focal length, divided by the pitch',
    })),
    fits: mm <= Math.min(used.widthMm, used.heightMm),
  };
}
