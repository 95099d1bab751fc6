import { SUBJECT_KINDS } from '../../kit/subjects';
import { formatFixed } from '../../quantity/format';
import { quantityText } from '../../quantity/quantityText';
import { chance } from '../../simulate/chance';
import type { Exercise, Making } from '../exercise';
import { farSpot } from '../farSpot';
import { framePlate } from '../framePlate';

/** How many pixels are on it? The frame drawn to scale, the pixels across it told. */
export function pixels({ kit, level, seed, units = 'metric' }: Making): Exercise | null {
  const spot = farSpot(kit, chance(seed));
  if (!spot) return null;
  const { system, reading, subject, name } = spot;
  const { pixelsOnSubject, shareOfFrame } = reading;
  return {
    kind: 'pixels',
    level,
    seed,
    given: `${name}, ${system.mode.name.toLowerCase()}: ${formatFixed(system.used.columns)} × ${formatFixed(system.used.rows)}\u202fpx. ${subject.name} at ${quantityText(reading.distanceM, units)}.`,
    question: `How many pixels are on it, ${SUBJECT_KINDS[subject.kind].measure}?`,
    plates: [framePlate(spot)],
    ask: { type: 'amount', unit: 'px', low: 10, high: 10_000, truth: pixelsOnSubject.value },
    told: `It takes ${quantityText(shareOfFrame, 'metric')} of the frame’s side: that share of its pixels.`,
    why: pixelsOnSubject,
  };
}
