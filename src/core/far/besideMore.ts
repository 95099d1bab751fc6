import { computed, given, input, type Quantity } from '../quantity/quantity';
import { farMore, type Background, type FarMore, type FarMoreInput } from './farMore';
import type { Compared } from './sideBySide';

/** The entrance pupil at the f-number a set-up is closed to. */
function stoppedPupil({ system, reading, fNumber }: Compared): Quantity {
  const wide = system.fNumber.value;
  if (fNumber <= wide) return reading.pupilMm;
  return computed((reading.pupilMm.value * wide) / fNumber, 'mm', () => ({
    name: 'Entrance pupil, stopped down',
    formula: 'A · N₀ / N',
    inputs: [
      input('A', 'entrance pupil wide open', reading.pupilMm),
      input('N₀', 'widest f-number', system.fNumber),
      input('N', 'f-number here', given(fNumber, 'f/', 'f-number of the same picture', 'the others open no wider')),
    ],
    source: 'the pupil goes with 1/N',
  }));
}

/** The background stays where it is when one walks: its distance from the camera changes by the walk. */
const seenFrom = (background: Background, walkM: number): Background =>
  background.kind === 'distance'
    ? { ...background, distanceM: Math.max(0.01, background.distanceM + walkM) }
    : background;

/** Depth, background and shutter of one set-up side by side with others, at the f-number it stands at there. */
export const besideMore = (compared: Compared, asked: Omit<FarMoreInput, 'system' | 'reading'>): FarMore =>
  farMore({
    ...asked,
    background: seenFrom(asked.background, compared.walkM),
    system: compared.system,
    reading: { ...compared.reading, pupilMm: stoppedPupil(compared) },
  });
