import { G, Path, Rect } from 'react-native-svg';
import type { CloseUpSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { unit, keep, frequencyFact } from '../facts';
import { carry, main, number, own50 } from '../formFields';
import { glass } from './glass';
import type { KitKind } from './kind';

export const closeUp: KitKind<CloseUpSpec> = {
  form: [main('Close-up lens', number('dioptres', 'Dioptres', 'dpt', false), own50), carry()],
  start: { kind: 'closeUp', name: 'Close-up lens', dioptres: 3 },
  brief: (part) => `${formatFigures(part.dioptres)} dioptres`,
  facts: (part) =>
    keep([
      ['Power', `${formatFigures(part.dioptres)} dioptres`],
      ['Focal length', unit(1000 / part.dioptres, 'mm', 3)],
      frequencyFact(part),
    ]),
  tile: (part) => `+${formatFigures(part.dioptres)}\u202fdpt`,
  glyph: ({ outline, solid }) => (
    <G>
      <Rect x={19} y={8} width={10} height={40} {...outline} />
      <Path d={glass(24, 18, 9)} {...solid} />
    </G>
  ),
};
