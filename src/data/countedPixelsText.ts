import { countedPixelsOf } from '@/contract/readingWords';
import type { FarReadingKept, NearReadingKept } from '@/contract/schemas/reading';
import { showQuantity, shownText, type Shown } from '@/core/quantity/quantityText';

/** The pixels a kept verdict counts, to as many figures as the desk showed them, and which they are. */
export function countedPixels(reading: FarReadingKept | NearReadingKept): Shown {
  const { result, input } = reading;
  const value = countedPixelsOf(reading);
  const plusMinus = ((result.pixelsPlusMinus ?? 0) * value) / Math.max(result.pixelsOnSubject, 1e-9);
  const { number } = showQuantity({ unit: 'px', value, ...(plusMinus > 0 ? { plusMinus } : {}) }, 'metric');
  return { number, unit: input.judgeBy === 'sampled' ? 'px' : 'px resolved' };
}

export const countedPixelsText = (reading: FarReadingKept | NearReadingKept): string =>
  shownText(countedPixels(reading));
