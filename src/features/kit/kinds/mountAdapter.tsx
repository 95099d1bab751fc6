import { G, Path, Circle } from 'react-native-svg';
import type { MountAdapterSpec } from '@/core/chain/parts';
import { unit, yesNo, keep } from '../facts';
import { flag, main, note, number, text } from '../formFields';
import type { KitKind } from './kind';

export const mountAdapter: KitKind<MountAdapterSpec> = {
  form: [
    main(
      'Mount adapter',
      text('lensMount', 'Mount on the lens’s side'),
      text('mount', 'Mount on the body’s side', true),
      number('addsMm', 'Length it adds', 'mm', false),
      flag('autofocus', 'Keeps autofocus'),
    ),
    {
      title: 'Make, weight, price',
      open: false,
      fields: [text('maker', 'Maker', true), number('weightG', 'Weight', 'g'), number('price', 'Price'), note],
    },
  ],
  start: { kind: 'mountAdapter', name: 'Mount adapter', lensMount: '', addsMm: 25, autofocus: false },
  brief: (part) =>
    `${part.lensMount} onto ${part.mount ?? 'a mount not entered'}${part.autofocus ? '' : ', no autofocus'}`,
  facts: (part) =>
    keep([
      ['Lens’s side', part.lensMount],
      ['Adds', unit(part.addsMm, 'mm')],
      ['Keeps autofocus', yesNo(part.autofocus)],
    ]),
  tile: () => 'ring',
  glyph: ({ outline, solid }) => (
    <G>
      <Path d="M14 10H22L26 16H34V40H26L22 46H14Z" {...outline} />
      <Circle cx={24} cy={28} r={1.2} {...solid} />
    </G>
  ),
};
