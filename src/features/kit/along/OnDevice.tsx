import { View } from 'react-native';
import type { LanStanding } from '@/contract/lan';
import { useOffline } from '@/data/offline';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { OnThisDevice } from '../bring/OnThisDevice';
import { TrustSteps } from './TrustSteps';
import { Block } from './blocks';

/** Whether this is a phone of the kind that installs profiles; only which steps come first hangs on it. */
const installsProfiles = (): boolean => /iP(hone|ad|od)/.test(navigator.userAgent);

/** What a paired device shows: how far it can do alone, and what is missing. */
export function OnDevice({ standing }: { standing: LanStanding }) {
  const ready = useOffline((offline) => offline.state === 'ready');
  return (
    <View style={{ gap: space.wide }}>
      <Block title={`Paired as “${standing.deviceName ?? 'this device'}”`}>
        <OnThisDevice />
      </Block>
      {standing.authority && !ready ? (
        <Block title="Have this device trust the computer">
          <Key
            title="Get the certificate"
            icon="download"
            weight="strong"
            onPress={() => window.location.assign('/api/v1/lan/authority.crt')}
          />
          <TrustSteps authority={standing.authority} start={installsProfiles() ? 'ios' : 'android'} />
        </Block>
      ) : null}
    </View>
  );
}
