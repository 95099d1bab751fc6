import { View } from 'react-native';
import { putOnDevice, useOffline } from '@/data/offline';
import { useMirror } from '@/data/outbox';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

/** How far this device can do without the server, and the way to its home screen where the browser offers one. */
export function OnThisDevice() {
  const { state, offers } = useOffline();
  const whole = useMirror((mirror) => mirror.whole);
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="strong" role="status">
        {whole && state === 'ready'
          ? '● Opens with no signal: all pages and all rows are here.'
          : whole
            ? '▽ All rows are here; the pages are not, so it opens only where the server is.'
            : '▽ Not all rows are here yet: keep it open for a moment while the server is there.'}
      </Txt>
      <Txt kind="small" tone="soft">
        What you keep or change without a signal waits here and goes to the server when that is back. Clearing this
        browser’s data for Jauge takes away what waits.
      </Txt>
      {offers ? (
        <Key title="Put it on the home screen" icon="install-mobile" onPress={() => void putOnDevice()} />
      ) : null}
    </View>
  );
}
