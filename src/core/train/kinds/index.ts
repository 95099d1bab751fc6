import type { Exercise, Making, TrainKind } from '../exercise';
import { enlarged } from './enlarged';
import { fNumber } from './fNumber';
import { lever } from './lever';
import { modeOrCrop } from './modeOrCrop';
import { pixels } from './pixels';
import { resolves } from './resolves';
import { ruler } from './ruler';
import { smallSensor } from './smallSensor';
import { starField } from './starField';

const MAKERS: Record<TrainKind, (making: Making) => Exercise | null> = {
  pixels,
  enlarged,
  ruler,
  modeOrCrop,
  smallSensor,
  starField,
  resolves,
  lever,
  fNumber,
};

/**
 * Makes an exercise: the same kind, level, seed and kit make the same one.
 *
 * @returns null where the kit has nothing to make one from
 */
export const makeExercise = (kind: TrainKind, making: Making): Exercise | null => MAKERS[kind](making);
