import type { NearLever } from '@/core/near/nearLevers';
import { COC_NAMES } from '@/core/output/circleOfConfusion';
import { formatChange, formatFigures, formatRatio, formatStops } from '@/core/quantity/format';
import { showFNumber, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import type { LeverText } from '@/ui/levers/LeverRow';

const listed = (parts: string[]): string => parts.filter((part) => part !== '').join(' · ');
const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function titleOf(lever: NearLever): string {
  switch (lever.kind) {
    case 'ratio':
      return `Focus to ${formatRatio(lever.ratioAfter)}`;
    case 'aperture':
      return `Set ${showFNumber(lever.fNumberAfter)}`;
    case 'chain':
      return lever.removes ? `Without the ${lever.name}` : `With the ${lever.name}`;
    case 'mode':
      return lever.removes ? 'Whole sensor' : lever.name;
    case 'setup':
      return lever.name;
  }
}

/**
 * What a lever does to the depth. With another frame it is the judgement that changes, not the picture at the same ratio and
 * f-number: the school is named.
 */
function depthText({ depthChange, cocSchool, kind }: NearLever): string {
  if (Math.abs(depthChange - 1) < 0.01) return '';
  const change =
    depthChange > 1
      ? `${formatFigures(depthChange, 2)}\u202f× as deep`
      : `depth down to ${formatFigures(depthChange * 100, 2)}\u202f%`;
  return kind === 'mode' || kind === 'setup' ? `${change} by ${COC_NAMES[cocSchool]}` : change;
}

/** Words a lever close up: what it makes of the ratio, of the detail and of the depth, and what it costs. */
export function nearLeverText(lever: NearLever, units: UnitSystem): LeverText {
  const same = Math.abs(lever.ratioChange - 1) < 0.005;
  const room =
    lever.workingAfterMm === undefined || same
      ? ''
      : lever.workingAfterMm <= 0
        ? 'no room in front'
        : `about ${shownText(showSubjectMm(lever.workingAfterMm, units, 2))} in front of the glass`;
  return {
    title: upper(titleOf(lever)),
    gain: listed([
      same
        ? 'same ratio'
        : `${formatRatio(lever.ratioAfter)}, field ${shownText(showSubjectMm(lever.fieldAfterMm, units, 2))}`,
      Math.abs(lever.resolvedChange - 1) < 0.005 ? 'same detail' : `${formatChange(lever.resolvedChange)} resolved`,
    ]),
    price: listed([depthText(lever), Math.abs(lever.stops) < 1 / 6 ? '' : formatStops(lever.stops), room]),
    caution: lever.caution ?? '',
  };
}
