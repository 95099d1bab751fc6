import { G, Path } from 'react-native-svg';
import type { LensSpec } from '@/core/chain/parts';
import { FORMAT_WORDS } from '@/core/chain/formats';
import { DESIGN_WORDS } from '@/core/kit/words';
import { formatFixed } from '@/core/quantity/format';
import { mm, unit, yesNo, keep, photographicFacts, photographicBrief } from '../facts';
import { NEAR, PHOTOGRAPHIC, carry, choiceOf, flag, main, number } from '../formFields';
import { concave, glass } from './glass';
import type { KitKind } from './kind';

export const lens: KitKind<LensSpec> = {
  form: [
    main('Lens', ...PHOTOGRAPHIC),
    { title: 'Closest focus, image circle, detail', open: false, fields: NEAR },
    {
      title: 'How it is built',
      open: false,
      fields: [
        choiceOf('design', 'Design', DESIGN_WORDS),
        choiceOf('madeFor', 'Made for', FORMAT_WORDS),
        flag('fixedAperture', 'One aperture only'),
        { kind: 'known', path: 'takesConverters', label: 'A converter goes in behind it' },
        number('obstructionShare', 'Central obstruction (0.4 for 40 %)'),
        number('stabiliserStops', 'Stabiliser', 'stops'),
        number('lengthMm', 'Length', 'mm'),
        number('flangeMm', 'Flange it was made for', 'mm'),
      ],
    },
    carry(),
  ],
  start: {
    kind: 'lens',
    name: 'New lens',
    focalWideMm: 400,
    focalTeleMm: 400,
    fNumberWide: 5.6,
    fNumberTele: 5.6,
    detailClass: 'good',
    autofocus: true,
  },
  brief: (part) =>
    `${photographicBrief(part)}${part.design && part.design !== 'refractive' ? `, ${DESIGN_WORDS[part.design].toLowerCase()}` : ''}`,
  facts: (part, units) => [
    ...photographicFacts(part, units),
    ...keep([
      ['Design', part.design ? DESIGN_WORDS[part.design] : null],
      [
        'Central obstruction',
        part.obstructionShare === undefined ? null : `${formatFixed(part.obstructionShare * 100)} % of the diameter`,
      ],
      ['One aperture only', part.fixedAperture ? 'yes' : null],
      ['Made for', part.madeFor ? FORMAT_WORDS[part.madeFor] : null],
      ['A converter goes in', yesNo(part.takesConverters)],
      ['Stabiliser', unit(part.stabiliserStops, 'stops')],
      ['Length', unit(part.lengthMm, 'mm')],
      ['Flange distance', unit(part.flangeMm, 'mm')],
    ]),
  ],
  tile: (part) => mm(part.focalTeleMm),
  glyph: ({ outline, solid }) => (
    <G>
      <Path d="M4 10 H30L44 15.4V40.6L30 46H4Z" {...outline} />
      <Path d={glass(13, 15, 8)} {...solid} />
      <Path d={concave(26, 11)} {...solid} />
    </G>
  ),
  pupilMm: (part) => part.focalTeleMm / part.fNumberTele,
};
