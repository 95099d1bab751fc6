import { G, Rect } from 'react-native-svg';
import type { TubesSpec } from '@/core/chain/parts';
import { tubesLengthMm } from '@/core/chain/kinds/tubes';
import { formatFigures } from '@/core/quantity/format';
import { mm, unit, yesNo, keep } from '../facts';
import { carry, flag, main } from '../formFields';
import type { KitKind } from './kind';

export const tubes: KitKind<TubesSpec> = {
  form: [
    main(
      'Extension tubes',
      { kind: 'numbers', path: 'lengthsMm', label: 'Lengths in mm (12 + 20 + 36)' },
      flag('autofocus', 'Keeps autofocus'),
    ),
    carry(),
  ],
  start: { kind: 'tubes', name: 'Extension tubes', lengthsMm: [12, 20, 36], autofocus: true },
  brief: (part) => `${part.lengthsMm.map((length) => formatFigures(length)).join(' + ')}\u202fmm`,
  facts: (part) =>
    keep([
      ['Tubes', part.lengthsMm.map((each) => formatFigures(each)).join(' + ') + '\u202fmm'],
      [
        'All together',
        unit(
          part.lengthsMm.reduce((a, b) => a + b, 0),
          'mm',
        ),
      ],
      ['Keeps autofocus', yesNo(part.autofocus)],
    ]),
  tile: (part) => mm(tubesLengthMm(part)),
  glyph: ({ outline }) => (
    <G>
      <Rect x={6} y={12} width={12} height={32} {...outline} />
      <Rect x={18} y={12} width={12} height={32} {...outline} />
      <Rect x={30} y={12} width={12} height={32} {...outline} />
    </G>
  ),
};
