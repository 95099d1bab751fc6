import { G, Path } from 'react-native-svg';
import type { InnerConverterSpec } from '@/core/chain/parts';
import { innerConverter50LpPerMm } from '@/core/chain/kinds/innerConverter';
import { formatFigures } from '@/core/quantity/format';
import { keep } from '../facts';
import { carry, draws, main, number, own50, text } from '../formFields';
import { concave } from './glass';
import type { KitKind } from './kind';

export const innerConverter: KitKind<InnerConverterSpec> = {
  form: [
    main(
      'Built-in converter',
      number('factor', 'Factor (1.4)', '×', false),
      text('builtInto', 'Lens it is built into (its name)', true),
      draws,
      own50,
    ),
    carry(),
  ],
  start: { kind: 'innerConverter', name: 'Built-in ×1.4', factor: 1.4, detailClass: 'excellent' },
  brief: (part) =>
    `×${formatFigures(part.factor)}${part.builtInto === undefined ? ', lens not entered' : `, inside ${part.builtInto}`}`,
  facts: (part) =>
    keep([
      ['Factor', `×${formatFigures(part.factor)}`],
      ['Light', `${formatFigures(-2 * Math.log2(part.factor), 2).replace('-', '−')} stops when switched in`],
      ['Built into', part.builtInto],
      [
        '50 % frequency',
        `${formatFigures(innerConverter50LpPerMm(part))}\u202flp/mm${part.lens50LpPerMm === undefined ? `, class “${part.detailClass}”` : ''}`,
      ],
    ]),
  tile: (part) => `×${formatFigures(part.factor)}${part.switchedIn === false ? ' out' : ''}`,
  glyph: ({ outline, solid }) => (
    <G>
      <Path d="M4 12H44V44H4Z" {...outline} />
      <Path d="M24 12V4M18 4H30" {...outline} />
      <Path d={concave(24, 11)} {...solid} />
    </G>
  ),
};
