import { G, Path, Rect } from 'react-native-svg';
import type { FilterSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { keep } from '../facts';
import { carry, flag, main, number } from '../formFields';
import type { KitKind } from './kind';

export const filter: KitKind<FilterSpec> = {
  form: [
    main(
      'Filter',
      number('stops', 'Stops it takes', '', false),
      flag('solar', 'Certified for the Sun: whole opening, in front'),
    ),
    carry(),
  ],
  start: { kind: 'filter', name: 'Filter', stops: 3 },
  brief: (part) => `takes ${formatFigures(part.stops)} stops${part.solar ? ', certified for the Sun' : ''}`,
  facts: (part) =>
    keep([
      ['Takes', `${formatFigures(part.stops)} stops`],
      ['For the Sun', part.solar ? 'certified' : 'no'],
    ]),
  tile: (part) => `−${formatFigures(part.stops)}${part.solar ? ' ☉' : ''}`,
  glyph: ({ outline, solid }) => (
    <G>
      <Rect x={19} y={8} width={10} height={40} {...outline} />
      <Path d="M24 12V44" {...solid} />
      <Path d="M21 16L27 22M21 24L27 30M21 32L27 38" {...outline} />
    </G>
  ),
};
