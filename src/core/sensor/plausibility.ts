import type { Problem } from '../quantity/result';
import type { SensorSpec } from './cropMode';

/** Pixels further from square than this are worth a question. */
const SQUARE_TOLERANCE = 0.02;

/**
 * Doubts about a sensor's data that do not stop a reading: swapped sides and pixels that are not square.
 * Hard limits (zero, negative, absurd) are the contract's business.
 */
export function sensorDoubts(sensor: SensorSpec): Problem[] {
  const doubts: Problem[] = [];
  const { widthMm, heightMm, columns, rows } = sensor;
  const wideInMm = widthMm >= heightMm;
  const wideInPixels = columns >= rows;
  if (wideInMm !== wideInPixels) {
    doubts.push({
      code: 'sensor.swapped',
      message: `The sensor is ${wideInMm ? 'wider than high' : 'higher than wide'} in millimetres but ${wideInPixels ? 'wider than high' : 'higher than wide'} in pixels. Swap one pair.`,
      field: 'sensor.heightMm',
    });
    return doubts;
  }
  const ratio = widthMm / columns / (heightMm / rows);
  if (Math.abs(ratio - 1) > SQUARE_TOLERANCE) {
    doubts.push({
      code: 'sensor.notSquare',
      message: `These pixels would be ${Math.round(Math.abs(ratio - 1) * 100)} % off square. Check the millimetres and the pixel counts; Jauge uses the pitch across the width.`,
      field: 'sensor.columns',
    });
  }
  return doubts;
}
