import { View } from 'react-native';
import { putOnDevice, useOffline } from '@/data/offline';
import { useMirror } from '@/data/outbox';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

function standingOf(state: ReturnType<typeof useOffline.getState>['state'], whole: boolean): string {
  if (state === 'untrusted')
    return '▽ Works at home only: this browser keeps no pages of a computer it does not trust.';
  if (whole && state === 'ready') return '● Opens with no signal: all pages and all rows are here.';
  return whole
    ? '▽ All rows are here; the pages are not, so it opens only where the server is.'
    : '▽ Not all rows are here yet: keep it open for a moment while the server is there.';
}

/** How far this device can do without the server, and the way to its home screen where the browser offers one. */
export function OnThisDevice() {
  const { state, offers } = useOffline();
  const whole = useMirror((mirror) => mirror.whole);
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="strong" role="status">
        {standingOf(state, whole)}
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
