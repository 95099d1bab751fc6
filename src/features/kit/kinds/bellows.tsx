import { G, Path } from 'react-native-svg';
import type { BellowsSpec } from '@/core/chain/parts';
import { bellowsExtensionMm } from '@/core/chain/kinds/bellows';
import { formatFigures } from '@/core/quantity/format';
import { mm, keep } from '../facts';
import { carry, main, number } from '../formFields';
import type { KitKind } from './kind';

export const bellows: KitKind<BellowsSpec> = {
  form: [
    main(
      'Bellows',
      number('shortestMm', 'Shortest extension', 'mm', false),
      number('longestMm', 'Longest extension', 'mm', false),
    ),
    carry(),
  ],
  start: { kind: 'bellows', name: 'Bellows', shortestMm: 45, longestMm: 160 },
  brief: (part) => `${formatFigures(part.shortestMm)} to ${formatFigures(part.longestMm)}\u202fmm`,
  facts: (part) =>
    keep([['Extension', `${formatFigures(part.shortestMm)} to ${formatFigures(part.longestMm)}\u202fmm`]]),
  tile: (part) => mm(bellowsExtensionMm(part)),
  glyph: ({ outline }) => (
    <G>
      <Path d="M4 10H9V46H4ZM39 10H44V46H39Z" {...outline} />
      <Path d="M9 14L14 18L19 12L24 18L29 12L34 18L39 14M9 42L14 38L19 44L24 38L29 44L34 38L39 42" {...outline} />
    </G>
  ),
};
