import { G, Path } from 'react-native-svg';
import type { BuiltInSpec } from '@/core/chain/parts';
import { mm, photographicFacts, photographicBrief } from '../facts';
import { NEAR, PHOTOGRAPHIC, carry, main } from '../formFields';
import { concave, glass } from './glass';
import type { KitKind } from './kind';

export const builtIn: KitKind<BuiltInSpec> = {
  form: [
    main('Built-in lens', ...PHOTOGRAPHIC),
    { title: 'Closest focus, image circle, detail', open: false, fields: NEAR },
    carry(),
  ],
  start: {
    kind: 'builtIn',

    name: 'Built-in lens',
    detailClass: 'good',
    autofocus: true,
    focalWideMm: 7,
    focalTeleMm: 7,
    fNumberWide: 1.8,
    fNumberTele: 1.8,
  },
  brief: (part) => `${photographicBrief(part)}, built in`,
  facts: (part, units) => photographicFacts(part, units),
  tile: (part) => mm(part.focalTeleMm),
  glyph: ({ outline, solid }) => (
    <G>
      <Path d="M4 19 H30L44 21.7V34.3L30 37H4Z" {...outline} />
      <Path d={glass(13, 6, 8)} {...solid} />
      <Path d={concave(26, 2)} {...solid} />
    </G>
  ),
  pupilMm: (part) => part.focalTeleMm / part.fNumberTele,
};
