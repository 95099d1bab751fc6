import { useState } from 'react';
import { View } from 'react-native';
import useSWR from 'swr';
import type { DamagedReport, Soundness } from '@/contract/soundness';
import { formatFixed } from '@/core/quantity/format';
import { ApiRefusal, ApiUnreachable, api } from '@/data/api';
import { useNotice } from '@/data/notice';
import { readAllAgain } from '@/data/transfer';
import { whenText } from '@/features/book/whenText';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** What the last check found, in a sentence. */
export function soundnessText({ checkedAt, running, rows, damaged, structure }: Soundness): string {
  if (running) return `Checking … ${formatFixed(rows)} entries so far.`;
  if (checkedAt === null) return 'Not checked yet.';
  const when = `Checked ${whenText(checkedAt)}`;
  if (structure.length) return `${when}: the file is damaged. Restore the newest backup.`;
  if (damaged.length) return `${when}: ${damaged.length} of ${formatFixed(rows)} entries are damaged.`;
  return `${when}: all ${formatFixed(rows)} entries are intact.`;
}

/** Whether every row is what was written, and damaged ones put back from the newest backup that has them intact. */
export function SoundnessList() {
  const styles = useStyles();
  const { data, mutate } = useSWR('soundness', api.soundness, {
    refreshInterval: (latest) => (latest?.running ? 1500 : 0),
  });
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const show = useNotice((state) => state.show);
  const during = async (work: () => Promise<Soundness>) => {
    setBusy(true);
    setProblem(null);
    try {
      await mutate(await work(), { revalidate: false });
    } catch (reason) {
      if (!(reason instanceof ApiRefusal) && !(reason instanceof ApiUnreachable)) throw reason;
      setProblem(reason.message);
    } finally {
      setBusy(false);
    }
  };
  const putBack = ({ resource, id, noun, name }: DamagedReport) =>
    during(async () => {
      const now = await api.repairRow(resource, id);
      await readAllAgain();
      show({ text: `Restored: ${name ?? noun}.` });
      return now;
    });
  if (!data) return null;
  return (
    <View style={styles.all} testID="soundness">
      <Txt role="status" tone={data.damaged.length + data.structure.length > 0 ? 'needle' : 'soft'}>
        {soundnessText(data)}
      </Txt>
      {data.remarks.map((remark) => (
        <Txt key={remark} tone="caution">
          {remark}
        </Txt>
      ))}
      {data.damaged.length ? (
        <View role="list" aria-label="Damaged entries" style={styles.list}>
          {data.damaged.map((row) => (
            <View key={`${row.resource}/${row.id}`} role="listitem" style={styles.line}>
              <View style={styles.words}>
                <Txt kind="strong">{row.name ?? `A ${row.noun}`}</Txt>
                <Txt kind="small" tone="soft">
                  {`${row.noun}: ${row.how}. ${row.intact ? `Intact in the backup of ${whenText(row.intact.madeAt)}.` : 'No backup has it intact.'}`}
                </Txt>
              </View>
              {row.intact ? (
                <Key
                  title="Restore entry"
                  icon="restore"
                  onPress={() => void putBack(row)}
                  disabled={busy}
                  why="one moment"
                />
              ) : null}
            </View>
          ))}
        </View>
      ) : null}
      <Key
        title="Check now"
        icon="fact-check"
        weight="plain"
        onPress={() => void during(api.checkSoundness)}
        disabled={busy || data.running}
        why="one moment"
      />
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem}
        </Txt>
      ) : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  all: { gap: space.small, alignItems: 'flex-start' },
  list: { alignSelf: 'stretch' },
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.medium,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 160 },
}));
