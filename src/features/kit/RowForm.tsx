import { useMemo, useRef, useState, type ReactNode } from 'react';
import { FormProvider, get, useForm, type FieldValues } from 'react-hook-form';
import { View } from 'react-native';
import type { ResourceName, ResourceTypes } from '@/contract/resources';
import { useDrafts } from '@/data/drafts';
import { useHoldsText } from '@/data/holdsText';
import { useKeepOnLeave } from '@/data/useKeepOnLeave';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { EndsFields } from './EndsFields';
import { FieldRows } from './FieldRows';
import { FormField } from './FormField';
import { ListField } from './ListField';
import type { Section } from './formFields';
import { rowResolver } from './rowResolver';

interface Props<N extends ResourceName> {
  resource: N;
  sections: Section[];
  /** What the form starts from. */
  initial: ResourceTypes[N];
  /** Names the draft, so that a form left unsaved is found again. */
  draftKey: string;
  /** What is said below the fields of what is being typed. */
  remarks?: ReactNode;
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
  remarks,
  onSave,
  onDelete,
  onDuplicate,
}: Props<N>) {
  const { drafts, keep, drop } = useDrafts();
  const [restored, setRestored] = useState(drafts[draftKey] !== undefined);
  const [unreadable] = useState(() => new Set<string>());
  const saved = useRef(false);
  const resolver = useMemo(() => {
    const paths = sections.flatMap((section) =>
      section.fields.flatMap((field) => [field.path, ...(field.kind === 'ends' ? field.also : [])]),
    );
    return rowResolver(resource, unreadable, (path) =>
      paths.some((each) => path === each || path.startsWith(`${each}.`)),
    );
  }, [resource, sections, unreadable]);
  const form = useForm<FieldValues, unknown, ResourceTypes[N]>({
    defaultValues: drafts[draftKey] ?? initial,
    resolver,
    shouldFocusError: false,
  });
  const { errors, isDirty } = form.formState;
  useHoldsText(isDirty || restored);

  useKeepOnLeave(() => {
    if (saved.current) return;
    const left = form.getValues();
    if (JSON.stringify(left) !== JSON.stringify(initial)) keep(draftKey, left);
  });
  const done = () => {
    saved.current = true;
    drop(draftKey);
  };
  const checked = (then: (valid: ResourceTypes[N]) => void) =>
    void form.handleSubmit((valid) => {
      done();
      then(valid);
    })();
  const onProblem = (name: string, problem: string | null) => {
    if (problem) unreadable.add(name);
    else unreadable.delete(name);
    if (unreadable.size === 0) form.clearErrors('root');
  };
  const startAfresh = () => {
    setRestored(false);
    drop(draftKey);
    form.reset(initial);
  };

  return (
    <FormProvider {...form}>
      <View style={{ gap: space.page }}>
        {restored ? <Restored onAfresh={startAfresh} /> : null}
        {sections.map((section, i) => {
          const content = (
            <FieldRows fields={section.fields}>
              {(field) =>
                field.kind === 'list' ? (
                  <ListField list={field.list} name={field.path} onProblem={onProblem} />
                ) : field.kind === 'ends' ? (
                  <EndsFields field={field} onProblem={onProblem} />
                ) : (
                  <FormField field={field} name={field.path} onProblem={onProblem} />
                )
              }
            </FieldRows>
          );
          const wrong = section.fields.some((field) => get(errors, field.path) !== undefined);
          return i === 0 ? (
            <View key={section.title}>{content}</View>
          ) : (
            <Group key={section.title} title={section.title} startsOpen={section.open} mustOpen={wrong}>
              {content}
            </Group>
          );
        })}
        {remarks}
        {errors.root?.message ? (
          <Txt kind="small" tone="needle" role="alert">
            {errors.root.message}
          </Txt>
        ) : null}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
          <Key title="Save" weight="strong" icon="check" onPress={() => checked(onSave)} />
          {onDuplicate ? <Key title="Save as a copy" onPress={() => checked(onDuplicate)} /> : null}
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
    </FormProvider>
  );
}

/** Says that the form holds what was typed before, and offers to forget it. */
function Restored({ onAfresh }: { onAfresh: () => void }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: space.medium }} role="status">
      <Txt kind="small" tone="caution">
        What you typed last time is still here, not saved yet.
      </Txt>
      <Key title="Start afresh" weight="plain" onPress={onAfresh} />
    </View>
  );
}
