import { memo, useContext, useState } from 'react';
import { View } from 'react-native';
import type { Reading } from '@/contract/schemas/reading';
import { useNotice } from '@/data/notice';
import { useOutbox } from '@/data/outbox';
import { usePreferences } from '@/data/preferences';
import { useDrafts } from '@/data/drafts';
import { useHoldsText } from '@/data/holdsText';
import { PlaceContext } from '@/data/inHand';
import { createRow } from '@/data/rowActions';
import { useKeepOnLeave } from '@/data/useKeepOnLeave';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { PictureKey } from '@/ui/take/PictureKey';
import { space } from '@/ui/theme/measures';
import { readingCard } from './readingCard';

interface Props {
  /** The reading as it stands, taken when the key is pressed; null when there is none. */
  reading: (takenAt: string, note: string) => Reading | null;
}

/** Keeps the reading of a desk in the Book, with a note if one wants to write it now, or makes a picture of it to show. */
export const KeepBar = memo(function KeepBar({ reading }: Props) {
  const { drafts, keep: keepDraft, drop } = useDrafts();
  const draftKey = `note:${useContext(PlaceContext)}`;
  const [note, setNote] = useState<string | null>((drafts[draftKey] as string | undefined) ?? null);
  useHoldsText(Boolean(note));
  useKeepOnLeave(() => (note ? keepDraft(draftKey, note) : drop(draftKey)));
  const units = usePreferences((state) => state.units);
  const show = useNotice((state) => state.show);
  const keep = () => {
    const kept = reading(new Date().toISOString(), note ?? '');
    if (!kept) return;
    createRow('readings', kept);
    setNote(null);
    drop(draftKey);
    const { reachable } = useOutbox.getState();
    show({ text: reachable ? 'Kept in the Book.' : 'Kept on this device; it goes to the server when that is back.' });
  };
  const content = () => {
    const taken = reading(new Date().toISOString(), note ?? '');
    return taken && readingCard(taken, units);
  };
  return (
    <View style={{ gap: space.small }}>
      {note === null ? null : (
        <TextField label="Note" value={note} onChange={setNote} multiline placeholder="Light, tide, what worked" />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
        <Key title="Keep this reading" icon="bookmark-add" weight="strong" onPress={keep} testID="keep" />
        {note === null ? <Key title="Add a note" weight="plain" onPress={() => setNote('')} /> : null}
        <PictureKey content={content} />
      </View>
    </View>
  );
});
