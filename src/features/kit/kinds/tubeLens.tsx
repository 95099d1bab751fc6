import { G, Path, Rect } from 'react-native-svg';
import type { TubeLensSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { mm, unit, keep, frequencyFact } from '../facts';
import { carry, main, number, own50 } from '../formFields';
import { glass } from './glass';
import type { KitKind } from './kind';

export const tubeLens: KitKind<TubeLensSpec> = {
  form: [
    main(
      'Tube lens',
      number('focalMm', 'Focal length', 'mm', false),
      number('imageCircleMm', 'Image circle', 'mm'),
      own50,
    ),
    carry(),
  ],
  start: { kind: 'tubeLens', name: 'Tube lens', focalMm: 200 },
  brief: (part) => `${formatFigures(part.focalMm)}\u202fmm`,
  facts: (part) =>
    keep([
      ['Focal length', unit(part.focalMm, 'mm')],
      ['Image circle', unit(part.imageCircleMm, 'mm')],
      frequencyFact(part),
    ]),
  tile: (part) => mm(part.focalMm),
  glyph: ({ outline, solid }) => (
    <G>
      <Rect x={8} y={12} width={32} height={32} {...outline} />
      <Path d={glass(24, 14, 8)} {...solid} />
    </G>
  ),
};
