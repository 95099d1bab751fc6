import { memo, useState, type RefObject } from 'react';
import { View } from 'react-native';
import type { Reading } from '@/contract/schemas/reading';
import type { FarReading } from '@/core/far/readFar';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { useNotice } from '@/data/notice';
import { useOutbox } from '@/data/outbox';
import { createRow } from '@/data/rowActions';
import type { Situation } from '@/data/situation';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import type { DeskState } from './useFarDesk';

/** The reading as it is kept: all that went in, whole, and what came out. */
export function keptReading(situation: Situation, system: EffectiveSystem, reading: FarReading, takenAt: string, note: string): Reading {
  const { setup, subject, output } = situation;
  return {
    desk: 'far',
    takenAt,
    setupId: situation.setupRow.id,
    subjectId: situation.subjectRow.id,
    outputId: situation.outputRow.id,
    converterIds: situation.converterIds,
    setupName: situation.setupRow.data.name,
    input: {
      body: setup.body,
      modeId: setup.modeId,
      chain: setup.chain,
      focalMm: system.markedFocalMm,
      ...(setup.supportWeightG === undefined ? {} : { supportWeightG: setup.supportWeightG }),
      subject,
      distanceM: situation.distanceM,
      output,
      judgeBy: situation.judgeBy,
      cropConvention: situation.convention,
    } as Reading['input'],
    result: {
      pixelsOnSubject: reading.pixelsOnSubject.value,
      resolvedPixels: reading.resolvedPixels.value,
      neededPixels: reading.neededPixels.value,
      shareOfFramePercent: reading.shareOfFrame.value,
      equivalentFocalMm: system.equivalentFocalMm.value,
      equivalentFNumber: system.equivalentFNumber.value,
      verdict: reading.verdict,
    },
    note,
  };
}

/** Keeps the reading in the Book, with a note if one wants to write it now. */
export const KeepBar = memo(function KeepBar({ latest }: { latest: RefObject<DeskState> }) {
  const [note, setNote] = useState<string | null>(null);
  const show = useNotice((state) => state.show);
  const keep = () => {
    const { situation, system, reading } = latest.current;
    if (!system || !reading) return;
    createRow('readings', keptReading(situation, system, reading, new Date().toISOString(), note ?? ''));
    setNote(null);
    const { reachable } = useOutbox.getState();
    show({ text: reachable ? 'Kept in the Book.' : 'Kept on this device; it goes to the server when that is back.' });
  };
  return (
    <View style={{ gap: space.small }}>
      {note === null ? null : <TextField label="Note" value={note} onChange={setNote} multiline placeholder="Light, tide, what worked" />}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
        <Key title="Keep this reading" icon="bookmark-add" weight="strong" onPress={keep} />
        {note === null ? <Key title="Add a note" weight="plain" onPress={() => setNote('')} /> : null}
      </View>
    </View>
  );
});
