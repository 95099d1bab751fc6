import { CheckBox } from '@/ui/rne';
import { useRef, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import type { FieldError } from '@/contract/problem';
import type { ResourceName, ResourceTypes } from '@/contract/resources';
import { sensorDoubts } from '@/core/sensor/plausibility';
import type { SensorSpec } from '@/core/sensor/cropMode';
import { useDrafts } from '@/data/drafts';
import { useKeepOnLeave } from '@/data/useKeepOnLeave';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { NumbersField } from '@/ui/controls/NumbersField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { atPath, withPath, type Field, type Section } from './formFields';
import { ListField } from './ListField';
import { CROP_MODE, READOUT_WINDOW, VIDEO_MODE } from './listFields';

interface Props<N extends ResourceName> {
  resource: N;
  sections: Section[];
  /** What the form starts from. */
  initial: ResourceTypes[N];
  /** Names the draft, so that a form left unsaved is found again. */
  draftKey: string;
  onSave: (data: ResourceTypes[N]) => void;
  onDelete?: (() => void) | undefined;
  onDuplicate?: ((data: ResourceTypes[N]) => void) | undefined;
}

/**
 * A form over one row. It checks with the contract's own schema before saving and puts each message at its field; what
 * was typed and not saved is there again when the form is opened next.
 */
export function RowForm<N extends ResourceName>({
  resource,
  sections,
  initial,
  draftKey,
  onSave,
  onDelete,
  onDuplicate,
}: Props<N>) {
  const { drafts, keep, drop } = useDrafts();
  const [restored, setRestored] = useState(drafts[draftKey] !== undefined);
  const { control, setValue, getValues } = useForm<{ data: ResourceTypes[N] }>({
    defaultValues: { data: (drafts[draftKey] ?? initial) as never },
  });
  const data = useWatch({ control, name: 'data' as never }) as unknown as ResourceTypes[N];
  const [errors, setErrors] = useState<FieldError[]>([]);
  const saved = useRef(false);
  const unreadable = useRef(new Set<string>());
  const [waits, setWaits] = useState(false);

  const set = (path: string, value: unknown) => {
    setValue('data' as never, withPath(getValues('data' as never), path, value) as never);
    setErrors((all) => all.filter((error) => error.path !== path));
  };

  useKeepOnLeave(() => {
    if (saved.current) return;
    const left = getValues('data' as never) as unknown;
    if (JSON.stringify(left) !== JSON.stringify(initial)) keep(draftKey, left);
  });

  const done = () => {
    saved.current = true;
    drop(draftKey);
  };
  const checked = async (then: (valid: ResourceTypes[N]) => void) => {
    setWaits(unreadable.current.size > 0);
    if (unreadable.current.size > 0) return;
    // The validators are large and needed only here, so they come when they are needed.
    const { validateResource } = await import('@/contract/validate');
    const result = validateResource(resource, getValues('data' as never));
    if (!result.ok) return setErrors(result.errors);
    done();
    then(result.value);
  };

  const errorAt = (path: string) => errors.find((error) => error.path === path)?.message;
  const shownPaths = new Set(sections.flatMap((section) => section.fields.map((field) => field.path)));
  const elsewhere = errors.filter((error) => !shownPaths.has(error.path));
  const doubts = resource === 'bodies' ? sensorDoubts((data as { sensor: SensorSpec }).sensor) : [];

  const one = (field: Field) => {
    const value = atPath(data, field.path);
    const error = errorAt(field.path);
    switch (field.kind) {
      case 'text':
        return (
          <TextField
            key={field.path}
            label={field.label}
            value={(value as string | undefined) ?? ''}
            onChange={(next) => set(field.path, next)}
            multiline={field.multiline ?? false}
            error={error}
          />
        );
      case 'number':
        return (
          <NumberField
            key={field.path}
            label={field.label}
            value={(value as number | undefined) ?? null}
            unit={field.unit}
            shownUnit={field.shownUnit ?? ''}
            perUnit={field.perUnit ?? 1}
            optional={field.optional ?? false}
            onChange={(next) => set(field.path, next)}
            onProblem={(problem) =>
              problem ? unreadable.current.add(field.path) : unreadable.current.delete(field.path)
            }
            error={error}
          />
        );
      case 'choice':
        return (
          <Choice
            key={field.path}
            label={field.label}
            options={field.options}
            value={(value as string | undefined) ?? null}
            onChange={(next) => set(field.path, next)}
          />
        );
      case 'flag':
        return (
          <CheckBox
            key={field.path}
            title={field.label}
            checked={value === true}
            onPress={() => set(field.path, value !== true)}
            role="checkbox"
            aria-checked={value === true}
            aria-label={field.label}
          />
        );
      case 'known':
        return (
          <Choice
            key={field.path}
            label={field.label}
            options={YES_NO}
            value={value === undefined ? 'unknown' : value ? 'yes' : 'no'}
            onChange={(next) => set(field.path, next === 'unknown' ? undefined : next === 'yes')}
          />
        );
      case 'numbers':
        return (
          <NumbersField
            key={field.path}
            label={field.label}
            value={(value as number[] | undefined) ?? []}
            onChange={(next) => set(field.path, next)}
            onProblem={(problem) =>
              problem ? unreadable.current.add(field.path) : unreadable.current.delete(field.path)
            }
            error={errors.find((each) => each.path.startsWith(field.path))?.message}
          />
        );
      case 'modes':
      case 'videoModes':
      case 'windows':
        return (
          <ListField
            key={field.path}
            list={LISTS[field.kind]}
            items={(value as Record<string, unknown>[] | undefined) ?? []}
            onChange={(next) => set(field.path, field.kind === 'modes' || next.length ? next : undefined)}
            error={errors.find((each) => each.path.startsWith(field.path))?.message}
            onProblem={(name, problem) =>
              problem
                ? unreadable.current.add(`${field.path}.${name}`)
                : unreadable.current.delete(`${field.path}.${name}`)
            }
          />
        );
    }
  };

  return (
    <View style={{ gap: space.page }}>
      {restored ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: space.medium }} role="status">
          <Txt kind="small" tone="caution">
            What you typed last time is still here, not saved yet.
          </Txt>
          <Key
            title="Start afresh"
            weight="plain"
            onPress={() => {
              setRestored(false);
              drop(draftKey);
              setValue('data' as never, initial as never);
            }}
          />
        </View>
      ) : null}
      {sections.map((section, i) => {
        const content = (
          <View style={{ flexDirection: 'column', gap: space.large }}>
            {pairs(section.fields).map((group, j) => (
              <View
                key={j}
                style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.large, rowGap: space.large }}
              >
                {group.map((field) => (
                  <View key={field.path} style={{ flexGrow: 1, flexBasis: field.kind === 'number' ? 140 : 300 }}>
                    {one(field)}
                  </View>
                ))}
              </View>
            ))}
          </View>
        );
        const wrong = section.fields.some((field) => errors.some((error) => error.path.startsWith(field.path)));
        return i === 0 ? (
          <View key={section.title}>{content}</View>
        ) : (
          <Group key={`${section.title}${wrong}`} title={section.title} startsOpen={section.open || wrong}>
            {content}
          </Group>
        );
      })}
      {doubts.map((doubt) => (
        <Txt key={doubt.code} kind="small" tone="caution" role="status">
          ⚠ {doubt.message}
        </Txt>
      ))}
      {elsewhere.map((error) => (
        <Txt key={error.path + error.message} kind="small" tone="needle" role="alert">
          {error.message}
        </Txt>
      ))}
      {waits ? (
        <Txt kind="small" tone="needle" role="alert">
          A field above cannot be read yet. Correct it, then save.
        </Txt>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
        <Key title="Save" weight="strong" icon="check" onPress={() => void checked(onSave)} />
        {onDuplicate ? <Key title="Save as a copy" onPress={() => void checked(onDuplicate)} /> : null}
        {onDelete ? (
          <Key
            title="Delete"
            weight="plain"
            icon="delete-outline"
            onPress={() => {
              done();
              onDelete();
            }}
          />
        ) : null}
      </View>
    </View>
  );
}

const LISTS = { modes: CROP_MODE, videoModes: VIDEO_MODE, windows: READOUT_WINDOW };
const YES_NO = [
  { value: 'yes', name: 'Yes' },
  { value: 'no', name: 'No' },
  { value: 'unknown', name: 'Not known' },
] as const;

/** Keeps numbers that follow one another in one row that wraps; everything else gets a row of its own. */
function pairs(fields: Field[]): Field[][] {
  const groups: Field[][] = [];
  for (const field of fields) {
    const last = groups.at(-1);
    if (field.kind === 'number' && last?.[0]?.kind === 'number') last.push(field);
    else groups.push([field]);
  }
  return groups;
}
