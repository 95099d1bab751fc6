import { G, Path } from 'react-native-svg';
import type { ObjectiveSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { unit, keep } from '../facts';
import { carry, choiceOf, main, number, own50 } from '../formFields';
import { glass } from './glass';
import type { KitKind } from './kind';

export const objective: KitKind<ObjectiveSpec> = {
  form: [
    main(
      'Objective',
      number('magnification', 'Magnification', '×', false),
      number('numericalAperture', 'Numerical aperture', '', false),
      choiceOf('correction', 'Corrected for', { infinity: 'Infinity', finite: 'A finite tube' }),
    ),
    {
      title: 'Tube, working distance, field',
      open: false,
      fields: [
        number('designTubeFocalMm', 'Tube lens it was made for', 'mm'),
        number('tubeLengthMm', 'Tube length (finite)', 'mm'),
        number('workingDistanceMm', 'Working distance', 'mm'),
        number('fieldNumberMm', 'Field number', 'mm'),
        own50,
      ],
    },
    carry(),
  ],
  start: {
    kind: 'objective',
    name: 'New objective',
    magnification: 4,
    numericalAperture: 0.1,
    correction: 'infinity',
  },
  brief: (part) =>
    `${formatFigures(part.magnification)}\u202f×, NA ${formatFigures(part.numericalAperture)}, ${part.correction === 'infinity' ? 'infinity' : 'finite tube'}`,
  facts: (part) =>
    keep([
      ['Magnification', unit(part.magnification, '×')],
      ['Numerical aperture', formatFigures(part.numericalAperture)],
      ['Corrected for', part.correction === 'infinity' ? 'infinity' : 'a finite tube'],
      ['Tube length', unit(part.tubeLengthMm, 'mm')],
      ['Made for a tube lens of', unit(part.designTubeFocalMm, 'mm')],
      ['Working distance', unit(part.workingDistanceMm, 'mm')],
      ['Field number', unit(part.fieldNumberMm, 'mm')],
    ]),
  tile: (part) => `${formatFigures(part.magnification)}\u202f×`,
  glyph: ({ outline, solid }) => (
    <G>
      <Path d="M6 24L14 16H42V40H14L6 32Z" {...outline} />
      <Path d={glass(13, 6, 6)} {...solid} />
      <Path d={glass(26, 9, 6)} {...solid} />
    </G>
  ),
};
