import { useState } from 'react';
import { View } from 'react-native';
import useSWR from 'swr';
import type { Backup, BackupWhy } from '@/contract/backup';
import { formatFigures } from '@/core/quantity/format';
import { ApiRefusal, ApiUnreachable, api } from '@/data/api';
import { useNotice } from '@/data/notice';
import { readAllAgain } from '@/data/transfer';
import { whenText } from '@/features/book/whenText';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { SoundnessList } from './SoundnessList';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

const WHY: Record<BackupWhy, string> = {
  daily: 'of the day',
  'by-hand': 'made by hand',
  'before-import': 'before a file came in',
  'before-migration': 'before an update',
  'before-restore': 'before a backup was brought back',
};

/** The backups the server keeps: which there are, one more now, and one tap to bring one back. */
export function Backups() {
  const styles = useStyles();
  const { data, error, mutate } = useSWR('backups', api.backups);
  const [busy, setBusy] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const show = useNotice((state) => state.show);
  const during = async (what: string, work: () => Promise<void>) => {
    setBusy(what);
    setProblem(null);
    try {
      await work();
      await mutate();
    } catch (reason) {
      if (!(reason instanceof ApiRefusal) && !(reason instanceof ApiUnreachable)) throw reason;
      setProblem(reason.message);
    } finally {
      setBusy(null);
    }
  };
  const bringBack = (backup: Backup): Promise<void> =>
    during(`Bringing back ${whenText(backup.madeAt)} …`, async () => {
      await api.restoreBackup(backup.name);
      await readAllAgain();
      const before = (await api.backups()).find((each) => each.why === 'before-restore');
      show({
        text: `Everything is as it was on ${whenText(backup.madeAt)}.`,
        ...(before ? { action: { title: 'Undo', run: () => void bringBack(before) } } : {}),
      });
    });
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="small" tone="soft">
        One is made every day and before every file that comes in. Seven of each are kept beside the data. Bringing one
        back makes a backup of what is here first.
      </Txt>
      <SoundnessList />
      {data?.length ? (
        <View role="list" aria-label="Backups">
          {data.map((backup) => (
            <View key={backup.name} role="listitem" style={styles.line}>
              <View style={styles.words}>
                <Txt kind="strong">{whenText(backup.madeAt)}</Txt>
                <Txt kind="small" tone="soft">
                  {WHY[backup.why]} · {formatFigures(backup.bytes / 1e6, 2)} MB
                </Txt>
              </View>
              <Key
                title="Bring back"
                icon="restore"
                onPress={() => void bringBack(backup)}
                disabled={busy !== null}
                why="one moment"
              />
            </View>
          ))}
        </View>
      ) : (
        <Txt tone="soft" role="status">
          {error
            ? 'The server cannot be reached, so its backups are not known.'
            : data
              ? 'No backup yet.'
              : 'Asking for the backups …'}
        </Txt>
      )}
      <Key
        title="Back up now"
        icon="save"
        onPress={() => void during('Backing up …', async () => void (await api.makeBackup()))}
        disabled={busy !== null}
      />
      {busy ? <Txt role="status">{busy}</Txt> : null}
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem}
        </Txt>
      ) : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
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
