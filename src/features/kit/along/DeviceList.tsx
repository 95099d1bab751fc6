import { useEffect, useState } from 'react';
import { View } from 'react-native';
import useSWR from 'swr';
import { LONGEST_DEVICE_NAME, type PairedDevice } from '@/contract/lan';
import { api } from '@/data/api';
import { whenText } from '@/features/book/whenText';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useAsking } from './useAsking';

/** The paired devices, with what can be done to each. `freshness` changes when one may just have been paired. */
export function DeviceList({ freshness }: { freshness: unknown }) {
  const { data, error, mutate } = useSWR('devices', api.lan.devices);
  useEffect(() => void mutate(), [freshness, mutate]);
  if (!data?.length)
    return (
      <Txt tone="soft" role="status">
        {error ? 'The server cannot be reached, so its devices are not known.' : data ? 'None yet.' : 'Asking …'}
      </Txt>
    );
  return (
    <View role="list" aria-label="Paired devices">
      {data.map((device) => (
        <Device key={device.id} device={device} onChanged={() => void mutate()} />
      ))}
    </View>
  );
}

function Device({ device, onChanged }: { device: PairedDevice; onChanged: () => void }) {
  const styles = useStyles();
  const [doing, setDoing] = useState<'rename' | 'revoke' | null>(null);
  const { problem, ask } = useAsking();
  const during = (work: () => Promise<unknown>) =>
    ask(async () => {
      await work();
      setDoing(null);
      onChanged();
    });
  return (
    <View role="listitem" style={styles.device}>
      <View style={styles.words}>
        <Txt kind="strong">{device.name}</Txt>
        <Txt kind="small" tone="soft">
          {`Last seen ${whenText(device.lastSeenAt)} · paired ${whenText(device.pairedAt)} · ${device.rights === 'manage' ? 'may import and restore' : 'may not import or restore'}`}
        </Txt>
      </View>
      {doing === null ? (
        <View style={styles.keys}>
          <Key
            title={device.rights === 'manage' ? 'Stop imports' : 'Allow imports'}
            icon={device.rights === 'manage' ? 'lock-open' : 'lock'}
            weight="plain"
            onPress={() => void during(() => api.lan.allow(device.id, device.rights === 'manage' ? '' : 'manage'))}
          />
          <Key title={`Rename ${device.name}`} icon="edit" iconOnly weight="plain" onPress={() => setDoing('rename')} />
          <Key title={`Revoke ${device.name}`} icon="link-off" iconOnly onPress={() => setDoing('revoke')} />
        </View>
      ) : null}
      {doing === 'rename' ? (
        <Rename
          name={device.name}
          onDone={(name) => void during(() => api.lan.rename(device.id, name))}
          onLeave={() => setDoing(null)}
        />
      ) : null}
      {doing === 'revoke' ? (
        <View style={styles.below}>
          <Txt>{`“${device.name}” keeps what is on it, but is given nothing more and sends nothing more.`}</Txt>
          <View style={styles.keys}>
            <Key
              title="Revoke"
              icon="link-off"
              weight="strong"
              onPress={() => void during(() => api.lan.revoke(device.id))}
            />
            <Key title="Leave it paired" weight="plain" onPress={() => setDoing(null)} />
          </View>
        </View>
      ) : null}
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem}
        </Txt>
      ) : null}
    </View>
  );
}

function Rename({ name, onDone, onLeave }: { name: string; onDone: (name: string) => void; onLeave: () => void }) {
  const styles = useStyles();
  const [typed, setTyped] = useState(name);
  const fits = typed.trim() !== '' && typed.trim().length <= LONGEST_DEVICE_NAME;
  return (
    <View style={styles.below}>
      <TextField
        label="Name of the device"
        value={typed}
        onChange={setTyped}
        error={fits ? undefined : `A name of at most ${LONGEST_DEVICE_NAME} letters.`}
      />
      <View style={styles.keys}>
        <Key title="Rename" weight="strong" disabled={!fits} onPress={() => onDone(typed)} />
        <Key title="Leave it" weight="plain" onPress={onLeave} />
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  device: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.medium,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 180 },
  below: { width: '100%', gap: space.small },
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
}));
