import { View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import type { Outing } from '@/contract/schemas/outing';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { ofWant } from '@/data/outing/groupRows';
import { usePreferences } from '@/data/preferences';
import { removeRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { gearWords, settingWords, whenWords } from './groupWords';

interface Props {
  row: StoredOf<'pictureGroups'>;
  outing: Outing;
  onChange: (next: Partial<PictureGroup>) => void;
  onClose: () => void;
}

const SUPPORTS = [
  { value: 'hand', name: 'By hand' },
  { value: 'support', name: 'On a support' },
] as const;

/** What a group is of, from where, and how it was held: what the pictures themselves do not tell. */
export function GroupSheet({ row, outing, onChange, onClose }: Props) {
  const { kit } = useKit();
  const units = usePreferences((state) => state.units);
  const { data } = row;
  const wantOf = (subjectId: string) => outing.wants.find((want) => want.subjectId === subjectId);
  return (
    <Sheet title={data.subjectName} onClose={onClose}>
      <Txt kind="small" tone="soft">
        {`${whenWords(data)} · ${gearWords(data)}`}
      </Txt>
      <Txt kind="small" tone="soft">
        {[settingWords(data, units), [data.firstFile, data.lastFile].filter(Boolean).join(' to ')]
          .filter(Boolean)
          .join(' · ')}
      </Txt>
      {outing.wants.length ? (
        <Choice
          label="A picture of the plan"
          options={outing.wants.map(({ id, name }) => ({ value: id, name }))}
          value={data.wantId ?? null}
          onChange={(id) => onChange({ ...ofWant(outing, id), ...distanceOf(data, outing, id) })}
        />
      ) : null}
      <Choice
        label="or another subject"
        options={kit.subjects.map(({ id, data: subject }) => ({ value: id, name: subject.name }))}
        value={data.wantId ? null : (data.subjectId ?? null)}
        onChange={(id) => {
          const subject = kit.subjects.find((each) => each.id === id)?.data;
          const want = wantOf(id);
          if (want) onChange({ ...ofWant(outing, want.id), ...distanceOf(data, outing, want.id) });
          else if (subject)
            onChange({ wantId: undefined, subjectId: id, subjectName: subject.name, kind: data.kind ?? 'far' });
        }}
      />
      <NumberField
        label="Distance"
        value={data.distanceM ?? null}
        unit="m"
        shownUnit={units === 'imperial' ? 'ft' : 'm'}
        minimum={0.01}
        maximum={100_000}
        optional
        onChange={(distanceM) =>
          onChange({ distanceM: distanceM ?? undefined, distanceFrom: distanceM === null ? undefined : 'entered' })
        }
      />
      <NumberField
        label="Reproduction ratio, close up"
        value={data.ratio ?? null}
        unit="ratio"
        shownUnit=": 1"
        minimum={0.001}
        maximum={100}
        optional
        onChange={(ratio) => onChange({ ratio: ratio ?? undefined })}
      />
      <Choice
        label="How it was held"
        options={SUPPORTS}
        value={data.supported === undefined ? null : data.supported ? 'support' : 'hand'}
        onChange={(held) => onChange({ supported: held === 'support' })}
      />
      <TextField
        label="Note"
        value={data.note ?? ''}
        multiline
        onChange={(note) => onChange({ note: note || undefined })}
      />
      <View style={{ flexDirection: 'row', gap: space.medium, flexWrap: 'wrap' }}>
        <Key title="Done" icon="check" weight="strong" onPress={onClose} />
        <Key
          title="Delete the group"
          icon="delete-outline"
          weight="plain"
          onPress={() => {
            removeRow('pictureGroups', row, data.subjectName);
            onClose();
          }}
        />
      </View>
    </Sheet>
  );
}

/** The distance of the plan, where neither EXIF nor the person told one. */
function distanceOf({ distanceM, distanceFrom }: PictureGroup, outing: Outing, wantId: string): Partial<PictureGroup> {
  const planned = outing.wants.find(({ id }) => id === wantId)?.distanceM;
  if (planned === undefined || (distanceM !== undefined && distanceFrom !== 'plan')) return {};
  return { distanceM: planned, distanceFrom: 'plan' };
}
