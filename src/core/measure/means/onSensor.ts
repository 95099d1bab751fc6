import { computed, input, type Quantity } from '../../quantity/quantity';
import { shareOf, together } from './shares';

/** How long something measured on a picture is on the sensor, mm. */
export function onSensorMm(lengthPx: Quantity, pitchUm: Quantity): Quantity {
  const value = (lengthPx.value * pitchUm.value) / 1000;
  return computed(
    value,
    'mm',
    () => ({
      name: 'Length on the sensor',
      formula: 'px · p / 1000',
      inputs: [input('px', 'length', lengthPx), input('p', 'pixel pitch', pitchUm)],
      source: 'definition',
    }),
    value * together(shareOf(lengthPx), shareOf(pitchUm)),
  );
}
