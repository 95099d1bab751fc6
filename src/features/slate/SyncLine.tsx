import { Suspense, useEffect, useState } from 'react';
import { View } from 'react-native';
import { agree, flush, openOutbox, useOutbox } from '@/data/outbox';
import { keepFiles, takeNewer, useOffline } from '@/data/offline';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { lazyPart } from '@/ui/lazyPart';

const RefusedSheet = lazyPart(() => import('./refused/RefusedSheet'));
const TraySheet = lazyPart(() => import('./TraySheet'));

const changes = (count: number, one: string, many: string): string =>
  count === 1 ? `1 change ${one}` : `${count} changes ${many}`;

/** Says, only when there is something to say, what has not reached the server, what it refused and what it fails on. */
export function SyncLine() {
  const [open, setOpen] = useState<'refused' | 'tray' | null>(null);
  useOutboxOpen();
  const close = () => setOpen(null);
  return (
    <>
      <State onOpen={setOpen} />
      <Suspense fallback={null}>
        {open === 'refused' ? <RefusedSheet onClose={close} /> : null}
        {open === 'tray' ? <TraySheet onClose={close} /> : null}
      </Suspense>
    </>
  );
}

/** What other devices did meanwhile is asked for so often, ms. */
const AGREE_EVERY_MS = 60_000;

/** Agrees with the server at the start, again when the network or the person comes back, and every minute. */
function useOutboxOpen(): void {
  const unkept = useOutbox((state) => state.unkept.length);
  useEffect(() => {
    void openOutbox();
    void keepFiles();
    const again = () => void (document.visibilityState === 'visible' && agree());
    window.addEventListener('online', again);
    document.addEventListener('visibilitychange', again);
    const now = setInterval(again, AGREE_EVERY_MS);
    return () => {
      clearInterval(now);
      window.removeEventListener('online', again);
      document.removeEventListener('visibilitychange', again);
    };
  }, []);
  useEffect(() => {
    if (unkept === 0) return undefined;
    // The browser asks before it closes a window that alone holds what was typed.
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [unkept]);
}

/** The one line that matters most. */
function State({ onOpen }: { onOpen: (sheet: 'refused' | 'tray') => void }) {
  const waiting = useOutbox((state) => state.waiting.length);
  const refused = useOutbox((state) => state.refused);
  const tray = useOutbox((state) => state.stuck.length + state.odd.length);
  const unkept = useOutbox((state) => state.unkept.length);
  const reachable = useOutbox((state) => state.reachable);
  const serverSays = useOutbox((state) => state.serverSays);
  const paired = useOutbox((state) => state.paired);
  const newer = useOffline((state) => state.newer);
  const takenElsewhere = useOffline((state) => state.takenElsewhere);
  const first = refused[0];
  if (unkept > 0)
    return (
      <Line
        text={`This device has no room left: ${changes(unkept, 'is', 'are')} in this window alone. Keep it open until sent, or make room.`}
        action={{ title: 'Send now', run: () => void flush() }}
      />
    );
  if (first)
    return (
      <Line
        text={
          refused.length > 1
            ? `${refused.length} changes made here could not be taken as they are: most were made elsewhere as well. Nothing is lost; choose which copies to keep.`
            : `${first.problem.title}: ${first.problem.detail}`
        }
        action={{ title: refused.length > 1 ? 'Decide' : 'Look at both', run: () => onOpen('refused') }}
      />
    );
  if (tray > 0)
    return (
      <Line
        text={`${tray === 1 ? 'One thing lies' : `${tray} things lie`} in the tray that could not be sent or read. Everything else goes on.`}
        action={{ title: 'Open the tray', run: () => onOpen('tray') }}
      />
    );
  if (takenElsewhere)
    return (
      <Line
        text="Update available. This window reloads once nothing in it is unsaved."
        action={{ title: 'Reload now', run: () => window.location.reload() }}
      />
    );
  if (newer && (reachable || waiting === 0))
    return (
      <Line text="A newer version of Jauge lies ready." action={{ title: 'Take it', run: () => void takeNewer() }} />
    );
  if (!paired)
    return (
      <Line
        text={`The computer no longer knows this device. What is here stays and works${waiting > 0 ? `; ${changes(waiting, 'waits', 'wait')}` : ''}.`}
        action={{ title: 'Pair again', run: () => window.location.assign('/pair') }}
      />
    );
  if (reachable || waiting === 0) return null;
  return (
    <Line
      text={`${serverSays ?? 'The server cannot be reached.'} Readings go on; ${changes(waiting, 'waits', 'wait')} on this device and will be sent.`}
      action={{ title: 'Try now', run: () => void flush() }}
    />
  );
}

function Line({ text, action }: { text: string; action: { title: string; run: () => void } }) {
  const styles = useStyles();
  return (
    <View style={styles.line} role="status">
      <Txt kind="small" tone="caution" style={styles.words}>
        ⚠ {text}
      </Txt>
      <Key title={action.title} weight="outline" onPress={action.run} />
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    paddingHorizontal: space.page,
    paddingVertical: space.small,
    borderTopWidth: 1,
    borderColor: palette.caution,
    backgroundColor: palette.raised,
  },
  words: { flex: 1 },
}));
