import { briefly } from './unreadable';
import { useState } from 'react';
import { View } from 'react-native';
import type { Stored } from '@/contract/resources';
import type { Output } from '@/contract/schemas/output';
import type { Subject } from '@/contract/schemas/subject';
import { usualSubject } from '@/core/kit/subjects';
import { useInHand } from '@/data/inHand';
import { OUTPUTS, useSheets } from '@/data/sheets';
import { usePreferences } from '@/data/preferences';
import { createRow, removeRow, replaceRow } from '@/data/rowActions';
import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';
import { Group } from '@/ui/Group';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { PartList } from './PartList';
import { RowForm } from './LazyRowForm';
import { outputBrief, subjectBrief } from './briefs';
import { owned } from './owned';
import { NEW_OUTPUTS, outputSections, subjectSections } from './subjectForms';

type At =
  | { at: 'list' }
  | { at: 'outputs' }
  | { at: 'subject'; id: string | null }
  | { at: 'output'; id: string | null; kind: Output['kind'] };

const NEW_SUBJECT: Subject = usualSubject('perchingBird');

/** Subjects and what the pictures are for: choose with one tap; add, change, delete. */
export default function SubjectSheet({ onClose }: { onClose: () => void }) {
  const { kit } = useKit();
  const asked = useSheets((state) => state.at);
  const home: At = asked === OUTPUTS ? { at: 'outputs' } : { at: 'list' };
  const [view, setView] = useState<At>(asked === null || asked === OUTPUTS ? home : { at: 'subject', id: asked });
  const units = usePreferences((state) => state.units);
  const chosen = useChosen();
  const subjectId = chosen.subjectId ?? kit.subjects[0]?.id;
  const outputId = chosen.outputId ?? kit.outputs[0]?.id;
  const { chooseSubject, chooseOutput } = useInHand.now();
  const back = () => setView(home);

  if (view.at === 'subject') {
    const row = kit.subjects.find((each) => each.id === view.id);
    return (
      <Sheet title={row ? row.data.name : 'New subject'} onClose={onClose} onBack={back}>
        <RowForm
          resource="subjects"
          sections={subjectSections(units)}
          initial={row?.data ?? NEW_SUBJECT}
          draftKey={`subjects:${view.id ?? 'new'}`}
          onSave={(entered) => {
            const data = owned(entered);
            // The distance in hand belongs to the subject as it was: a changed subject starts from its own again.
            if (row) replaceRow('subjects', row, data);
            chooseSubject(row ? row.id : createRow('subjects', data));
            back();
          }}
          {...(row
            ? {
                onDelete: () => {
                  removeRow('subjects', row, row.data.name);
                  back();
                },
              }
            : {})}
        />
      </Sheet>
    );
  }

  if (view.at === 'output') {
    const row = kit.outputs.find((each) => each.id === view.id);
    return (
      <Sheet title={row ? row.data.name : 'New output'} onClose={onClose} onBack={back}>
        <RowForm
          resource="outputs"
          sections={outputSections(view.kind)}
          initial={row?.data ?? NEW_OUTPUTS[view.kind]}
          draftKey={`outputs:${view.id ?? `new-${view.kind}`}`}
          onSave={(data) => {
            if (row) replaceRow('outputs', row, data);
            chooseOutput(row ? row.id : createRow('outputs', data));
            back();
          }}
          {...(row && kit.outputs.length > 1
            ? {
                onDelete: () => {
                  removeRow('outputs', row, row.data.name);
                  back();
                },
              }
            : {})}
        />
      </Sheet>
    );
  }

  const outputs = (
    <Outputs
      rows={kit.outputs}
      chosenId={outputId}
      onTake={chooseOutput}
      onEdit={(id, kind) => setView({ at: 'output', id, kind })}
    />
  );
  if (view.at === 'outputs')
    return (
      <Sheet title="What the picture is for" onClose={onClose}>
        {outputs}
      </Sheet>
    );
  return (
    <Sheet
      title="Subjects"
      onClose={onClose}
      footer={<Key title="New subject" icon="add" onPress={() => setView({ at: 'subject', id: null })} />}
    >
      {kit.subjects.length ? (
        <PartList
          verb="Take"
          lines={kit.subjects.map((row) => ({
            id: row.id,
            name: row.data.name,
            brief: briefly(() => subjectBrief(row.data, units)),
            chosen: row.id === subjectId,
          }))}
          onPress={(id) => {
            chooseSubject(id);
            onClose();
          }}
          onEdit={(id) => setView({ at: 'subject', id })}
        />
      ) : (
        <Txt tone="soft">No subject yet. Add one: its kind, its size, and how far away it is.</Txt>
      )}
      <Group
        title="What the picture is for"
        brief={kit.outputs.find((row) => row.id === outputId)?.data.name ?? ''}
        startsOpen={kit.outputs.length === 0}
      >
        {outputs}
      </Group>
    </Sheet>
  );
}

interface OutputsProps {
  rows: readonly Stored<Output>[];
  chosenId: string | undefined;
  onTake: (id: string) => void;
  /** Opens the form of one, or of a new one of its kind. */
  onEdit: (id: string | null, kind: Output['kind']) => void;
}

/** What pictures are for: the one judged by, to be changed; one of one's own. */
const Outputs = ({ rows, chosenId, onTake, onEdit }: OutputsProps) => (
  <>
    <PartList
      verb="Judge for"
      lines={rows.map((row) => ({
        id: row.id,
        name: row.data.name,
        brief: briefly(() => outputBrief(row.data)),
        chosen: row.id === chosenId,
      }))}
      onPress={onTake}
      onEdit={(id) => onEdit(id, rows.find((row) => row.id === id)?.data.kind ?? 'screen')}
    />
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
      <Key title="Add a screen" icon="add" onPress={() => onEdit(null, 'screen')} />
      <Key title="Add a print" icon="add" onPress={() => onEdit(null, 'print')} />
      <Key title="Add a record" icon="add" onPress={() => onEdit(null, 'identification')} />
    </View>
  </>
);
