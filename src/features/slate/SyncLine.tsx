import { Suspense, useEffect, useState } from 'react';
import { View } from 'react-native';
import { flush, useOutbox } from '@/data/outbox';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { lazyPart } from '@/ui/lazyPart';

const RefusedSheet = lazyPart(() => import('./RefusedSheet'));

/** Says, only when there is something to say, what has not reached the server and what it refused. */
export function SyncLine() {
  const styles = useStyles();
  const waiting = useOutbox((state) => state.waiting.length);
  const refused = useOutbox((state) => state.refused);
  const reachable = useOutbox((state) => state.reachable);
  const [open, setOpen] = useState(false);
  useEffect(() => {
    // What an earlier visit could not send goes out now, and again when the network comes back.
    void flush();
    const onOnline = () => void flush();
    window.addEventListener('online', onOnline);
    return () => window.removeEventListener('online', onOnline);
  }, []);
  const first = refused[0];
  if (first) {
    return (
      <View style={styles.line} role="status">
        <Txt kind="small" tone="caution" style={styles.words}>
          ⚠ {first.problem.title}: {first.problem.detail}
        </Txt>
        <Key title="Look at both" weight="outline" onPress={() => setOpen(true)} />
        {open ? (
          <Suspense fallback={null}>
            <RefusedSheet refused={first} onClose={() => setOpen(false)} />
          </Suspense>
        ) : null}
      </View>
    );
  }
  if (reachable || waiting === 0) return null;
  return (
    <View style={styles.line} role="status">
      <Txt kind="small" tone="caution" style={styles.words}>
        ⚠ The server cannot be reached. Readings go on; {waiting === 1 ? '1 change waits' : `${waiting} changes wait`} on this device and will be sent.
      </Txt>
      <Key title="Try now" weight="outline" onPress={() => void flush()} />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.medium, paddingHorizontal: space.page, paddingVertical: space.small, borderBottomWidth: 1, borderColor: palette.caution, backgroundColor: palette.raised },
  words: { flex: 1 },
}));
