import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import { formatChange, formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import type { Lever } from '@/core/far/levers';
import type { SubjectSpec } from '@/core/kit/subjects';
import type { AutofocusState } from '@/core/optics/foldSystem';
import type { LeverText } from '@/ui/levers/LeverRow';
import type { UnitSystem } from '@/core/quantity/units';

const AUTOFOCUS: Record<AutofocusState, string> = {
  works: 'autofocus still on',
  slow: 'autofocus slow',
  off: 'no autofocus',
  unknown: 'autofocus: limit not entered',
};

function gainOf(lever: Lever): string {
  if (lever.verdictAfter === 'doesNotFit') return `cuts it off: ${formatFigures(lever.timesFrame, 2)} times the frame`;
  if (!lever.comparable) return lever.cannotFocus ? 'does not focus there' : 'in focus then';
  const same = Math.abs(lever.pixelsRatio - 1) < 0.005;
  if (same && Math.abs(lever.resolvedRatio - 1) < 0.005) return 'same pixels on the subject';
  const pixels = same ? 'same pixels' : `${formatChange(lever.pixelsRatio)} pixels`;
  return `${pixels}, ${formatChange(lever.resolvedRatio)} resolved`;
}

function filesText(ratio: number): string {
  if (Math.abs(ratio - 1) < 0.02) return '';
  return ratio < 1
    ? `files ${formatFigures(1 / ratio, 3)}\u202f× smaller`
    : `files ${formatFigures(ratio, 3)}\u202f× larger`;
}

function aroundText(ratio: number): string {
  if (Math.abs(ratio - 1) < 0.02) return '';
  return ratio < 1
    ? `you see ${formatFixed((1 - ratio) * 100)}\u202f% less around it`
    : `you see ${formatFigures(ratio, 2)}\u202f× as much around it`;
}

const weightText = (grams: number): string =>
  Math.abs(grams) < 20
    ? ''
    : `${formatFigures(Math.abs(grams) / 1000, 2)}\u202fkg ${grams < 0 ? 'lighter' : 'heavier'}`;

const listed = (parts: string[]): string => parts.filter((part) => part !== '').join(' · ');

const lightText = (lever: Lever): string =>
  Math.abs(lever.stops) < 1 / 6 ? '' : `${formatStops(lever.stops)} (${showFNumber(lever.fNumberAfter)})`;

function framesText(lever: Lever): string {
  const { framesPerSecondBefore: before, framesPerSecondAfter: after } = lever;
  if (before === undefined || after === undefined || before === after) return '';
  return `${formatFigures(before, 2)} → ${formatFigures(after, 2)} frames/s`;
}

/**
 * Words a lever. A distance nearer than the one to keep is said as what it is: not to be walked.
 */
export function leverText(offered: Lever, subject: SubjectSpec, distanceM: number, units: UnitSystem): LeverText {
  // That it does not focus there stands beside its name already; the way back is the desk's to say.
  const lever = offered.verdictAfter === 'outOfFocus' ? { ...offered, caution: '' } : offered;
  const length = (metres: number) => shownText(showLengthM(metres, units));
  const gain = gainOf(lever);
  switch (lever.kind) {
    case 'distance': {
      const target = lever.patch.distanceM ?? distanceM;
      const nearer = lever.distanceChangeM < 0;
      const tooNear = nearer && subject.keepDistanceM !== undefined && target < subject.keepDistanceM;
      return {
        title: nearer
          ? `${length(-lever.distanceChangeM)} closer, to ${length(target)}`
          : `${length(lever.distanceChangeM)} further back, to ${length(target)}`,
        gain,
        price: nearer ? '' : 'more peace for the subject',
        caution: tooNear
          ? `Nearer than the ${length(subject.keepDistanceM ?? 0)} to keep here: use another lever.`
          : nearer
            ? 'Keep the distance the law and the site ask for.'
            : (lever.caution ?? ''),
      };
    }
    case 'focal':
      return {
        title: `Set the lens to ${formatFigures(lever.patch.focalMm ?? 0, 4)}\u202fmm`,
        gain,
        price: listed([lightText(lever), aroundText(lever.surroundingsRatio)]),
        caution: lever.caution ?? '',
      };
    case 'chain':
      return {
        title: lever.removes ? `Without ${lever.name}` : lever.name,
        gain,
        price: listed([lightText(lever), AUTOFOCUS[lever.autofocusAfter]]),
        caution: lever.caution ?? '',
      };
    case 'mode':
      return {
        title: lever.name,
        gain,
        price: listed([
          lever.fileSizeRatio === undefined ? '' : filesText(lever.fileSizeRatio),
          framesText(lever),
          aroundText(lever.surroundingsRatio),
        ]),
        caution: lever.caution ?? '',
      };
    case 'setup':
      return {
        title: lever.name,
        gain,
        price: listed([
          lightText(lever),
          lever.autofocusAfter === lever.autofocusBefore ? '' : AUTOFOCUS[lever.autofocusAfter],
          lever.weightChangeG === undefined ? '' : weightText(lever.weightChangeG),
        ]),
        caution: lever.caution ?? '',
      };
  }
}
