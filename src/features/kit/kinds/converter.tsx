import { G, Path, Rect } from 'react-native-svg';
import type { ConverterSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { yesNo, keep, frequencyFact } from '../facts';
import { carry, flag, main, number, own50 } from '../formFields';
import { concave } from './glass';
import type { KitKind } from './kind';

export const converter: KitKind<ConverterSpec> = {
  form: [
    main('Converter', number('factor', 'Factor (1.4)', '×', false), flag('autofocus', 'Keeps autofocus'), own50),
    carry(),
  ],
  start: { kind: 'converter', name: 'Converter ×1.4', factor: 1.4, autofocus: true },
  brief: (part) => `×${formatFigures(part.factor)}${part.autofocus ? '' : ', no autofocus'}`,
  facts: (part) =>
    keep([
      ['Factor', `×${formatFigures(part.factor)}`],
      ['Light', `${formatFigures(-2 * Math.log2(part.factor), 2).replace('-', '−')} stops`],
      ['Keeps autofocus', yesNo(part.autofocus)],
      frequencyFact(part),
    ]),
  tile: (part) => `×${formatFigures(part.factor)}`,
  glyph: ({ outline, solid }) => (
    <G>
      <Rect x={10} y={13} width={28} height={30} {...outline} />
      <Path d={concave(24, 11)} {...solid} />
    </G>
  ),
};
