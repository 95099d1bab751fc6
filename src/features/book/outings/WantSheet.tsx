import { useState } from 'react';
import { View } from 'react-native';
import type { Outing, OutingWant } from '@/contract/schemas/outing';
import { usePreferences } from '@/data/preferences';
import { newId } from '@/data/outbox';
import { useKit } from '@/data/useKit';
import type { Kit } from '@/data/situation';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { FieldRow } from '@/ui/controls/FieldRow';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { lacking, movedWant, withKind, withSubject } from './wantEdit';

const KINDS = [
  { value: 'far', name: 'From a distance' },
  { value: 'near', name: 'Close up' },
  { value: 'stars', name: 'The starry sky' },
] as const;

interface Props {
  outing: Outing;
  /** None for a new picture. */
  wantId: string | null;
  onChange: (next: Partial<Outing>) => void;
  onClose: () => void;
}

const firstWant = (kit: Kit): OutingWant => {
  const want: OutingWant = { id: newId(), kind: 'far', name: '', outputId: kit.outputs[0]?.id ?? '' };
  const subject = kit.subjects[0];
  return subject ? withSubject(want, subject) : want;
};

/** One picture of an outing: of what, for what, from where, and how many. */
export default function WantSheet({ outing, wantId, onChange, onClose }: Props) {
  const { kit } = useKit();
  const units = usePreferences((state) => state.units);
  const found = outing.wants.find(({ id }) => id === wantId);
  const [want, setWant] = useState<OutingWant>(() => found ?? firstWant(kit));
  const [unreadable, setUnreadable] = useState<ReadonlySet<string>>(new Set());
  const [asked, setAsked] = useState(false);
  const set = (next: Partial<OutingWant>) => setWant({ ...want, ...next });
  const problem = (field: string) => (text: string | null) =>
    setUnreadable((now) => {
      const next = new Set(now);
      if (text) next.add(field);
      else next.delete(field);
      return next;
    });
  const lacks = lacking(want, kit);
  const save = () => {
    setAsked(true);
    if (lacks || unreadable.size) return;
    const wants = found ? outing.wants.map((each) => (each.id === want.id ? want : each)) : [...outing.wants, want];
    onChange({ wants });
    onClose();
  };
  const at = outing.wants.findIndex(({ id }) => id === wantId);
  const move = (by: -1 | 1) => onChange({ wants: movedWant(outing.wants, at, by) });
  return (
    <Sheet
      title={found ? found.name : 'A picture'}
      onClose={onClose}
      footer={
        <View style={{ gap: space.small }}>
          {asked && lacks ? (
            <Txt kind="small" tone="needle" role="alert">
              {lacks}
            </Txt>
          ) : null}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
            <Key title={found ? 'Save' : 'Add it'} icon="check" weight="strong" onPress={save} />
            {found ? (
              <Key
                title="Remove"
                icon="delete-outline"
                weight="plain"
                onPress={() => {
                  onChange({ wants: outing.wants.filter(({ id }) => id !== want.id) });
                  onClose();
                }}
              />
            ) : null}
            {found && at > 0 ? (
              <Key title="Earlier" icon="arrow-upward" iconOnly weight="plain" onPress={() => move(-1)} />
            ) : null}
            {found && at < outing.wants.length - 1 ? (
              <Key title="Later" icon="arrow-downward" iconOnly weight="plain" onPress={() => move(1)} />
            ) : null}
          </View>
        </View>
      }
    >
      <Choice
        label="Kind"
        hideLabel
        options={KINDS}
        value={want.kind}
        onChange={(kind) => setWant(withKind(want, kind, kit))}
      />
      {want.kind === 'stars' ? (
        <SkyFields want={want} set={set} problem={problem} />
      ) : (
        <SubjectFields want={want} setWant={setWant} kit={kit} units={units} problem={problem} />
      )}
      <Choice
        label="What it is for"
        options={kit.outputs.map(({ id, data }) => ({ value: id, name: data.name }))}
        value={want.outputId}
        onChange={(outputId) => set({ outputId })}
      />
      <NumberField
        label="Pictures hoped for"
        value={want.pictures ?? null}
        unit="none"
        minimum={1}
        maximum={100_000}
        optional
        onChange={(pictures) => set({ pictures: pictures === null ? undefined : Math.round(pictures) })}
        onProblem={problem('pictures')}
      />
      <TextField label="Note" value={want.note ?? ''} multiline onChange={(note) => set({ note: note || undefined })} />
    </Sheet>
  );
}

interface Fields {
  want: OutingWant;
  problem: (field: string) => (text: string | null) => void;
}

function SubjectFields({
  want,
  setWant,
  kit,
  units,
  problem,
}: Fields & { setWant: (next: OutingWant) => void; kit: Kit; units: 'metric' | 'imperial' }) {
  return (
    <>
      <Choice
        label="Subject"
        options={kit.subjects.map(({ id, data }) => ({ value: id, name: data.name }))}
        value={want.subjectId ?? null}
        onChange={(id) => {
          const subject = kit.subjects.find((row) => row.id === id);
          if (subject) setWant(withSubject(want, subject));
        }}
      />
      {kit.subjects.length ? null : (
        <Txt kind="small" tone="soft">
          No subject yet. Add one from the slate above, then come back.
        </Txt>
      )}
      {want.kind === 'far' ? (
        <NumberField
          label="From which distance"
          value={want.distanceM ?? null}
          unit="m"
          shownUnit={units === 'imperial' ? 'ft' : 'm'}
          minimum={0.01}
          maximum={100_000}
          onChange={(distanceM) => setWant({ ...want, distanceM: distanceM ?? undefined })}
          onProblem={problem('distanceM')}
        />
      ) : null}
    </>
  );
}

function SkyFields({ want, set, problem }: Fields & { set: (next: Partial<OutingWant>) => void }) {
  return (
    <>
      <TextField label="Name" value={want.name} onChange={(name) => set({ name })} placeholder="Winter triangle" />
      <FieldRow>
        <NumberField
          label="Declination of the middle"
          value={want.declinationDeg ?? null}
          unit="none"
          shownUnit="°"
          minimum={-90}
          maximum={90}
          onChange={(declinationDeg) => set({ declinationDeg: declinationDeg ?? undefined })}
          onProblem={problem('declinationDeg')}
        />
        <NumberField
          label="Width to be seen"
          value={want.fieldDeg ?? null}
          unit="none"
          shownUnit="°"
          minimum={0.1}
          maximum={175}
          onChange={(fieldDeg) => set({ fieldDeg: fieldDeg ?? undefined })}
          onProblem={problem('fieldDeg')}
        />
      </FieldRow>
    </>
  );
}
