import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import { dialText } from '@/core/quantity/shutterDial';
import type { UnitSystem } from '@/core/quantity/units';

/** With what a group was taken, in one line. */
export const gearWords = ({ bodyName, lensName, converterName }: PictureGroup): string =>
  [bodyName, lensName, converterName].filter(Boolean).join(' + ') || 'gear not told';

/** What was set, in one line: what is not known is left out. */
export function settingWords(group: PictureGroup, units: UnitSystem): string {
  const { focalMm, fNumber, seconds, iso, distanceM, ratio } = group;
  return [
    focalMm ? `${formatFigures(focalMm)}\u202fmm` : '',
    fNumber ? showFNumber(fNumber) : '',
    seconds ? dialText(seconds) : '',
    iso ? `ISO ${formatFixed(iso)}` : '',
    ratio ? formatRatio(ratio) : distanceM ? shownText(showLengthM(distanceM, units)) : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** When and how many: 08:05–08:12 · 46 pictures. */
export function whenWords({ takenFrom, takenTo, pictures }: PictureGroup): string {
  const [from, to] = [takenFrom.slice(11, 16), takenTo.slice(11, 16)];
  const when = takenFrom.startsWith('1970') ? 'no time told' : from === to ? from : `${from}–${to}`;
  return `${when} · ${formatFixed(pictures)} ${pictures === 1 ? 'picture' : 'pictures'}`;
}
