import { useState } from 'react';
import { View } from 'react-native';
import { formatFixed } from '@/core/quantity/format';
import { takeAim, type TakenAim } from '@/data/deviceAim';
import { useSky } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

/** Beyond this the hand or the compass was not at rest, degrees. */
const RESTLESS_DEG = 5;

function wordsOf({ azimuthDeg, altitudeDeg, spreadDeg, declinationDeg }: TakenAim): string {
  const north =
    declinationDeg === null
      ? 'from magnetic north: choose a place for true north'
      : `from true north (compass ${declinationDeg < 0 ? '−' : '+'} ${formatFixed(Math.abs(declinationDeg), 1)}°)`;
  const rest =
    spreadDeg > RESTLESS_DEG
      ? ` ⚠ It moved by ±${formatFixed(spreadDeg)}° meanwhile: hold it still, away from metal.`
      : '';
  return `Azimuth ${formatFixed(azimuthDeg)}° ${north}, altitude ${formatFixed(altitudeDeg)}°.${rest}`;
}

/** Takes azimuth and altitude from the device, held along the lens. Without its compass they are typed. */
export function AimKey() {
  const set = useSky((state) => state.set);
  const [said, setSaid] = useState<string | null>(null);
  const take = async () => {
    setSaid('Hold it still …');
    const aim = await takeAim(() => useSky.now().site);
    if (!aim) return setSaid('This device gives no direction, or was not allowed to. Type azimuth and altitude below.');
    set({ azimuthDeg: Math.round(aim.azimuthDeg) % 360, altitudeDeg: Math.round(Math.max(-10, aim.altitudeDeg)) });
    setSaid(wordsOf(aim));
  };
  return (
    <View style={{ gap: space.small }}>
      <Key title="Take it from this device" icon="explore" onPress={() => void take()} />
      <Txt kind="small" tone="soft" role="status">
        {said ??
          'Hold the back of the phone the way the lens looks, then press. A compass beside a tripod or a car is off by many degrees.'}
      </Txt>
    </View>
  );
}
