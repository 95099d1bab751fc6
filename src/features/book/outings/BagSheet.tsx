import { useState } from 'react';
import { View } from 'react-native';
import type { Outing } from '@/contract/schemas/outing';
import { carriedSum } from '@/core/kit/carried';
import { showQuantity, shownText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import { useKit } from '@/data/useKit';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { CheckBox } from '@/ui/rne';
import { space } from '@/ui/theme/measures';

type Piece = Outing['bag'][number];
const SHELVES = [
  { type: 'body', resource: 'bodies', title: 'Bodies' },
  { type: 'optic', resource: 'optics', title: 'Lenses, telescopes, scopes' },
  { type: 'adapter', resource: 'adapters', title: 'Adapters' },
] as const;

interface Props {
  outing: Outing;
  onChange: (next: Partial<Outing>) => void;
  onClose: () => void;
}

/** What goes into the bag: a tick at each piece of the kit, with the weight it comes to. */
export default function BagSheet({ outing, onChange, onClose }: Props) {
  const { kit } = useKit();
  const units = usePreferences((state) => state.units);
  const [bag, setBag] = useState<Piece[]>(outing.bag);
  const isIn = (id: string) => bag.some((piece) => piece.id === id);
  const toggle = (piece: Piece) => setBag(isIn(piece.id) ? bag.filter(({ id }) => id !== piece.id) : [...bag, piece]);
  const rowsOf = (resource: (typeof SHELVES)[number]['resource']) =>
    kit[resource].filter(({ id, data }) => isIn(id) || (!data.retired && !data.wish));
  const weight = carriedSum(
    'Pieces',
    'g',
    SHELVES.flatMap(({ resource }) => rowsOf(resource))
      .filter(({ id }) => isIn(id))
      .map(({ data }) => ({ name: data.name, value: data.weightG })),
  );
  const done = () => {
    if (JSON.stringify(bag) !== JSON.stringify(outing.bag)) onChange({ bag });
    onClose();
  };
  return (
    <Sheet
      title="What is in the bag"
      onClose={onClose}
      footer={
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space.page, flexWrap: 'wrap' }}>
          <Key title="Packed" icon="check" weight="strong" onPress={done} />
          <Txt role="status">
            {weight ? `${weight.note ? 'at least ' : ''}${shownText(showQuantity(weight, units))}` : 'nothing yet'}
          </Txt>
        </View>
      }
    >
      {SHELVES.map(({ type, resource, title }) => (
        <View key={type} role="group" aria-label={title}>
          <Txt kind="label" tone="soft">
            {title}
          </Txt>
          {rowsOf(resource).map(({ id, data }) => (
            <CheckBox
              key={id}
              title={
                data.weightG === undefined
                  ? data.name
                  : `${data.name} · ${shownText(showQuantity({ value: data.weightG, unit: 'g' }, units))}`
              }
              checked={isIn(id)}
              onPress={() => toggle({ type, id })}
              role="checkbox"
              aria-checked={isIn(id)}
              aria-label={data.name}
            />
          ))}
        </View>
      ))}
      {kit.bodies.length ? null : <Txt tone="soft">The kit is empty. Put your bodies and lenses in first.</Txt>}
    </Sheet>
  );
}
