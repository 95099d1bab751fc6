import type { Reading } from '@/contract/schemas/reading';
import { formatChange, formatFixed, formatRatio } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { showFNumber, showQuantity, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import type { Reread } from './readingNow';

/** One number of a kept reading: as it was, why, and as it would be now. */
export interface ComparisonLine {
  label: string;
  was: string;
  wasWhy: Quantity | undefined;
  now: Quantity | undefined;
  beside?: string | undefined;
}

/** The numbers of a kept reading beside today's. */
export function comparisonLines(
  data: Reading,
  asKept: Reread | null,
  asNow: Reread | null,
  units: UnitSystem,
): ComparisonLine[] {
  if (data.desk === 'stars') {
    const { result } = data;
    const kept = asKept?.desk === 'stars' ? asKept.reading : undefined;
    const now = asNow?.desk === 'stars' ? asNow.reading : undefined;
    // Written as the figures beside them are.
    const was = (unit: 's' | 'px', value: number) => shownText(showQuantity({ unit, value }, units));
    return [
      { label: 'Longest', was: was('s', result.limitS), wasWhy: kept?.limitS, now: now?.limitS },
      { label: 'For the centre', was: was('s', result.centreS), wasWhy: kept?.centreS, now: now?.centreS },
      { label: 'For the whole frame', was: was('s', result.worstS), wasWhy: kept?.worstS, now: now?.worstS },
      {
        label: 'Run, centre',
        was: was('px', result.centreRunPx),
        wasWhy: kept?.centreDriftPx,
        now: now?.centreDriftPx,
      },
      {
        label: 'Run, worst point',
        was: was('px', result.worstRunPx),
        wasWhy: kept?.worstDriftPx,
        now: now?.worstDriftPx,
      },
    ];
  }
  const { result } = data;
  const kept = asKept && asKept.desk !== 'stars' ? asKept.reading : undefined;
  // Where today's kit does not focus there, there is nothing to compare with.
  const today = asNow && asNow.desk !== 'stars' ? asNow.reading : undefined;
  const now = today && 'obstacle' in today && today.obstacle ? undefined : today;
  // What was kept is written to as many figures as the desk wrote it.
  const was = (value: number, like: Quantity | undefined, unit: Quantity['unit']) =>
    shownText(
      showQuantity({ unit, value, ...(like?.plusMinus === undefined ? {} : { plusMinus: like.plusMinus }) }, units),
    );
  const change = now ? now.pixelsOnSubject.value / result.pixelsOnSubject : 1;
  const depthOf = (reread: Reread | null) => (reread?.desk === 'near' ? reread.reading.depthMm : undefined);
  return [
    ...(result.ratio === undefined
      ? []
      : [{ label: 'Reproduction ratio', was: formatRatio(result.ratio), wasWhy: kept?.ratio, now: now?.ratio }]),
    {
      label: 'Pixels on the subject',
      was: was(result.pixelsOnSubject, kept?.pixelsOnSubject, 'px'),
      wasWhy: kept?.pixelsOnSubject,
      now: now?.pixelsOnSubject,
      beside: Math.abs(change - 1) < 0.005 ? undefined : formatChange(change),
    },
    {
      label: 'Resolved',
      was: was(result.resolvedPixels, kept?.resolvedPixels, 'px'),
      wasWhy: kept?.resolvedPixels,
      now: now?.resolvedPixels,
    },
    {
      label: 'Needed',
      was: was(result.neededPixels, kept?.neededPixels, 'px'),
      wasWhy: kept?.neededPixels,
      now: now?.neededPixels,
    },
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
    ...(result.depthMm === undefined
      ? []
      : [
          {
            label: 'Depth of one frame',
            was: shownText(showSubjectMm(result.depthMm, units)),
            wasWhy: depthOf(asKept),
            now: depthOf(asNow),
          },
        ]),
  ];
}
