import { G, Path, Rect } from 'react-native-svg';
import type { BarlowSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { keep, frequencyFact } from '../facts';
import { carry, main, number, own50 } from '../formFields';
import { concave } from './glass';
import type { KitKind } from './kind';

export const barlow: KitKind<BarlowSpec> = {
  form: [main('Barlow', number('factor', 'Factor (2)', '×', false), own50), carry()],
  start: { kind: 'barlow', name: 'Barlow ×2', factor: 2 },
  brief: (part) => `×${formatFigures(part.factor)}`,
  facts: (part) => keep([['Factor', `×${formatFigures(part.factor)}`], frequencyFact(part)]),
  tile: (part) => `×${formatFigures(part.factor)}`,
  glyph: ({ outline, solid }) => (
    <G>
      <Rect x={10} y={13} width={28} height={30} {...outline} />
      <Path d={concave(24, 11)} {...solid} />
    </G>
  ),
};
