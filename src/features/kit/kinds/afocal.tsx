import { G, Path } from 'react-native-svg';
import type { AfocalSpec } from '@/core/chain/parts';
import { KINDS } from '@/core/chain/kinds';
import { carry, main } from '../formFields';
import type { KitKind } from './kind';

export const afocal: KitKind<AfocalSpec> = {
  form: [main('Afocal adapter'), carry()],
  start: { kind: 'afocal', name: 'Afocal adapter' },
  brief: () => KINDS.afocal.gloss,
  facts: () => [],
  tile: () => 'ring',
  glyph: ({ outline }) => (
    <G>
      <Path d="M8 16H20V40H8ZM20 22H30V34H20ZM30 14H40V42H30Z" {...outline} />
    </G>
  ),
};
