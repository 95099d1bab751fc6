import { computed, input, type Quantity } from '../quantity/quantity';
import { equivalent } from './equivalence';

const round = (value: number, figures = 3): string => String(Number(value.toPrecision(figures)));

/** What a set-up looks like on the reference format, each with its reasons. */
export interface Equivalents {
  equivalentFocalMm: Quantity;
  equivalentFNumber: Quantity;
  /** ISO on 36 × 24 mm that shows as much noise as ISO 100 here, at the same view, depth and shutter time. */
  equivalentIso: Quantity;
}

export function equivalentQuantities(focalMm: Quantity, fNumber: Quantity, crop: Quantity): Equivalents {
  const eq = equivalent(focalMm.value, fNumber.value, crop.value);
  return {
    equivalentFocalMm: computed(eq.focalMm, 'mm', () => ({
      name: 'Equivalent focal length',
      formula: 'f · k',
      inputs: [input('f', 'effective focal length', focalMm), input('k', 'crop factor', crop)],
      source: 'the focal length that gives the same view on 36 × 24 mm',
      neglects: 'It says how tight the view is, not how many pixels the subject gets.',
    })),
    equivalentFNumber: computed(eq.fNumber, 'f/', () => ({
      name: 'Equivalent f-number',
      formula: 'N · k',
      inputs: [input('N', 'effective f-number', fNumber), input('k', 'crop factor', crop)],
      source: 'same entrance pupil at the same view: same depth, blur and total light on 36 × 24 mm',
      neglects: `For the exposure the f-number stays f/${round(fNumber.value, 2)}.`,
    })),
    equivalentIso: computed(100 * eq.isoFactor, 'ISO', () => ({
      name: 'ISO parity',
      formula: '100 · k²',
      inputs: [input('k', 'crop factor', crop)],
      source:
        'the ISO on 36 × 24 mm that goes with the equivalent f-number at the same shutter time; it then shows about as much noise as ISO 100 here',
      neglects: 'Differences between the sensors themselves.',
    })),
  };
}
