import { G, Path, Rect } from 'react-native-svg';
import type { ReversingSpec } from '@/core/chain/parts';
import { KINDS } from '@/core/chain/kinds';
import { unit, keep } from '../facts';
import { carry, main, number } from '../formFields';
import type { KitKind } from './kind';

export const reversing: KitKind<ReversingSpec> = {
  form: [main('Reversing ring', number('lengthMm', 'Length', 'mm')), carry()],
  start: { kind: 'reversing', name: 'Reversing ring' },
  brief: () => KINDS.reversing.gloss,
  facts: (part) => keep([['Length', unit(part.lengthMm, 'mm')]]),
  tile: () => 'ring',
  glyph: ({ outline }) => (
    <G>
      <Rect x={18} y={10} width={12} height={36} {...outline} />
      <Path d="M32 20C40 24 40 32 32 36M36 36H31V31" {...outline} />
    </G>
  ),
};
