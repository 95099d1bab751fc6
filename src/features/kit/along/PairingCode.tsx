import { useEffect, useState } from 'react';
import { View } from 'react-native';
import useSWR from 'swr';
import type { PairingOffer, PairingStanding } from '@/contract/lan';
import { api } from '@/data/api';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useAsking } from './useAsking';

/** While a code is shown, the server is asked so often whether it was used, ms. */
const ASK_EVERY_MS = 2000;

export const codeText = (code: string): string => `${code.slice(0, 4)} ${code.slice(4)}`;

/** Time left, as a person reads it. */
export function leftText(seconds: number): string {
  const minutes = Math.floor(seconds / 60);
  return `${minutes}:${String(Math.floor(seconds) % 60).padStart(2, '0')}`;
}

const ENDED: Record<NonNullable<PairingStanding['ended']>, string> = {
  used: '● Paired. The device is in the list.',
  over: 'The five minutes are over. Show a new code.',
  tries: '⚠ Five wrong tries: the code is gone. If that was not you, somebody in your network tried.',
};

/** The code that holds, kept up to date while the page is open. */
export function usePairing() {
  const { data, mutate } = useSWR('pairing', api.lan.pairing, {
    refreshInterval: (standing) => (standing?.offer ? ASK_EVERY_MS : 0),
  });
  return { offer: data?.offer ?? null, ended: data?.ended ?? null, again: mutate };
}

/** A code large enough to read across a table, and how long it still holds. */
function Shown({ offer }: { offer: PairingOffer }) {
  const styles = useStyles();
  const [nowMs, setNowMs] = useState(Date.now);
  useEffect(() => {
    const timer = setInterval(() => setNowMs(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const left = Math.max(0, (Date.parse(offer.expiresAt) - nowMs) / 1000);
  return (
    <View style={styles.code}>
      <Txt kind="huge" aria-label={`Code ${offer.code.split('').join(' ')}`} testID="pairing-code">
        {codeText(offer.code)}
      </Txt>
      <Txt kind="small" tone="soft">
        {`Holds ${leftText(left)} more, for one device. ${offer.triesLeft} tries left.`}
      </Txt>
    </View>
  );
}

/** Shows a code for one device, and what became of it. */
export function PairingCode({ offer, ended, again }: ReturnType<typeof usePairing>) {
  const styles = useStyles();
  const { problem, ask } = useAsking();
  const during = (work: () => Promise<unknown>) =>
    ask(async () => {
      await work();
      await again();
    });
  return (
    <View style={styles.part}>
      {offer ? <Shown key={offer.code} offer={offer} /> : null}
      {!offer && ended ? <Txt role="status">{ENDED[ended]}</Txt> : null}
      <View style={styles.keys}>
        <Key
          title={offer ? 'Show another code' : 'Show a code'}
          icon="pin"
          weight={offer ? 'outline' : 'strong'}
          onPress={() => void during(api.lan.offer)}
        />
        {offer ? (
          <Key title="Take it away" icon="close" weight="plain" onPress={() => void during(api.lan.withdraw)} />
        ) : null}
      </View>
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem}
        </Txt>
      ) : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  part: { gap: space.medium },
  code: { borderLeftWidth: 4, borderColor: palette.needle, paddingLeft: space.large },
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
}));
