import { formatFixed } from '@/core/quantity/format';
import { showQuantity } from '@/core/quantity/quantityText';
import type { FarReading } from '@/core/far/readFar';
import type { OutputSpec } from '@/core/output/needs';

/** Names of the zones on the scale, after what the picture is for. */
export const zoneNames = (output: OutputSpec) => ({
  short: `too few for ${output.name}`,
  enough: `enough for ${output.name}`,
  more: 'more than it uses',
});

/** The verdict as one sentence with its numbers. */
export function verdictSentence(reading: FarReading): string {
  const counted = showQuantity(reading.countedPixels, 'metric').number;
  const needed = formatFixed(reading.neededPixels.value);
  const what = reading.judgeBy === 'resolved' ? 'resolved' : 'in all';
  return `${counted}\u202fpx ${what}, ${needed} needed`;
}
