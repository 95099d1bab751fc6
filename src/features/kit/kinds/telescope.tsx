import { G, Path } from 'react-native-svg';
import type { TelescopeSpec } from '@/core/chain/parts';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { mm, unit, keep } from '../facts';
import { carry, draws, main, number, own50 } from '../formFields';
import { glass } from './glass';
import type { KitKind } from './kind';

export const telescope: KitKind<TelescopeSpec> = {
  form: [
    main(
      'Telescope',
      number('apertureMm', 'Aperture', 'mm', false),
      number('focalMm', 'Focal length', 'mm', false),
      draws,
    ),
    {
      title: 'Obstruction, back focus, circle',
      open: false,
      fields: [
        number('obstructionShare', 'Central obstruction (0.4 for 40 %)'),
        number('backFocusMm', 'Back focus', 'mm'),
        number('imageCircleMm', 'Image circle', 'mm'),
        own50,
      ],
    },
    carry(),
  ],
  start: { kind: 'telescope', name: 'New telescope', apertureMm: 80, focalMm: 480, detailClass: 'good' },
  brief: (part) =>
    `${formatFigures(part.focalMm, 4)}\u202fmm, opening ${formatFigures(part.apertureMm)}\u202fmm, ${showFNumber(part.focalMm / part.apertureMm)}`,
  facts: (part) =>
    keep([
      ['Aperture', unit(part.apertureMm, 'mm')],
      ['Focal length', unit(part.focalMm, 'mm')],
      ['f-number', showFNumber(part.focalMm / part.apertureMm)],
      [
        'Central obstruction',
        part.obstructionShare === undefined ? null : `${formatFixed(part.obstructionShare * 100)} % of the diameter`,
      ],
      ['Back focus', unit(part.backFocusMm, 'mm')],
      ['Image circle', unit(part.imageCircleMm, 'mm')],
      ['50 % frequency', unit(part.lens50LpPerMm, 'lp/mm') ?? `class “${part.detailClass}”`],
    ]),
  tile: (part) => mm(part.focalMm),
  glyph: ({ outline, solid }) => (
    <G>
      <Path d="M2 12H34V44H2ZM34 20H46V36H34Z" {...outline} />
      <Path d={glass(8, 14, 7)} {...solid} />
    </G>
  ),
  pupilMm: (part) => part.apertureMm,
};
