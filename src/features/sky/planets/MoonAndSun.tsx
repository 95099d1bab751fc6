import { Pressable, View } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { discOnSensor, type DiscOnSensor } from '@/core/sky/discOnSensor';
import { sunBlock } from '@/core/sky/sunGuard';
import { SUN_WARNING } from '@/core/sky/sunWarning';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';

/** Moon and Sun as they fall on the sensor; the Sun only behind a certified filter. */
export function MoonAndSun({
  system,
  moonArcsec,
  sunArcsec,
  onWhy,
}: {
  system: EffectiveSystem;
  moonArcsec: number;
  sunArcsec: number;
  onWhy: (quantity: Quantity) => void;
}) {
  const moon = discOnSensor(system, 'the Moon', moonArcsec);
  const sun = discOnSensor(system, 'the Sun', sunArcsec);
  const block = sunBlock(system.chain);
  const line = (name: string, { diameterMm, diameterPx, fits }: DiscOnSensor, testID: string) => (
    <Pressable role="button" aria-label={`${name} on the sensor. Why?`} onPress={() => onWhy(diameterPx)}>
      <Txt
        testID={testID}
      >{`${name} is ${formatFigures(diameterMm.value, 3)}\u202fmm, ${formatFixed(diameterPx.value)}\u202fpx, ${fits ? 'fits the frame' : 'is cut by the frame'}.`}</Txt>
    </Pressable>
  );
  return (
    <View style={{ gap: space.small }}>
      {line('The Moon', moon, 'moon-size')}
      {block ? <Txt testID="sun-block">{block.message}</Txt> : line('The Sun', sun, 'sun-size')}
      <Txt kind="strong" tone="needle" role="alert">
        ⚠ {SUN_WARNING}
      </Txt>
    </View>
  );
}
