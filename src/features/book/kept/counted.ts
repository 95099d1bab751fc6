import type { FarReadingKept, NearReadingKept } from '@/contract/schemas/reading';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { formatChange, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { showFNumber, showQuantity, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { countedPixels } from '@/data/countedPixelsText';
import type { ComparisonLine, EntryWords, RereadOf } from './keptDesk';

type Counted = RereadOf<'far'> | RereadOf<'near'>;

/** A reading of a subject in words. */
export function countedWords(data: FarReadingKept | NearReadingKept, where: string): EntryWords {
  const { result, input, setupName } = data;
  const { number, unit } = countedPixels(data);
  return {
    subject: input.subject.name,
    where,
    figure: number,
    unit,
    verdict: result.verdict,
    judgement: `${VERDICT_MARK[result.verdict]} ${VERDICT_WORDS[result.verdict](input.output.name)}`,
    line: `${setupName} ${where} · equivalent ${formatFixed(result.equivalentFocalMm)} mm ${showFNumber(result.equivalentFNumber)}`,
  };
}

/** The numbers every reading of a subject has: pixels, what is needed, share of the frame, the equivalent lens. */
export function countedLines(
  { result }: FarReadingKept | NearReadingKept,
  asKept: Counted | null,
  asNow: Counted | null,
  units: UnitSystem,
): ComparisonLine[] {
  const kept = asKept?.reading;
  const now = asNow?.reading;
  // What was kept is written to as many figures as the desk wrote it.
  const was = (value: number, like: Quantity | undefined, unit: Quantity['unit']) =>
    shownText(
      showQuantity({ unit, value, ...(like?.plusMinus === undefined ? {} : { plusMinus: like.plusMinus }) }, units),
    );
  const change = now ? now.pixelsOnSubject.value / result.pixelsOnSubject : 1;
  const line = (label: string, value: number, key: 'pixelsOnSubject' | 'resolvedPixels' | 'neededPixels') => ({
    label,
    was: was(value, kept?.[key], 'px'),
    wasWhy: kept?.[key],
    now: now?.[key],
  });
  return [
    {
      ...line('Pixels on the subject', result.pixelsOnSubject, 'pixelsOnSubject'),
      beside: Math.abs(change - 1) < 0.005 ? undefined : formatChange(change),
    },
    line('Resolved', result.resolvedPixels, 'resolvedPixels'),
    line('Needed', result.neededPixels, 'neededPixels'),
    {
      label: 'Share of frame',
      was: was(result.shareOfFramePercent, kept?.shareOfFrame, '%'),
      wasWhy: kept?.shareOfFrame,
      now: now?.shareOfFrame,
    },
    {
      label: 'Equivalent',
      was: `${formatFixed(result.equivalentFocalMm)} mm ${showFNumber(result.equivalentFNumber)}`,
      wasWhy: asKept?.system.equivalentFocalMm,
      now: asNow?.system.equivalentFocalMm,
      beside: asNow ? showFNumber(asNow.system.equivalentFNumber.value) : undefined,
    },
  ];
}
