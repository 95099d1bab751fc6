import { useController, useFormContext, type FieldValues } from 'react-hook-form';
import { View } from 'react-native';
import { CheckBox } from '@/ui/rne';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { NumbersField } from '@/ui/controls/NumbersField';
import { TextField } from '@/ui/controls/TextField';
import type { PlainField } from './formFields';

interface Props {
  field: PlainField;
  /** Where its value lies in the whole row. */
  name: string;
  /** Tells it from the same field of the other entries of a list. */
  number?: number | undefined;
  /** Told when what stands in it cannot be read, and when it can again. */
  onProblem: (name: string, problem: string | null) => void;
}

/** One field of a form over a row: what is entered goes into the form, its message comes from the form's check. */
export function FormField({ field, name, number, onProblem }: Props) {
  const { field: held, fieldState } = useController<FieldValues>({ name });
  const form = useFormContext<FieldValues>();
  const value: unknown = held.value;
  const set = (next: unknown) => held.onChange(next === '' || next === null ? undefined : next);
  // In a list a message may belong to one of several numbers.
  const error = messageIn(fieldState.error);
  const label = number === undefined ? field.label : `${field.label} ${number}`;
  const problem = (text: string | null) => onProblem(name, text);
  switch (field.kind) {
    case 'text':
      return (
        <TextField
          label={label}
          value={typeof value === 'string' ? value : ''}
          onChange={set}
          multiline={field.multiline ?? false}
          error={error}
        />
      );
    case 'number':
      return (
        <NumberField
          label={field.label}
          value={typeof value === 'number' ? value : null}
          unit={field.unit}
          shownUnit={field.shownUnit ?? ''}
          perUnit={field.perUnit ?? 1}
          optional={field.optional ?? false}
          onChange={(next) => {
            set(next);
            if (field.followedBy) form.setValue(field.followedBy, next ?? undefined, { shouldDirty: true });
          }}
          onProblem={problem}
          error={error}
        />
      );
    case 'numbers':
      return (
        <NumbersField
          label={field.label}
          value={Array.isArray(value) ? (value as number[]) : []}
          onChange={set}
          onProblem={problem}
          error={error}
        />
      );
    case 'choice':
      return (
        <Choice
          label={field.label}
          options={field.options}
          value={typeof value === 'string' ? value : null}
          onChange={(next) => {
            const brought = field.brings?.(next, form.getValues()) ?? {};
            set(next);
            for (const [path, each] of Object.entries(brought)) form.setValue(path, each, { shouldDirty: true });
          }}
        />
      );
    case 'known':
      return (
        <Choice
          label={field.label}
          options={YES_NO}
          value={value === undefined ? 'unknown' : value ? 'yes' : 'no'}
          onChange={(next) => set(next === 'unknown' ? undefined : next === 'yes')}
        />
      );
    case 'flag':
      return (
        <Tick
          title={field.label}
          label={number === undefined ? field.label : `${field.label}, mode ${number}`}
          on={value === true}
          // In a list a flag is there or not; elsewhere it is true or false.
          onPress={() => set(value === true ? (number === undefined ? false : undefined) : true)}
        />
      );
    case 'ticks':
      return (
        <Ticks
          label={field.label}
          options={field.options}
          on={Array.isArray(value) ? (value as string[]) : []}
          onChange={set}
        />
      );
  }
}

function Ticks({
  label,
  options,
  on,
  onChange,
}: {
  label: string;
  options: Record<string, string>;
  on: string[];
  onChange: (on: string[] | undefined) => void;
}) {
  const press = (key: string) => {
    const next = on.includes(key) ? on.filter((each) => each !== key) : [...on, key];
    onChange(next.length ? next : undefined);
  };
  return (
    <View role="group" aria-label={label}>
      <Txt kind="label" tone="soft">
        {label}
      </Txt>
      {Object.entries(options).map(([key, name]) => (
        <Tick key={key} title={name} label={name} on={on.includes(key)} onPress={() => press(key)} />
      ))}
    </View>
  );
}

function Tick({ title, label, on, onPress }: { title: string; label: string; on: boolean; onPress: () => void }) {
  return <CheckBox title={title} checked={on} onPress={onPress} role="checkbox" aria-checked={on} aria-label={label} />;
}

/** The first message at a field, or at what lies in it. */
export function messageIn(error: unknown): string | undefined {
  if (typeof error !== 'object' || error === null) return undefined;
  const { message } = error as { message?: unknown };
  if (typeof message === 'string') return message;
  for (const each of Object.values(error)) {
    const inside = messageIn(each);
    if (inside !== undefined) return inside;
  }
  return undefined;
}

const YES_NO = [
  { value: 'yes', name: 'Yes' },
  { value: 'no', name: 'No' },
  { value: 'unknown', name: 'Not known' },
] as const;
