import { useFieldArray, useFormState, useWatch, type FieldValues } from 'react-hook-form';
import { View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { FieldRows } from './FieldRows';
import { FormField, messageIn } from './FormField';
import type { ItemList } from './formFields';

interface Props {
  list: ItemList;
  name: string;
  onProblem: (name: string, problem: string | null) => void;
}

/** A list of modes or windows inside the form of a body: each entry with its fields, added and removed. */
export function ListField({ list, name, onProblem }: Props) {
  // An entry has an `id` of its own, so its key in the form has another name.
  const { fields, append, remove } = useFieldArray<FieldValues, string, 'rowKey'>({ name, keyName: 'rowKey' });
  const items = (useWatch({ name }) as object[] | undefined) ?? [];
  const { errors } = useFormState({ name });
  const error = fields.length === 0 ? messageIn(errors[name]) : undefined;
  const add = () => {
    const ids = new Set(items.map((item) => 'id' in item && item.id));
    let n = items.length + 1;
    while (ids.has(`m${n}`)) n += 1;
    append(list.make(`m${n}`));
  };
  const drop = (i: number) => {
    // What could not be read in the entries from here on is forgotten with the fields it stood in.
    for (let at = i; at < fields.length; at += 1)
      for (const field of list.fields) onProblem(`${name}.${at}.${field.path}`, null);
    remove(i);
  };
  return (
    <View style={{ gap: space.page }}>
      {fields.map((row, i) => (
        <View key={row.rowKey} style={{ gap: space.small }}>
          <FieldRows fields={list.fields}>
            {(field) => (
              <FormField field={field} name={`${name}.${i}.${field.path}`} number={i + 1} onProblem={onProblem} />
            )}
          </FieldRows>
          <Key
            title={`Remove ${list.nameOf(items[i] ?? row, i + 1)}`}
            weight="plain"
            icon="close"
            onPress={() => drop(i)}
          />
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
