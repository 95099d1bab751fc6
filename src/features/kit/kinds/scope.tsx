import { G, Path } from 'react-native-svg';
import type { ScopeSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { length, range, unit, keep } from '../facts';
import { carry, draws, main, number } from '../formFields';
import { glass } from './glass';
import type { KitKind } from './kind';

export const scope: KitKind<ScopeSpec> = {
  form: [
    main(
      'Spotting scope',
      number('objectiveMm', 'Objective', 'mm', false),
      number('magnificationLow', 'Lowest magnification', '×', false),
      number('magnificationHigh', 'Highest magnification', '×', false),
      draws,
    ),
    {
      title: 'Eyepiece, closest focus',
      open: false,
      fields: [
        number('eyeReliefMm', 'Eye relief', 'mm'),
        number('apparentFieldDeg', 'Apparent field', '°'),
        number('closestFocusM', 'Closest focus', 'm'),
      ],
    },
    carry(),
  ],
  start: {
    kind: 'scope',
    name: 'New scope',
    objectiveMm: 65,
    magnificationLow: 20,
    magnificationHigh: 50,
    detailClass: 'fair',
  },
  brief: (part) =>
    `${range(part.magnificationLow, part.magnificationHigh)}\u202f×, objective ${formatFigures(part.objectiveMm)}\u202fmm`,
  facts: (part, units) =>
    keep([
      ['Objective', unit(part.objectiveMm, 'mm')],
      [
        'Magnification',
        part.magnificationHigh > part.magnificationLow
          ? `${formatFigures(part.magnificationLow)}–${formatFigures(part.magnificationHigh)}\u202f×`
          : unit(part.magnificationLow, '×'),
      ],
      [
        'Exit pupil',
        `${formatFigures(part.objectiveMm / part.magnificationLow)}${part.magnificationHigh > part.magnificationLow ? ` to ${formatFigures(part.objectiveMm / part.magnificationHigh)}` : ''}\u202fmm`,
      ],
      ['Eye relief', unit(part.eyeReliefMm, 'mm')],
      ['Apparent field', part.apparentFieldDeg === undefined ? null : `${formatFigures(part.apparentFieldDeg)}°`],
      ['Closest focus', length(part.closestFocusM, units)],
    ]),
  tile: (part) => `${formatFigures(part.magnificationSet ?? part.magnificationLow)}\u202f×`,
  glyph: ({ outline, solid }) => (
    <G>
      <Path d="M2 12H24L30 20H46V36H30L24 44H2Z" {...outline} />
      <Path d={glass(8, 14, 7)} {...solid} />
      <Path d={glass(40, 6, 5)} {...solid} />
    </G>
  ),
  pupilMm: (part) => part.objectiveMm,
};
