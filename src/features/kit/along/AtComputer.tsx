import { View } from 'react-native';
import type { LanStanding } from '@/contract/lan';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { DeviceList } from './DeviceList';
import { PairingCode, usePairing } from './PairingCode';
import { QrPicture } from './QrPicture';
import { TrustSteps } from './TrustSteps';
import { Block, Columns } from './blocks';

const QR_PX = 248;
/** Apart, so that two hyphens do not look like one dash. */
const TYPED = { letterSpacing: 2 };

/** What the computer shows: the address for a camera, the code, the devices, and how a phone trusts it. */
export function AtComputer({ standing }: { standing: LanStanding }) {
  const pairing = usePairing();
  const [address, ...others] = standing.addresses;
  if (!standing.on || !standing.authority || !address) return <NotServed on={standing.on} />;
  return (
    <Columns>
      <View style={{ gap: space.wide }}>
        <Block title="1 · Open it on the phone">
          <QrPicture text={pairing.offer ? `${address}/pair?code=${pairing.offer.code}` : address} sizePx={QR_PX} />
          <Txt kind="strong" selectable>
            {address}
          </Txt>
          {others.length > 0 ? (
            <Txt kind="small" tone="soft" selectable>
              {`Also: ${others.join(', ')}. Keep to one: what waits on a phone is kept by address.`}
            </Txt>
          ) : null}
          <Txt kind="small" tone="soft">
            In the same network as this computer. The phone warns that it does not know this computer: go on all the
            same.
          </Txt>
        </Block>
        <Block title="2 · Pair it">
          <PairingCode {...pairing} />
        </Block>
        <Block title="Paired devices">
          <DeviceList freshness={pairing.offer?.code ?? pairing.ended} />
        </Block>
      </View>
      <Block title="3 · Have it trust this computer">
        <Txt>Then it opens anywhere, with no signal, from the home screen.</Txt>
        <TrustSteps authority={standing.authority} />
      </Block>
    </Columns>
  );
}

function NotServed({ on }: { on: boolean }) {
  return (
    <Block title={on ? 'Not in a home network just now' : 'For this computer alone, as it was started'}>
      {on ? (
        <Txt>This computer has no address in the home network. Connect it; the address appears within a minute.</Txt>
      ) : (
        <>
          <Txt>Stop Jauge with Ctrl-C and start it for the home network as well:</Txt>
          <Txt kind="figure" selectable style={TYPED}>
            npm start -- --lan
          </Txt>
          <Txt kind="small" tone="soft">
            Nothing is given to a device before it is paired, and nothing leaves your network.
          </Txt>
        </>
      )}
    </Block>
  );
}
