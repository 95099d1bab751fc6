import { G, Path, Rect } from 'react-native-svg';
import type { CouplingSpec } from '@/core/chain/parts';
import { KINDS } from '@/core/chain/kinds';
import { carry, main } from '../formFields';
import type { KitKind } from './kind';

export const coupling: KitKind<CouplingSpec> = {
  form: [main('Coupling ring'), carry()],
  start: { kind: 'coupling', name: 'Coupling ring' },
  brief: () => KINDS.coupling.gloss,
  facts: () => [],
  tile: () => 'ring',
  glyph: ({ outline }) => (
    <G>
      <Rect x={17} y={10} width={14} height={36} {...outline} />
      <Path d="M12 28H4M8 24L4 28L8 32M36 28H44M40 24L44 28L40 32" {...outline} />
    </G>
  ),
};
