import { G, Path, Rect } from 'react-native-svg';
import type { ReducerSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import { unit, yesNo, keep, frequencyFact } from '../facts';
import { carry, flag, main, number, own50, text } from '../formFields';
import { glass } from './glass';
import type { KitKind } from './kind';

export const reducer: KitKind<ReducerSpec> = {
  form: [
    main(
      'Focal reducer',
      number('factor', 'Factor (0.71)', '×', false),
      number('neededCircleMm', 'Image circle it needs', 'mm'),
      flag('autofocus', 'Keeps autofocus'),
      own50,
    ),
    carry(text('lensMount', 'Mount on the lens’s side', true)),
  ],
  start: { kind: 'reducer', name: 'Reducer ×0.71', factor: 0.71, autofocus: true },
  brief: (part) => `×${formatFigures(part.factor)}${part.autofocus ? '' : ', no autofocus'}`,
  facts: (part) =>
    keep([
      ['Factor', `×${formatFigures(part.factor)}`],
      ['Light', `${formatFigures(-2 * Math.log2(part.factor), 2).replace('-', '−')} stops`],
      ['Needs a circle of', unit(part.neededCircleMm, 'mm')],
      ['Lens’s side', part.lensMount],
      ['Keeps autofocus', yesNo(part.autofocus)],
      frequencyFact(part),
    ]),
  tile: (part) => `×${formatFigures(part.factor)}`,
  glyph: ({ outline, solid }) => (
    <G>
      <Rect x={10} y={13} width={28} height={30} {...outline} />
      <Path d={glass(24, 11, 9)} {...solid} />
    </G>
  ),
};
