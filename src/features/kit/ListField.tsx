import { CheckBox } from '@/ui/rne';
import { View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { NumbersField } from '@/ui/controls/NumbersField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { atPath, withPath } from './formFields';
import type { ItemField, ItemList } from './listFields';

type Item = Record<string, unknown>;

interface Props {
  list: ItemList;
  items: Item[];
  onChange: (items: Item[]) => void;
  error?: string | undefined;
  /** Told when something in an entry cannot be read, by a name of its own, and when it can again. */
  onProblem: (name: string, problem: string | null) => void;
}

/** A list of modes or windows inside the form of a body: each entry with its fields, added and removed. */
export function ListField({ list, items, onChange, error, onProblem }: Props) {
  const remove = (i: number) => {
    const item = items[i]!;
    for (const field of list.fields) onProblem(`${keyOf(item, i)}.${field.key}`, null);
    onChange(items.filter((_, j) => j !== i));
  };
  const change = (i: number, item: Item) => onChange(items.map((each, j) => (j === i ? item : each)));
  const add = () => {
    let n = items.length + 1;
    while (items.some((item) => item.id === `m${n}`)) n += 1;
    onChange([...items, list.make(`m${n}`)]);
  };
  return (
    <View style={{ gap: space.page }}>
      {items.map((item, i) => (
        <View key={keyOf(item, i)} style={{ gap: space.small }}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.large, rowGap: space.small }}>
            {list.fields.map((field) => (
              <View key={field.key} style={{ flexGrow: 1, flexBasis: field.kind === 'number' ? 140 : 300 }}>
                <One
                  field={field}
                  item={item}
                  number={i + 1}
                  onChange={(next) => change(i, next)}
                  onProblem={(problem) => onProblem(`${keyOf(item, i)}.${field.key}`, problem)}
                />
              </View>
            ))}
          </View>
          <Key title={`Remove ${list.nameOf(item, i)}`} weight="plain" icon="close" onPress={() => remove(i)} />
        </View>
      ))}
      {error ? (
        <Txt kind="small" tone="needle" role="alert">
          {error}
        </Txt>
      ) : null}
      <Key title={`Add a ${list.noun}`} icon="add" onPress={add} />
    </View>
  );
}

const keyOf = (item: Item, i: number): string => (typeof item.id === 'string' ? item.id : String(i));

/** An object without what became empty inside it, such as exact pixels of which neither side is left. */
function pruned(item: Item): Item {
  return Object.fromEntries(
    Object.entries(item).filter(
      ([, value]) =>
        !(typeof value === 'object' && value !== null && !Array.isArray(value) && Object.keys(value).length === 0),
    ),
  );
}

function One({
  field,
  item,
  number,
  onChange,
  onProblem,
}: {
  field: ItemField;
  item: Item;
  number: number;
  onChange: (item: Item) => void;
  onProblem: (problem: string | null) => void;
}) {
  const value = atPath(item, field.key);
  const set = (next: unknown) => onChange(pruned(withPath(item, field.key, next) as Item));
  switch (field.kind) {
    case 'text':
      return (
        <TextField label={`${field.label} ${number}`} value={(value as string | undefined) ?? ''} onChange={set} />
      );
    case 'number':
      return (
        <NumberField
          label={field.label}
          value={(value as number | undefined) ?? null}
          unit={field.aspect ? 'aspect' : 'none'}
          shownUnit={field.unit ?? ''}
          optional={field.optional ?? false}
          onChange={set}
          onProblem={onProblem}
        />
      );
    case 'numbers':
      return (
        <NumbersField
          label={field.label}
          value={(value as number[] | undefined) ?? []}
          onChange={set}
          onProblem={onProblem}
        />
      );
    case 'flag':
      return (
        <CheckBox
          title={field.label}
          checked={value === true}
          onPress={() => set(value === true ? undefined : true)}
          role="checkbox"
          aria-checked={value === true}
          aria-label={`${field.label}, mode ${number}`}
        />
      );
    case 'choice':
      return (
        <Choice
          label={field.label}
          options={Object.entries(field.options).map(([key, name]) => ({ value: key, name }))}
          value={(value as string | undefined) ?? null}
          onChange={set}
        />
      );
    case 'ticks': {
      const ticked = (value as string[] | undefined) ?? [];
      return (
        <View role="group" aria-label={field.label}>
          <Txt kind="label" tone="soft">
            {field.label}
          </Txt>
          {Object.entries(field.options).map(([key, name]) => {
            const on = ticked.includes(key);
            const next = on ? ticked.filter((each) => each !== key) : [...ticked, key];
            return (
              <CheckBox
                key={key}
                title={name}
                checked={on}
                onPress={() => set(next.length ? next : undefined)}
                role="checkbox"
                aria-checked={on}
                aria-label={name}
              />
            );
          })}
        </View>
      );
    }
  }
}
