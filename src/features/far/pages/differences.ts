import { useMemo } from 'react';
import { besideMore } from '@/core/far/besideMore';
import type { Background } from '@/core/far/farMore';
import type { Compared, Stance } from '@/core/far/sideBySide';
import type { CocSchool } from '@/core/output/circleOfConfusion';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { formatChange, formatFigures, formatFixed, formatStops } from '@/core/quantity/format';
import { quantityText, showFNumber, showLengthM, shownText, shutterText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { useFarOptions } from '@/data/farOptions';
import { usePreferences } from '@/data/preferences';
import type { Situation } from '@/data/situation';
import type { ComparedLine } from '@/ui/ComparedTable';

interface DifferencesInput {
  compared: Compared[];
  stance: Stance;
  situation: Situation;
  units: UnitSystem;
  cocSchool: CocSchool;
  background: Background;
  speedMPerS: number | null;
}

/** What is compared, line by line: a name, and a value for each set-up. */
export function differences({
  compared,
  stance,
  situation,
  units,
  cocSchool,
  background,
  speedMPerS,
}: DifferencesInput): ComparedLine[] {
  const length = (metres: number) => shownText(showLengthM(metres, units));
  const { subject, output } = situation;
  const more = compared.map((each) =>
    besideMore(each, {
      subject,
      output,
      cocSchool,
      background,
      speedMPerS: speedMPerS ?? subject.speedMPerS,
    }),
  );
  const rows: { name: string; value: (each: Compared, i: number) => string }[] = [
    ...(stance === 'sameSpot'
      ? []
      : [
          {
            name: 'From',
            value: (each: Compared, i: number) =>
              `${length(each.distanceM)}${i && Math.abs(each.walkM) >= 0.05 ? ` (${length(Math.abs(each.walkM))} ${each.walkM < 0 ? 'nearer' : 'back'})` : ''}`,
          },
        ]),
    {
      name: 'Pixels on it',
      value: (each, i) =>
        `${quantityText(each.reading.pixelsOnSubject, units)}${i ? ` (${formatChange(each.pixelsRatio)})` : ''}`,
    },
    {
      name: 'Resolved',
      value: (each, i) =>
        `${quantityText(each.reading.resolvedPixels, units)}${i ? ` (${formatChange(each.resolvedRatio)})` : ''}`,
    },
    {
      name: situation.output.name,
      value: (each) =>
        each.reading.overflow
          ? '✕ does not fit'
          : `${VERDICT_MARK[each.reading.verdict]} ${VERDICT_WORDS[each.reading.verdict]('it')}`,
    },
    { name: 'Share of frame', value: (each) => quantityText(each.reading.shareOfFrame, units) },
    {
      name: 'f-number',
      value: (each) =>
        `${showFNumber(each.fNumber)}${each.fNumber > each.system.fNumber.value * 1.005 ? ', stopped down' : ''}`,
    },
    ...(stance === 'samePicture'
      ? [{ name: 'ISO', value: (each: Compared, i: number) => (i ? `×${formatFigures(each.isoFactor, 2)}` : 'as set') }]
      : []),
    { name: 'Exposure', value: (each, i) => (i ? formatStops(each.exposureStops) : '–') },
    { name: 'Light from the subject', value: (each, i) => (i ? formatStops(each.subjectLightStops) : '–') },
    {
      name: 'Equivalent',
      value: (each) =>
        `${formatFixed(each.system.equivalentFocalMm.value)} mm ${showFNumber(each.system.equivalentFNumber.value)}`,
    },
    { name: 'Reach', value: (each) => quantityText(each.reading.reachPxPerMrad, units) },
    {
      name: 'Depth of field',
      value: (_, i) => (more[i]?.depthM ? quantityText(more[i].depthM, units) : 'to infinity'),
    },
    { name: 'Background blur, of the frame', value: (_, i) => quantityText(more[i]!.backgroundBlur, units) },
    {
      name: `Shutter for ${situation.output.name}`,
      value: (_, i) => shutterText(more[i]!.longestShutterOutputS.value),
    },
    {
      name: 'Autofocus',
      value: (each) => ({ works: 'works', slow: 'slow', off: 'no', unknown: 'not known' })[each.system.autofocus.state],
    },
    {
      name: 'Weight',
      value: (each, i) =>
        each.system.weightG
          ? `${quantityText(each.system.weightG, units)}${i && each.weightRatio ? ` (${formatChange(each.weightRatio)})` : ''}`
          : '–',
    },
    {
      name: 'Price',
      value: (each, i) =>
        each.system.price
          ? `${quantityText(each.system.price, units)}${i && each.priceRatio ? ` (${formatChange(each.priceRatio)})` : ''}`
          : '–',
    },
  ];
  return rows.map(({ name, value }) => ({ name, values: compared.map(value) }));
}

/** The same for what is in hand. */
export function useDifferences(compared: Compared[], stance: Stance, situation: Situation | null): ComparedLine[] {
  const units = usePreferences((state) => state.units);
  const { background, speedMPerS } = useFarOptions();
  const cocSchool = usePreferences((state) => state.cocSchool);
  return useMemo(
    () => (situation ? differences({ compared, stance, situation, units, cocSchool, background, speedMPerS }) : []),
    [compared, stance, situation, units, cocSchool, background, speedMPerS],
  );
}
